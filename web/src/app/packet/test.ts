import { text, wholeFrom } from '../kit/validators';
import { Field } from '../kit/field';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { debounceTime, filter, finalize, of, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { MOST_TESTED, seedsForDecision, seedsForPrecision } from '@fresh-tuck/core/seedtest';
import { wilsonInterval } from '@fresh-tuck/core/chance';
import {
  aimInWords,
  finalCountInWords,
  foodFridgeInWords,
  handlingInWords,
  PLACE_CAUTIONS,
  wouldTell,
  type TestAim,
} from '@fresh-tuck/core/words';
import { usualSteps } from '@fresh-tuck/core/preparing';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import type { PlanQuestion } from '../data/forecast/forecast.messages';
import { ForecastService } from '../data/forecast/forecast.service';
import { type Choice, Choices } from '../kit/choices';
import { Word } from '../kit/word';
import { Precision } from './precision';
import { ERRORS, LEAST, PRECISIONS, TOWELS, WORSE } from './test-choices';
import { HouseholdApi } from '../data/household/household.api';

const PANE = { widthMm: 140, heightMm: 110, plies: 2 } as const;

/** Nobody lays more of a packet only to try it, seeds. Guess. */
const MOST_PROPOSED = 60;

/** A germination test of part of a packet, as one sentence. */
@Component({
  selector: 'ft-test',
  imports: [Choices, Field, MatButton, MatButtonToggleModule, Precision, RouterLink, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './test.html',
  styleUrls: ['../kit/sentence.scss', './test.scss'],
})
export class TestScreen {
  private readonly api = inject(HouseholdApi);
  private readonly changes = inject(Changes);
  private readonly forecasts = inject(ForecastService);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  readonly packetId = input.required<string>();

  protected readonly packet = toSignal(toObservable(this.packetId).pipe(switchMap((id) => this.changes.keep(() => this.api.packet(id)))), {
    initialValue: null,
  });
  protected readonly crop = toSignal(
    toObservable(computed(() => this.packet()?.cropId ?? null)).pipe(switchMap((id) => (id === null ? of(null) : this.api.crop(id)))),
    { initialValue: null },
  );
  protected readonly spots = toSignal(
    this.changes.keep(() => this.api.spots()),
    { initialValue: [] },
  );
  protected readonly precisions = PRECISIONS;
  protected readonly errors = ERRORS;
  protected readonly worse = WORSE;
  protected readonly leasts = LEAST;
  protected readonly towelChoices = TOWELS.map((value): Choice<number> => ({
    value,
    text: value === 1 ? 'one towel' : `${value} towels`,
    follows: value === 1 ? 'nothing to compare' : 'they must agree',
  }));
  protected readonly spotChoices = computed(() =>
    this.spots().map(({ id, name, inWords }): Choice<string> => ({ value: id, text: name, follows: inWords })),
  );

  /** Asked for: a width, or an error that one can live with about a rate. */
  protected readonly asked = signal<TestAim>({ within: 0.15 });
  protected readonly least = signal(0.7);
  protected readonly seedsFixed = signal<number | null>(null);
  protected readonly towels = signal<number | null>(null);
  protected readonly spotFixed = signal<string | null>(null);
  protected readonly saving = signal(false);
  protected readonly error = signal<string | null>(null);

  protected readonly mean = computed(() => this.packet()?.stock.mean ?? 0.7);
  /** The rate that asks for most seeds, of those that are to be expected: the one nearest to a half. */
  private readonly hardest = computed(() => {
    const { low, high } = this.packet()?.stock ?? { low: 0.5, high: 0.9 };
    return Math.min(Math.max(0.5, low), high);
  });
  /** The sample that what is asked for takes. */
  protected readonly sample = computed(() => {
    const asked = this.asked();
    if ('within' in asked) {
      const seeds = seedsForPrecision(this.hardest(), asked.within);
      return { seeds, text: aimInWords(asked), passes: null };
    }
    const test = seedsForDecision(asked.least, asked.least - WORSE, asked.error);
    return {
      seeds: test?.seeds ?? null,
      text: aimInWords(asked),
      passes: test,
    };
  });
  protected readonly left = computed(() => this.packet()?.seedsLeft ?? null);
  protected readonly seeds = computed(() => {
    // Half a packet is worth more than a closer look at none, and a home has only so many towels.
    const half = Math.ceil((this.left() ?? 2 * MOST_TESTED) / 2);
    return this.seedsFixed() ?? Math.max(Math.min(this.sample().seeds ?? MOST_PROPOSED, half, MOST_PROPOSED), 1);
  });
  /** Why fewer are proposed than it takes; null where as many are. */
  protected readonly fewer = computed(() => {
    const takes = this.sample().seeds ?? 0;
    if (this.seedsFixed() !== null || this.seeds() >= takes) return null;
    const left = this.left();
    return this.seeds() < MOST_PROPOSED && left !== null
      ? `That takes ${takes} seeds and the packet has ${left}: half of it is proposed, and tells a little less.`
      : `That takes ${takes} seeds, more than a few towels hold: ${this.seeds()} are proposed, and tell a little less.`;
  });
  protected readonly replicates = computed(() => {
    const fixed = this.towels();
    const seeds = this.seeds();
    return Math.min(fixed ?? (seeds >= 40 ? 4 : seeds >= 20 ? 2 : 1), seeds);
  });
  protected readonly each = computed(() => {
    const [least, more] = [Math.floor(this.seeds() / this.replicates()), this.seeds() % this.replicates()];
    return more === 0 ? String(least) : `${least} or ${least + 1}`;
  });
  /** What the test would tell if it went as expected. */
  protected readonly tells = computed(() => {
    const seeds = this.seeds();
    return wouldTell(this.mean(), wilsonInterval(Math.round(this.mean() * seeds), seeds));
  });
  private readonly start = toSignal(
    toObservable(computed(() => this.packet()?.id ?? null)).pipe(
      switchMap((id) => (id === null ? of(null) : this.changes.keep(() => this.api.start(id, null)))),
    ),
    { initialValue: null },
  );
  private readonly question = computed<PlanQuestion | null>(() => {
    const crop = this.crop();
    const packet = this.packet();
    const start = this.start();
    if (!crop || !packet || !start || this.spots().length === 0) return null;
    return {
      crop,
      method: 'towel',
      packet,
      others: [],
      wanted: 1,
      keep: 1,
      sureness: 0.9,
      seeds: Math.ceil(this.seeds() / this.replicates()),
      destination: 'cup',
      school: 'crop',
      perPot: 1,
      keepers: 1,
      prepared: this.prepared(),
      soaking: false,
      without: [],
      spotId: this.spotFixed() ?? this.cold(),
      startMs: start.startMs,
      target: null,
      seasons: { nursingDays: [], lateness: [] },
      chillDays: this.chillDays(),
      closure: 'sealed_air',
      pane: PANE,
      spots: start.spots.map(({ priors, ...spot }) => ({ ...spot, prior: priors.tip })),
    };
  });
  protected readonly chillDays = computed(() => {
    const weeks = this.crop()?.chill.weeks ?? 0;
    return weeks > 0 ? Math.round(weeks * 7) : null;
  });
  protected readonly plan = toSignal(
    toObservable(this.question).pipe(
      filter((question) => question !== null),
      debounceTime(30),
      switchMap((question) => this.forecasts.plan(question)),
    ),
  );
  /** What its chill is earned in, where it has one. */
  private readonly cold = computed(() =>
    this.chillDays() === null ? null : (this.spots().find(({ kind }) => kind === 'fridge')?.id ?? null),
  );
  private readonly prepared = computed(() => {
    const crop = this.crop();
    return crop ? usualSteps(crop).filter((step) => step !== 'split') : [];
  });
  protected readonly spotId = computed(() => this.spotFixed() ?? this.cold() ?? this.plan()?.spotId ?? this.spots()[0]?.id ?? null);
  /** What the seed, its cold and its spot ask for. */
  protected readonly cautions = computed(() => {
    const crop = this.crop();
    if (!crop) return [];
    const handling = handlingInWords(crop, this.about.household().units);
    const fridge = this.chillDays() === null ? null : foodFridgeInWords(crop, this.packet()?.dressed ?? false);
    return [handling?.strong ? handling.text : null, fridge, PLACE_CAUTIONS[this.spot()?.kind ?? '']].filter((one) => one != null);
  });
  protected readonly spot = computed(() => this.spots().find(({ id }) => id === this.spotId()) ?? null);
  protected readonly finalCount = computed(() => this.plan()?.bySpot.find(({ spotId }) => spotId === this.spotId())?.finalCount ?? null);
  protected readonly finalText = computed(() => {
    const count = this.finalCount();
    if (!count) return '';
    const day = this.about.moments().day((this.start()?.startMs ?? this.about.nowMs()) + count.day * 86_400_000);
    return finalCountInWords(count, day, this.about.household().units);
  });

  private readonly most = computed(() => Math.min(this.left() ?? MOST_TESTED, MOST_TESTED));
  protected readonly mostText = computed(
    () => `How many to test is a whole number from 1 to ${this.most()}${this.left() === null ? '' : ': the packet has no more'}.`,
  );
  protected readonly typed = text('', (control) => wholeFrom(1, this.most())(control));

  constructor() {
    this.typed.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      this.typed.markAsTouched();
      const words = String(value ?? '').trim();
      if (this.typed.valid) this.seedsFixed.set(words === '' ? null : Number(words));
    });
  }

  protected ask(asked: { within: number } | { least: number; error: number }): void {
    this.asked.set(asked);
    this.typed.setValue('');
  }

  protected begin(): void {
    const spotId = this.spotId();
    const plan = this.plan();
    const finalCount = this.finalCount();
    if (!spotId || !plan || !finalCount) return this.error.set('Name a warm spot in House first.');
    this.saving.set(true);
    this.api
      .addBatch({
        id: uuid(),
        packetId: this.packetId(),
        purpose: 'test',
        replicates: this.replicates(),
        finalDays: finalCount.day,
        seeds: this.seeds(),
        wanted: null,
        startAt: null,
        chillDays: this.chillDays(),
        prepared: this.prepared(),
        method: 'towel',
        towel: PANE,
        // What all its towels drink.
        doseMl: plan.dose.millilitres * this.replicates(),
        holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId },
      })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: ({ id }) => void this.router.navigate(['/batch', id]),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
