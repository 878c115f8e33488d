import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { debounceTime, distinctUntilChanged, map, of, startWith, switchMap } from 'rxjs';
import type { Box, BoxRow, PacketSheet, Seedling } from '@fresh-tuck/contract';
import type { Divider } from '@fresh-tuck/contract/choices';

import { v7 as uuid } from 'uuid';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { RateBar } from '../kit/rate-bar';
import { NurseryApi } from '../nursery/nursery.api';
import { PacketForm } from './packet-form';
import { HouseholdApi } from '../data/household/household.api';
import { SeedsApi } from './seeds.api';

/** What each divider asks for. */
const WORDS: Readonly<Record<Divider, { readonly title: string; readonly text: string }>> = {
  test_first: { title: 'Test first', text: 'doubtful, and nothing has proved it' },
  use_up: { title: 'Use up', text: 'near the end of its storage life' },
  short: { title: 'Nearly empty', text: 'fewer than a batch takes' },
  fine: { title: 'In order', text: 'good for a batch' },
  empty: { title: 'Used up', text: '' },
};
/** A short wait for the next letter before the box is looked through, ms. */
const TYPING_MS = 150;
const ROWS_AT_ONCE = 14;
/** A table may be taken out with one touch for so long, ms. */
const FRESH_MS = 14 * 86_400_000;

/** A plant's label, and what was seen on it, for the packet of its seed. */
const offPlant = ({ number, events }: Seedling): { readonly note: string; readonly trait: string } => ({
  note: `from plant ${number}`,
  trait: events
    .filter(({ kind }) => kind === 'trait')
    .map(({ inWords }) => inWords.replace(/^seen on it: /, ''))
    .join(', ')
    .slice(0, 120),
});

