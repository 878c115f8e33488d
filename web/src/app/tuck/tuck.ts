import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { debounceTime, filter, finalize, of, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchRequest, BatchWithJournal, Packet } from '@fresh-tuck/contract';
import { formatLength } from '@fresh-tuck/core/units';
import { AboutService } from '../data/about.service';
import { Api, type ApiProblem } from '../data/api.service';
import { Changes } from '../data/changes.service';
import type { PlanQuestion } from '../data/forecast.messages';
import { ForecastService } from '../data/forecast.service';
import { Label } from '../kit/label';
import { Ribbon } from '../kit/ribbon';
import { Towel, type TowelSeed } from '../kit/towel';
import { Why } from '../kit/why';
import { Word } from '../kit/word';
import { CLOSURE_WORDS, PANES, PLIES, PREPARATION_WORDS, preparationText, SURENESS, type Closure, type Preparation } from './choices';
import { HowMany } from './how-many';
import { worktop } from './worktop';

const SEED_LIMIT = 400;

/** One editable sentence; beneath it the towel to scale, how many, where it goes, the worktop card and the label. */
@Component({
  selector: 'ft-tuck',
  imports: [HowMany, Label, Ribbon, RouterLink, Towel, Why, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tuck.html',
  styleUrl: './tuck.scss',
})
export class TuckScreen {
  private readonly api = inject(Api);
  private readonly forecasts = inject(ForecastService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  private readonly changes = inject(Changes);

  /** The packet to start from, where another screen named one. */
  readonly packet = input<string>();

  protected readonly packets = toSignal(this.changes.keep(() => this.api.packets()));
  protected readonly spots = toSignal(
    this.changes.keep(() => this.api.spots()),
    { initialValue: [] },
  );
  protected readonly holders = toSignal(
    this.changes.keep(() => this.api.holders()),
    { initialValue: [] },
  );

  protected readonly closures = Object.entries(CLOSURE_WORDS) as [Closure, (typeof CLOSURE_WORDS)[Closure]][];
  protected readonly preparations = Object.entries(PREPARATION_WORDS) as [Preparation, string][];
  protected readonly surenesses = SURENESS;
  protected readonly panes = PANES;

  protected readonly packetId = linkedSignal(() => this.packet() ?? null);
  protected readonly wanted = signal<number | null>(null);
  protected readonly sureness = signal<number>(0.9);
  protected readonly seedsFixed = signal<number | null>(null);
  protected readonly startAt = signal<string | null>(null);
  protected readonly prepFixed = signal<readonly Preparation[] | null>(null);
  protected readonly chillFixed = signal<number | null | undefined>(undefined);
  protected readonly closure = signal<Closure>('sealed_air');
  protected readonly holderId = signal<string | null>(null);
  protected readonly spotFixed = signal<string | null>(null);
  protected readonly pane = signal<(typeof PANES)[number]>(PANES[0]);
  protected readonly saving = signal(false);
  protected readonly problem = signal<ApiProblem | null>(null);
  protected readonly missing = signal<string | null>(null);
  protected readonly done = signal<BatchWithJournal | null>(null);

  protected readonly chosen = computed<Packet | null>(() => this.packets()?.find(({ id }) => id === this.packetId()) ?? null);
  protected readonly crop = toSignal(
    toObservable(computed(() => this.chosen()?.cropId ?? null)).pipe(switchMap((id) => (id === null ? of(null) : this.api.crop(id)))),
    { initialValue: null },
  );
  protected readonly wantedNumber = computed(() => this.wanted() ?? 4);
  protected readonly prepared = computed<readonly Preparation[]>(
    () => this.prepFixed() ?? (this.crop()?.preparation.steps ?? []).filter((step) => step !== 'chill'),
  );
  protected readonly chillDays = computed<number | null>(() => {
    const fixed = this.chillFixed();
    if (fixed !== undefined) return fixed;
    const weeks = this.crop()?.chill.weeks ?? 0;
    return weeks > 0 ? Math.round(weeks * 7) : null;
  });
  protected readonly holder = computed(() => this.holders().find(({ id }) => id === this.holderId()) ?? null);
  /** Where it stands: the bag's own place, the gardener's choice, or the spot where half would show first. */
  protected readonly spotId = computed<string | null>(() => {
    const holder = this.holder();
    if (holder) return holder.spotId;
    const fixed = this.spotFixed();
    if (fixed) return fixed;
    if (this.chillDays() !== null) return this.spots().find(({ kind }) => kind === 'fridge')?.id ?? this.spots()[0]?.id ?? null;
    const timed = this.plan()?.bySpot.filter(({ halfDays }) => halfDays !== null) ?? [];
    return [...timed].sort((a, b) => (a.halfDays ?? 0) - (b.halfDays ?? 0))[0]?.spotId ?? this.spots()[0]?.id ?? null;
  });
  protected readonly spot = computed(() => this.spots().find(({ id }) => id === this.spotId()) ?? null);
  private readonly startMs = computed(() => {
    const local = this.startAt();
    if (local === null) return this.openedMs;
    // The server reads the exact moment in the household's zone; for the drawing the browser's reading is near enough.
    const ms = Date.parse(local);
    return Number.isNaN(ms) ? this.openedMs : ms;
  });
  private readonly openedMs = this.about.nowMs();

  private readonly question = computed<PlanQuestion | null>(() => {
    const crop = this.crop();
    const packet = this.chosen();
    const spots = this.spots();
    if (!crop || !packet || crop.id !== packet.cropId || spots.length === 0) return null;
    return {
      crop,
      prior: packet.prior,
      handling: packet.handling.mean,
      wanted: this.wantedNumber(),
      sureness: this.sureness(),
      seeds: this.seedsFixed(),
      startMs: this.startMs(),
      chillDays: this.chillDays(),
      closure: this.holder()?.closure ?? this.closure(),
      pane: { widthMm: this.pane().widthMm, heightMm: this.pane().heightMm, plies: PLIES },
      spots,
      utcOffsetHours: 0,
    };
  });
  protected readonly plan = toSignal(
    toObservable(this.question).pipe(
      filter((question) => question !== null),
      debounceTime(30),
      switchMap((question) => this.forecasts.plan(question)),
    ),
  );
  protected readonly seeds = computed(() => this.seedsFixed() ?? this.plan()?.seeds ?? this.wantedNumber());
  protected readonly short = computed(() => {
    const left = this.chosen()?.seedsLeft ?? null;
    return left !== null && this.seeds() > left ? left : null;
  });
  protected readonly towelSeeds = computed<TowelSeed[]>(() =>
    Array.from({ length: Math.min(this.seeds(), SEED_LIMIT) }, (_, index) => ({
      seed: index + 1,
      stage: 'quiet',
      moved: false,
      rootMm: null,
      fresh: false,
    })),
  );
  protected readonly steps = computed(() => {
    const crop = this.crop();
    const plan = this.plan();
    return crop && plan
      ? worktop({
          crop,
          seeds: this.seeds(),
          dose: plan.dose,
          prepared: this.prepared(),
          chillDays: this.chillDays(),
          closure: this.holder()?.closure ?? this.closure(),
          dressed: this.chosen()?.dressed ?? false,
          units: this.about.household().units,
        })
      : [];
  });
  protected readonly first = computed(() => {
    const plan = this.plan()?.bySpot.find(({ spotId }) => spotId === this.spotId());
    return plan ? { lookMs: plan.answers.next.atMs, reason: plan.answers.next.reason, window: plan.answers.window } : null;
  });
  protected readonly lengthText = computed(() => {
    const { units } = this.about.household();
    return (mm: number): string => formatLength(mm, units);
  });

  protected readonly packetText = computed(() => {
    const packet = this.chosen();
    return packet ? `${packet.cropName}, ${packet.variety}` : 'a packet of seed';
  });
  protected readonly surenessText = computed(() => SURENESS.find(({ value }) => value === this.sureness())?.text ?? '');
  protected readonly startText = computed(() => {
    const at = this.startAt();
    return at === null ? 'now' : `on ${at.replace('T', ' at ')}`;
  });
  protected readonly prepText = computed(() => {
    const crop = this.crop();
    const steps = this.prepared().map((step) => preparationText(step, crop?.water.soakHours ?? [0, 0]));
    return steps.length === 0 ? 'no preparation' : `a ${steps.join(' and a ')}`;
  });
  protected readonly chillText = computed(() => {
    const days = this.chillDays();
    return days === null ? 'no chill' : `${days} days of cold first`;
  });
  protected readonly bagText = computed(() => {
    const holder = this.holder();
    return holder ? `${holder.kind} with ${holder.numbers.join(' and ')}` : CLOSURE_WORDS[this.closure()].text;
  });

  protected number(event: Event, most: number): number | null {
    const { value } = event.target as HTMLInputElement;
    const number = Number(value);
    return value.trim() !== '' && Number.isInteger(number) && number >= 1 && number <= most ? number : null;
  }

  protected setWanted(event: Event): void {
    const number = this.number(event, SEED_LIMIT);
    this.missing.set(number === null ? `How many plants is a whole number from 1 to ${SEED_LIMIT}.` : null);
    if (number !== null) this.wanted.set(number);
  }

  protected setSeeds(event: Event): void {
    const number = this.number(event, SEED_LIMIT);
    const empty = (event.target as HTMLInputElement).value.trim() === '';
    this.missing.set(number === null && !empty ? `How many seeds is a whole number from 1 to ${SEED_LIMIT}.` : null);
    if (number !== null || empty) this.seedsFixed.set(number);
  }

  protected setChill(event: Event): void {
    const empty = (event.target as HTMLInputElement).value.trim() === '';
    const number = this.number(event, 200);
    this.missing.set(number === null && !empty ? 'A chill is a whole number of days from 1 to 200, or empty for none.' : null);
    if (number !== null || empty) this.chillFixed.set(number);
  }

  protected setStart(event: Event): void {
    const { value, validity } = event.target as HTMLInputElement;
    this.missing.set(validity.badInput ? 'The start is a date and time that exist, like 7 April 2026, 07:00.' : null);
    if (!validity.badInput) this.startAt.set(value === '' ? null : value.slice(0, 16));
  }

  protected togglePrep(step: Preparation): void {
    const now = this.prepared();
    this.prepFixed.set(now.includes(step) ? now.filter((other) => other !== step) : [...now, step]);
  }

  protected tuckIn(): void {
    const packet = this.chosen();
    const spotId = this.spotId();
    const plan = this.plan();
    if (!packet) {
      this.missing.set('Choose the packet first: touch “a packet of seed” in the sentence.');
      return;
    }
    if (!spotId || !plan) {
      this.missing.set('Name a warm spot in House first.');
      return;
    }
    const holderId = this.holderId();
    const closure = this.closure();
    const body: BatchRequest = {
      id: uuid(),
      packetId: packet.id,
      seeds: this.seeds(),
      wanted: this.wantedNumber(),
      startAt: this.startAt(),
      chillDays: this.chillDays(),
      prepared: [...this.prepared()],
      towel: { widthMm: this.pane().widthMm, heightMm: this.pane().heightMm, plies: PLIES },
      doseMl: plan.dose.millilitres,
      holder: holderId ? { holderId } : { newId: uuid(), kind: CLOSURE_WORDS[closure].kind, closure, spotId },
    };
    this.saving.set(true);
    this.problem.set(null);
    this.missing.set(null);
    this.api
      .addBatch(body)
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({ next: (batch) => this.done.set(batch), error: (problem: ApiProblem) => this.problem.set(problem) });
  }

  protected print(): void {
    window.print();
  }

  /** The next parcel of the sitting; bag, spot and closure carry over. */
  protected another(): void {
    const { holder } = this.done() ?? {};
    this.done.set(null);
    this.packetId.set(null);
    this.seedsFixed.set(null);
    this.prepFixed.set(null);
    this.chillFixed.set(undefined);
    this.startAt.set(null);
    if (holder && !this.spotFixed()) this.spotFixed.set(holder.spotId);
  }
}
