import { moveAdvised } from './advised';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { finalize, from } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, MoveRequest } from '@fresh-tuck/contract';
import { DESTINATION_WORDS, moveCard, QUIET_WORDS, ROOTED_WORDS, rootedInWords } from '@fresh-tuck/core/words';
import { methodOf } from '@fresh-tuck/core/method';
import { DESTINATIONS, MIX_ML, type Destination } from '@fresh-tuck/core/moving';
import { mixFor } from '@fresh-tuck/core/nursing';
import { quietChoices, type QuietChoice } from '@fresh-tuck/core/judging';
import { hasTipped } from '@fresh-tuck/core/parcel';
import { formatLength, inUnits } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';

import { Outbox } from '../data/transport/outbox.service';
import { RoundService } from '../data/household/round.service';
import { Changes } from '../data/transport/changes.service';
import { Choices } from '../kit/choices';
import { Handling } from '../kit/handling';
import { When } from '../kit/when';
import { Word } from '../kit/word';
import { Stepper } from '../kit/stepper';
import { MixCard } from '../nursery/mix-card';
import { Beds } from './beds';
import { HouseholdApi } from '../data/household/household.api';

/** More to a pot than this are a sowing. */
const MOST_TO_A_POT = 3;
const HALF_HOUR_MS = 1_800_000;
/** "21 to 46", as one stick in the row says it. */
const spanOf = (numbers: readonly number[]): string => `${Math.min(...numbers)} to ${Math.max(...numbers)}`;
/** What takes several sprouts of which one stays. */
const POTTED: readonly Destination[] = ['cup', 'cell', 'pot', 'pellet', 'plug', 'terrarium'];
const ROOTED = ['freed', 'patched', 'snapped'] as const;