/** The seed box behind its dividers: what to test first, what to use up, what is short. */
@Component({
  selector: 'ft-seeds',
  imports: [MatFormFieldModule, MatInputModule, MatButton, PacketForm, RateBar, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './seeds.html',
  styleUrl: './seeds.scss',
})
export class SeedsScreen {
  private readonly api = inject(SeedsApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly nurseryApi = inject(NurseryApi);
  private readonly destroyRef = inject(DestroyRef);
  private readonly notice = inject(Notice);
  protected readonly about = inject(AboutService);
  readonly add = input<string>();
  /** The packet that seed was saved from. */
  readonly mother = input<string>();
  /** The label of the plant that it was saved from. */
  readonly plant = input<string>();

  protected readonly typed = signal('');
  private readonly find$ = toObservable(this.typed).pipe(
    debounceTime(TYPING_MS),
    map((words) => words.trim()),
    startWith(''),
    distinctUntilChanged(),
  );
  private readonly changes = inject(Changes);
  private readonly answered = toSignal(
    this.find$.pipe(switchMap((find) => this.changes.keep(() => this.api.box(find).pipe(map((box) => ({ find, box })))))),
  );
  protected readonly box = computed(() => this.answered()?.box);
  /** The words that the box stands for now. */
  private readonly found = computed(() => this.answered()?.find);
  /** Rows that were asked for beyond the first ones of a divider, as the box stood then. */
  private readonly further = linkedSignal<Box | undefined, ReadonlyMap<Divider, readonly BoxRow[]>>({
    source: this.box,
    computation: () => new Map(),
  });
  protected readonly adding = linkedSignal(() => this.add() !== undefined);
  protected readonly added = signal<{ id: string; text: string } | null>(null);
  protected readonly savedFrom = toSignal(
    toObservable(this.mother).pipe(switchMap((id) => (id ? this.householdApi.packet(id) : of(null)))),
    {
      initialValue: null,
    },
  );

  /** What was seen on the plant that seed was saved from. */
  protected readonly savedOff = toSignal(
    toObservable(this.plant).pipe(
      switchMap((number) => (number ? this.nurseryApi.seedling(Number(number)).pipe(map((plant) => offPlant(plant))) : of(null))),
    ),
    { initialValue: null },
  );

  /** Rows that are drawn: a few at once, the others with the next frames, so that no key waits for a whole box. */
  private readonly drawn = linkedSignal({ source: this.found, computation: () => ROWS_AT_ONCE });
  private readonly all = computed(() =>
    (this.box()?.groups ?? []).map(({ divider, count, packets }) => ({
      id: divider,
      ...WORDS[divider],
      count,
      packets: [...packets, ...(this.further().get(divider) ?? [])],
    })),
  );
  protected readonly groups = computed(() => {
    let left = this.drawn();
    return this.all().map((group) => {
      const packets = group.packets.slice(0, left);
      left -= packets.length;
      return { ...group, packets, whole: packets.length === group.packets.length };
    });
  });
  protected readonly full = computed(() => this.groups().filter(({ id }) => id !== 'empty'));
  protected readonly empty = computed(() => this.groups().find(({ id }) => id === 'empty'));
  protected readonly headline = computed(() => {
    const { total = 0, counts } = this.box() ?? {};
    if (total === 0 || !counts) return 'The seed box';
    const count = total - counts.empty;
    const asks = [
      counts.test_first > 0 ? `test ${counts.test_first} first` : '',
      counts.use_up > 0 ? `use up ${counts.use_up}` : '',
    ].filter(Boolean);
    const box = `${count} ${count === 1 ? 'packet' : 'packets'} in the box`;
    return asks.length > 0 ? `${box}: ${asks.join(', ')}` : box;
  });

  protected readonly away = toSignal(
    this.changes.keep(() => this.api.away().pipe(map((all) => all.filter((one) => one !== null)))),
    { initialValue: [] },
  );
  private readonly allImports = toSignal(
    this.changes.keep(() => this.api.imports()),
    { initialValue: [] },
  );
  /** The last table that came in, while it is fresh and still in. */
  protected readonly imports = computed(
    () => this.allImports().find(({ undone, atMs }) => !undone && this.about.nowMs() - atMs < FRESH_MS) ?? null,
  );

  protected undoImport(id: string): void {
    this.api
      .undoImport(id, { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ removed, restored, kept }) => {
          const stays = kept.length === 0 ? '' : ` ${kept.join(', ')} stayed: something hangs on it, or it was changed since.`;
          this.notice.say(`${removed} out again, ${restored} as before.${stays}`, 'Close');
        },
        error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close'),
      });
  }

  protected takeOut(id: string): void {
    this.api
      .takeOut(id, { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close') });
  }

  /** The next rows of a divider. */
  protected showMore(divider: Divider, from: number): void {
    this.api
      .boxPage(this.typed().trim(), divider, from)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe(({ groups: [group] }) => {
        // Meanwhile the box may have changed and begun anew: then these rows are no longer the next.
        const shown = this.all().find(({ id }) => id === divider)?.packets.length;
        if (!group || shown !== from) return;
        this.further.update((all) => new Map([...all, [divider, [...(all.get(divider) ?? []), ...group.packets]]]));
      });
  }

  constructor() {
    effect((onCleanup) => {
      const rows = this.all().reduce((sum, { packets }) => sum + packets.length, 0);
      if (this.drawn() >= rows) return;
      const timer = setTimeout(() => this.drawn.update((drawn) => drawn + ROWS_AT_ONCE));
      onCleanup(() => clearTimeout(timer));
    });
  }

  /** What else is to be said beside its divider. */
  protected also(packet: BoxRow, divider: string): string {
    const words = { use_up: 'use up', test_first: 'test first', short: 'nearly empty', empty: '' } as const;
    return (
      packet.stock.advice
        // What wants a test is old as a rule: once is enough.
        .filter((one) => one !== divider && !(one === 'use_up' && divider === 'test_first'))
        .map((one) => words[one])
        .join(', ')
    );
  }

  protected keep(packet: PacketSheet): void {
    this.added.set({ id: packet.id, text: `${packet.cropName}, ${packet.variety}` });
    this.adding.set(false);
  }
}
