import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, linkedSignal, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Nursery, Seedling, SeedlingRequest } from '@fresh-tuck/contract';
import { SEEDLING_STAGES, type NurseryGroup } from '@fresh-tuck/contract/choices';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { When } from '../kit/when';
import { PrintLabel } from '../print/print-label';
import { SproutDrawing } from './sprout';
import { NurseryApi } from './nursery.api';

type Stage = (typeof SEEDLING_STAGES)[number];
const LOSSES = ['damped off', 'dried out', 'root was broken', 'eaten', 'never came up'] as const;
const DAY_MS = 86_400_000;

/** Every moved sprout by stage; what arrives can be marked up, lost or given. */
@Component({
  selector: 'ft-nursery',
  imports: [MatFormFieldModule, MatInputModule, MatButton, PrintLabel, RouterLink, SproutDrawing, When],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './nursery.html',
  styleUrl: './nursery.scss',
})
export class NurseryScreen {
  private readonly api = inject(NurseryApi);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly all = toSignal(inject(Changes).keep(() => this.api.nursery()));
  /** Seedlings that were asked for beyond the first ones of a group, as the nursery stood then. */
  private readonly further = linkedSignal<Nursery | undefined, ReadonlyMap<NurseryGroup, readonly Seedling[]>>({
    source: this.all,
    computation: () => new Map(),
  });
  protected readonly lookingBack = signal(false);
  protected readonly losing = signal<number | null>(null);
  /** Whose record is open. */
  protected readonly recalled = signal<number | null>(null);
  /** When what is marked was seen; null is now. */
  protected readonly at = signal<string | null>(null);
  protected readonly losses = LOSSES;
  protected readonly labelsOf = (seedlings: readonly Seedling[]) =>
    seedlings.map(({ number }) => ({ kind: 'seedling' as const, id: String(number) }));

  private readonly groups = computed(() =>
    (this.all()?.groups ?? []).map((one) => ({ ...one, seedlings: [...one.seedlings, ...(this.further().get(one.group) ?? [])] })),
  );
  protected readonly gone = computed(() => this.groups().find(({ group }) => group === 'gone'));
  protected readonly stages = computed(() =>
    this.groups().flatMap(({ group, count, seedlings }) =>
      group === 'gone'
        ? []
        : [
            {
              stage: group,
              ...SEEDLING_WORDS[group],
              following: SEEDLING_STAGES[SEEDLING_STAGES.indexOf(group) + 1] ?? null,
              count,
              seedlings,
            },
          ],
    ),
  );
  protected readonly headline = computed(() => {
    const count = this.all()?.living ?? 0;
    const of = (stage: Stage): number => this.stages().find((one) => one.stage === stage)?.count ?? 0;
    const out = of('planted_out') + of('ripe');
    if (count === 0) return 'Nothing in the nursery yet';
    if (count === out) return `Nothing in the nursery, ${out} planted out`;
    const below = of('moved');
    return below > 0
      ? `${count - out} in the nursery, ${below === count - out ? 'none up yet' : `${below} not up yet`}`
      : `${count - out} in the nursery, all up`;
  });

  /** The next seedlings of a group. */
  protected showMore(group: NurseryGroup, from: number): void {
    this.watch(this.api.nurseryPage(group, from)).subscribe({
      next: ({ groups: [found] }) => {
        // Meanwhile somebody may have said something: then these are no longer the next.
        if (!found || this.groups().find((one) => one.group === group)?.seedlings.length !== from) return;
        this.further.update((all) => new Map([...all, [group, [...(all.get(group) ?? []), ...found.seedlings]]]));
      },
      ...this.complain,
    });
  }

  constructor() {
    // What is gone is fetched when somebody looks, and again when something was said meanwhile.
    effect(() => {
      if (this.lookingBack() && this.gone()?.seedlings.length === 0) untracked(() => this.showMore('gone', 0));
    });
  }

  protected days({ stageMs }: Seedling): string {
    const days = Math.floor((this.about.nowMs() - stageMs) / DAY_MS);
    return days === 0 ? 'today' : days === 1 ? 'since yesterday' : `for ${days} days`;
  }

  protected step(seedling: Seedling, stage: Stage): void {
    this.say(seedling, { id: uuid(), kind: 'stage', stage, why: null, at: this.at() }, SEEDLING_WORDS[stage].title.toLowerCase());
  }

  protected give(seedling: Seedling): void {
    this.say(seedling, { id: uuid(), kind: 'given', stage: null, why: null, at: this.at() }, 'given away');
  }

  protected lose(seedling: Seedling, why: string): void {
    if (why.trim() === '') return;
    this.losing.set(null);
    this.say(seedling, { id: uuid(), kind: 'lost', stage: null, why: why.trim(), at: this.at() }, 'lost');
  }

  /** The last thing that was said of it. */
  protected undo({ number, events }: Seedling): void {
    const last = events.at(-1);
    if (last) this.takeBack(number, last.id);
  }

  /** Anything that was said of it, not only the last. */
  protected takeBack(number: number, entryId: string): void {
    this.watch(this.api.undoSeedling(number, { id: uuid(), entryId })).subscribe(this.complain);
  }

  protected told({ kind, stage, why, atMs }: Seedling['events'][number]): string {
    const what = kind === 'stage' ? (SEEDLING_STAGES.find((one) => one === stage) ?? null) : null;
    const words = what ? SEEDLING_WORDS[what].title.toLowerCase() : kind === 'lost' ? `lost: ${why ?? ''}` : 'given away';
    return `${words}, ${this.about.moments().short(atMs)}`;
  }

  private say({ number }: Seedling, body: SeedlingRequest, text: string): void {
    this.watch(this.api.addSeedlingEvent(number, body)).subscribe({
      next: () =>
        this.notice
          .say(`${number}: ${text}.`, 'Undo')
          .onAction()
          .subscribe(() => this.watch(this.api.undoSeedling(number, { id: uuid(), entryId: body.id })).subscribe(this.complain)),
      ...this.complain,
    });
  }

  private readonly complain = { error: (problem: ApiProblem) => void this.notice.say(problem.message, 'Close') };
  private watch<T>(asked: Observable<T>): Observable<T> {
    return asked.pipe(takeUntilDestroyed(this.destroyRef));
  }
}