/** Sprouts to where they grow: which, where to, how, and the labels to write. */
@Component({
  selector: 'ft-move',
  imports: [MatButton, MatButtonToggleModule, Beds, Choices, Handling, MixCard, Stepper, When, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './move.html',
  styleUrl: './move.scss',
})
export class Move {
  private readonly api = inject(HouseholdApi);
  private readonly outbox = inject(Outbox);
  private readonly round = inject(RoundService);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  readonly batch = input.required<BatchWithJournal>();
  /** A row of a bed gets one label, marked up by count. */
  protected readonly rowLabel = computed(() => {
    const labels = this.labels() ?? [];
    return this.destination() === 'bed' && labels.length > 1
      ? { span: spanOf(labels.map(({ number }) => number)), plants: labels.length }
      : null;
  });
  readonly done = output();
  readonly later = output();

  protected readonly destinations = DESTINATIONS;
  protected readonly words = DESTINATION_WORDS;
  protected readonly quietWords = QUIET_WORDS;
  protected readonly rootedKinds = ROOTED;
  protected readonly rootedWords = ROOTED_WORDS;
  protected readonly showing = computed(() => {
    const { state, roots, nowMs } = this.batch().answers;
    const { units } = this.about.household();
    return state.seeds
      .filter(({ stage, moved }) => hasTipped(stage) && !moved)
      .map(({ seed, measuredMm }) => {
        const root = roots.find(({ seeds }) => seeds.includes(seed));
        return {
          seed,
          mm: root?.usualMm ?? measuredMm ?? 0,
          length: measuredMm === null ? null : formatLength(root?.usualMm ?? measuredMm, units),
          ready: root !== undefined && root.readyMs <= nowMs + HALF_HOUR_MS,
        };
      })
      .sort((a, b) => b.mm - a.mm);
  });
  protected readonly countedMost = computed(() => this.batch().answers.state.counted.reduce((sum, { count }) => sum + count, 0));
  /** What was just seen and is ready is proposed; every one can be taken out or added. */
  protected readonly chosen = linkedSignal<ReadonlySet<number>>(
    () =>
      new Set(
        this.showing()
          .filter(({ ready }) => ready)
          .map(({ seed }) => seed),
      ),
  );
  protected readonly uncounted = linkedSignal(() => {
    const { roots, nowMs } = this.batch().answers;
    return roots
      .filter(({ seeds, readyMs }) => seeds.length === 0 && readyMs <= nowMs + HALF_HOUR_MS)
      .reduce((sum, { count }) => sum + count, 0);
  });
  /** Where it was said at tuck-in that they go; else nothing is chosen yet. */
  protected readonly destination = linkedSignal<Destination | null>(() => this.batch().aim.destination);
  /** Where seedlings of this batch stand already; they are joined there. */
  protected readonly spotId = signal<string | null>(null);
  protected readonly joined = computed(() => this.batch().cups.length > 0);
  protected readonly spots = toSignal(
    inject(Changes).keep(() => this.api.spots()),
    { initialValue: [] },
  );
  protected readonly stand = computed(() => this.spots().map(({ id, name }) => ({ value: id, text: name })));
  protected readonly spotName = computed(() => this.stand().find(({ value }) => value === this.spotId())?.text ?? null);
  /** Sprouts to a pot: as the household does, where there are so many. */
  protected readonly perPot = linkedSignal<number>(() =>
    POTTED.includes(this.destination() ?? 'bed') && this.count() > 1 && this.about.household().nursing.schools.pot === 'several' ? 2 : 1,
  );
  protected readonly potted = computed(() => POTTED.includes(this.destination() ?? 'bed') && this.count() > 1);
  protected readonly pots = computed(() => Math.ceil(this.count() / this.perPot()));
  /** When they were moved; null is now. */
  protected readonly at = signal<string | null>(null);
  private readonly bedsOf = viewChild(Beds);
  /** What was asked back before more are planted than fit, or into cold soil. */
  protected readonly asked = signal<string | null>(null);
  protected readonly bedId = signal<string | null>(null);
  protected readonly rootedSoFar = computed(() => rootedInWords(this.batch().rooted) ?? '');
  protected readonly mixing = signal(false);
  /** The mix that suits the crop, and what one pot holds of it; null where none goes in. */
  protected readonly mix = computed(() => mixFor(this.batch().facts.crop, 'seed'));
  protected readonly potMl = computed(() => MIX_ML[this.destination() ?? 'bed'] ?? null);
  protected readonly rooted = signal({ freed: 0, patched: 0, snapped: 0 });
  protected readonly rootedShown = linkedSignal(() => this.batch().answers.longestMm >= this.batch().facts.crop.root.lateMm);
  protected readonly quiet = signal<QuietChoice['school'] | null>(null);
  protected readonly saving = signal(false);
  protected readonly error = signal<string | null>(null);
  /** Labels given, once it is saved; empty where it waits in this browser. */
  protected readonly labels = signal<{ number: number; seed: number | null }[] | null>(null);
  protected readonly count = computed(() => this.chosen().size + this.uncounted());
  protected readonly advice = computed(() => moveAdvised(this.batch().judgement.advice));
  protected readonly card = computed(() => {
    const destination = this.destination();
    const { units } = this.about.household();
    return destination === null
      ? null
      : moveCard(
          this.batch().facts.crop,
          destination,
          Math.max(this.pots(), 1),
          { told: (text) => inUnits(text, units) },
          // What stays on paper is tucked under again.
          methodOf(this.batch().facts.method).late === 'in_paper' &&
            this.batch().answers.state.quiet + this.batch().answers.state.showing > this.count(),
          this.about.household().nursing.schools,
        );
  });
  protected readonly quietChoices = computed(() => {
    const { answers } = this.batch();
    return answers.state.quiet === 0 ? [] : quietChoices(answers).map((one) => ({ ...one, text: this.quietText(one) }));
  });

  constructor() {
    // Keyboard and reader come along when the sprouts are asked for.
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    afterNextRender(() => host.nativeElement.querySelector('h2')?.focus({ preventScroll: true }));
  }

  private quietText({ school, low, high, places }: QuietChoice): string {
    const range = low === high ? `${low}` : `${low} to ${high}`;
    if (school === 'stop') return 'none more, and the towel is free';
    return school === 'plant' ? `${range} more, and ${places} places taken` : `${range} more, on the same towel`;
  }

  protected toggle(seed: number): void {
    const next = new Set(this.chosen());
    if (!next.delete(seed)) next.add(seed);
    this.chosen.set(next);
  }

  protected potBy(by: 1 | -1): void {
    this.perPot.update((each) => Math.min(Math.max(each + by, 1), Math.min(MOST_TO_A_POT, this.count())));
  }
  protected countBy(by: 1 | -1): void {
    this.uncounted.update((count) => Math.min(Math.max(count + by, 0), this.countedMost()));
  }

  protected root(kind: (typeof ROOTED)[number], by: 1 | -1): void {
    this.rooted.update((rooted) => {
      const others = ROOTED.filter((other) => other !== kind).reduce((sum, other) => sum + rooted[other], 0);
      return { ...rooted, [kind]: Math.min(Math.max(rooted[kind] + by, 0), this.count() - others) };
    });
  }

  protected save(): void {
    const destination = this.destination();
    if (destination === null) {
      this.error.set('Say where they go: a cup, a cell, a pot …');
      return;
    }
    if (destination === 'bed' && this.bedId() === null) {
      this.error.set('Say which bed.');
      return;
    }
    const question = destination === 'bed' ? (this.bedsOf()?.askedBack(this.count()) ?? null) : null;
    if (question !== null && question !== this.asked()) return this.asked.set(question);
    const batch = this.batch();
    const body: MoveRequest = {
      id: uuid(),
      at: this.at(),
      seeds: [...this.chosen()].sort((a, b) => a - b),
      uncounted: this.uncounted(),
      destination,
      bedId: destination === 'bed' ? this.bedId() : null,
      spotId: destination === 'bed' ? null : this.spotId(),
      perPot: this.potted() ? this.perPot() : 1,
      rooted: this.rooted(),
      quietPlanted: this.quiet() === 'plant' ? batch.answers.state.quiet : 0,
      who: this.round.who(),
    };
    const known = new Set(batch.cups.map(({ number }) => number));
    this.saving.set(true);
    from(
      this.outbox.send<BatchWithJournal>({
        id: body.id,
        method: 'POST',
        path: `batches/${batch.id}/moves`,
        body,
        what: `the move from ${batch.number}`,
      }),
    )
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (sent) => {
          this.labels.set(sent.kind === 'sent' ? sent.reply.cups.filter(({ number }) => !known.has(number)) : []);
          if (sent.kind === 'sent' && this.quiet() !== null && this.quiet() !== 'retuck') this.close(sent.reply);
        },
        error: (problem: Error) => this.error.set(problem.message),
      });
  }

  /** Nothing is left on the towel that anybody waits for. */
  private close({ id, answers }: BatchWithJournal): void {
    if (answers.state.showing > 0) return;
    this.api
      .close(id, { id: uuid(), reason: 'all_moved' })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ error: (problem: Error) => this.error.set(problem.message) });
  }
}
