import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { debounceTime, distinctUntilChanged, filter, map, of, startWith, switchMap } from 'rxjs';
import type { BatchRequest, PacketSheet } from '@fresh-tuck/contract';
import { usualSteps } from '@fresh-tuck/core/preparing';
import type { Factor } from '@fresh-tuck/core/sowing';
import type { Destination, RootSchool } from '@fresh-tuck/core/moving';
import { formatTemperature } from '@fresh-tuck/core/units';
import { refusedInWords, type Beginning } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';

import { Changes } from '../data/transport/changes.service';
import type { PlanQuestion } from '../data/forecast/forecast.messages';
import { ForecastService } from '../data/forecast/forecast.service';
import { dayMs } from '../data/household/moments';
import { type Pane, PANES, PLIES, type Closure, type Goal, type Preparation } from './choices';
import { HouseholdApi } from '../data/household/household.api';
import { TuckApi } from './tuck.api';

const DEFAULT_WANTED = 4;
/** A short wait for the next letter, ms. */
const TYPING_MS = 150;

/**
 * The sentence: what the gardener fixed, what follows from it, and the plan that the
 * worker makes of both. A fixed word stays fixed whatever else changes.
 */
@Injectable()
export class TuckPlan {
  private readonly api = inject(TuckApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly forecasts = inject(ForecastService);
  private readonly about = inject(AboutService);
  private readonly changes = inject(Changes);

  /** Words that the packets to choose from must hold. */
  readonly finding = signal('');
  readonly packets = toSignal(
    toObservable(this.finding).pipe(
      debounceTime(TYPING_MS),
      startWith(''),
      distinctUntilChanged(),
      switchMap((words) => this.changes.keep(() => this.householdApi.packets(words))),
    ),
  );
  /** What could be started now, and why; the list of packets is led by it. */
  readonly ideas = toSignal(this.changes.keep(() => this.api.ideas()));
  readonly spots = toSignal(
    this.changes.keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  readonly holders = toSignal(
    this.changes.keep(() => this.householdApi.holders()),
    { initialValue: [] },
  );

  readonly packetId = signal<string | null>(null);
  private readonly sheet = toSignal(
    toObservable(this.packetId).pipe(switchMap((id) => (id === null ? of(null) : this.changes.keep(() => this.householdApi.packet(id))))),
    { initialValue: null },
  );
  /** How many plants, and where that number comes from. */
  readonly wanted = signal<{ readonly plants: number; readonly from: string | null } | null>(null);
  readonly keep = signal(1);
  readonly surenessFixed = signal<number | null>(null);
  readonly seedsFixed = signal<number | null>(null);
  readonly startAt = signal<string | null>(null);
  readonly goal = signal<Goal | null>(null);
  readonly prepFixed = signal<readonly Preparation[] | null>(null);
  /** Whether it goes into the water now, or was soaked before. */
  readonly soakedFixed = signal<'now' | 'before' | null>(null);
  /** Factors on the way to a plant that are left out. */
  readonly without = signal<readonly Factor[]>([]);
  /** Whether it is begun in two steps. */
  readonly inSteps = signal(false);
  readonly chillFixed = signal<number | null | undefined>(undefined);
  readonly closure = signal<Closure>('sealed_air');
  readonly holderId = signal<string | null>(null);
  readonly spotFixed = signal<string | null>(null);
  readonly pane = signal<Pane>(PANES[0]);
  readonly destinationFixed = signal<Destination | null>(null);
  readonly schoolFixed = signal<RootSchool | null>(null);
  readonly pot = signal<{ readonly perPot: number; readonly keepers: number }>({ perPot: 1, keepers: 1 });

  /** The packet with all that is known of it; null until it is here, so that nothing is planned on another's figures. */
  readonly chosen = computed<PacketSheet | null>(() => {
    const sheet = this.sheet();
    return sheet?.id === this.packetId() ? sheet : null;
  });
  private readonly others = toSignal(
    toObservable(computed(() => this.chosen()?.id ?? null)).pipe(
      switchMap((id) => (id === null ? of([]) : this.changes.keep(() => this.api.kin(id)))),
    ),
    { initialValue: [] },
  );
  readonly crop = toSignal(
    toObservable(computed(() => this.chosen()?.cropId ?? null)).pipe(
      switchMap((id) => (id === null ? of(null) : this.householdApi.crop(id))),
    ),
    { initialValue: null },
  );
  private readonly seasons = toSignal(
    toObservable(computed(() => this.chosen()?.cropId ?? null)).pipe(
      switchMap((id) => (id === null ? of(null) : this.changes.keep(() => this.api.seasons(id)))),
    ),
    { initialValue: null },
  );
  readonly wantedNumber = computed(() => this.wanted()?.plants ?? DEFAULT_WANTED);
  readonly sureness = computed(() => this.surenessFixed() ?? this.about.household().ways.sureness);
  readonly destination = computed<Destination>(() => this.destinationFixed() ?? 'cup');
  readonly school = computed<RootSchool>(() => this.schoolFixed() ?? this.about.household().ways.rootSchool);
  private readonly usual = computed<readonly Preparation[]>(() => {
    const crop = this.crop();
    return crop ? usualSteps(crop) : [];
  });
  readonly prepared = computed<readonly Preparation[]>(() => this.prepFixed() ?? this.usual());
  readonly split = computed(() => this.prepared().includes('split') && (this.crop()?.seed.perUnit ?? 1) > 1);
  readonly chillDays = computed<number | null>(() => {
    const fixed = this.chillFixed();
    if (fixed !== undefined) return fixed;
    const weeks = this.crop()?.chill.weeks ?? 0;
    return weeks > 0 ? Math.round(weeks * 7) : null;
  });
  readonly holder = computed(() => this.holders().find(({ id }) => id === this.holderId()) ?? null);
  /** Where it must stand: the bag's own place, the gardener's choice, or the cold of its chill; null where the plan may say. */
  private readonly fixedSpotId = computed<string | null>(() => {
    const fixed = this.holder()?.spotId ?? this.spotFixed();
    if (fixed) return fixed;
    return this.chillDays() === null ? null : (this.spots().find(({ kind }) => kind === 'fridge')?.id ?? this.spots()[0]?.id ?? null);
  });
  readonly spotId = computed<string | null>(() => this.fixedSpotId() ?? this.plan()?.spotId ?? null);
  /** Into the water now, or soaked before: one that is already running is out of it. */
  readonly soaked = computed(() => this.soakedFixed() ?? (this.startAt() === null ? 'now' : 'before'));
  /** Whether it goes into water as it is begun. */
  readonly soaking = computed(() => this.prepared().includes('soak') && this.soaked() === 'now');
  readonly spot = computed(() => this.spots().find(({ id }) => id === this.spotId()) ?? null);
  /** What it would rest on in every spot; null until it is here for this packet and start. */
  private readonly begun = toSignal(
    toObservable(computed(() => ({ id: this.chosen()?.id ?? null, at: this.startAt() }))).pipe(
      switchMap(({ id, at }) =>
        id === null ? of(null) : this.changes.keep(() => this.householdApi.start(id, at).pipe(map((start) => ({ id, at, start })))),
      ),
    ),
    { initialValue: null },
  );
  private readonly start = computed(() => {
    const begun = this.begun();
    return begun && begun.id === this.packetId() && begun.at === this.startAt() ? begun.start : null;
  });
  private readonly openedMs = this.about.nowMs();
  readonly startMs = computed(() => this.start()?.startMs ?? this.openedMs);
  readonly targetMs = computed(() => {
    const goal = this.goal();
    return goal && dayMs(goal.day);
  });

  private readonly question = computed<PlanQuestion | null>(() => {
    const crop = this.crop();
    const packet = this.chosen();
    const spots = this.spots();
    const seasons = this.seasons();
    const start = this.start();
    if (!crop || !packet || !seasons || !start || crop.id !== packet.cropId || spots.length === 0) return null;
    const targetMs = this.targetMs();
    const goal = this.goal();
    return {
      crop,
      method: 'towel',
      packet,
      others: this.others().map(({ id, prior, seedsLeft, variety }) => ({ id, prior, seedsLeft, title: variety })),
      wanted: this.wantedNumber(),
      keep: this.keep(),
      sureness: this.sureness(),
      seeds: this.seedsFixed(),
      destination: this.destination(),
      school: this.school(),
      ...this.pot(),
      prepared: this.prepared(),
      soaking: this.soaking(),
      without: this.without(),
      spotId: this.fixedSpotId(),
      startMs: start.startMs,
      target: goal && targetMs !== null ? { kind: goal.kind, atMs: targetMs } : null,
      seasons,
      chillDays: this.chillDays(),
      closure: this.holder()?.closure ?? this.closure(),
      pane: { widthMm: this.pane().widthMm, heightMm: this.pane().heightMm, plies: PLIES },
      spots: start.spots,
    };
  });
  private readonly answered = toSignal(
    toObservable(this.question).pipe(
      filter((question) => question !== null),
      debounceTime(30),
      switchMap((question) => this.forecasts.plan(question).pipe(map((plan) => ({ question, plan })))),
    ),
  );
  readonly plan = computed(() => this.answered()?.plan);
  /** Whether the plan answers the sentence as it stands now: nothing is saved on a figure that is about to change. */
  readonly settled = computed(() => this.answered()?.question === this.question());
  /** The first of two steps, where they are taken. */
  readonly steps = computed(() => (this.inSteps() && this.seedsFixed() === null ? (this.plan()?.twoSteps ?? null) : null));
  readonly seeds = computed(() => this.steps()?.first ?? this.seedsFixed() ?? this.plan()?.seeds ?? this.wantedNumber());
  /** What the packet has, where it is too little for what is to be started. */
  readonly short = computed(() => {
    const left = this.chosen()?.seedsLeft ?? null;
    const taken = this.plan()?.taken ?? this.seeds();
    return left !== null && taken > left ? left : null;
  });
  readonly here = computed(() => this.plan()?.bySpot.find(({ spotId }) => spotId === this.spotId()) ?? null);
  /** Why nothing is put on the chosen board; null where it may be. */
  readonly refused = computed(() => {
    const refused = this.here()?.refused;
    const { units } = this.about.household();
    return refused
      ? `${this.spot()?.name}: ${refusedInWords(refused, { temperature: (celsius) => formatTemperature(celsius, units) })}`
      : null;
  });
  /** What is agreed for later, in the household's own time. */
  readonly secondStep = computed<BatchRequest['secondStep']>(() => {
    const second = this.steps()?.second;
    return second ? { at: this.about.moments().field(second.atMs), below: second.below, seeds: second.seeds } : null;
  });
  /** The day that counting back asks for, ms; null where nothing is wished or nothing will do. */
  readonly startByMs = computed(() => {
    const back = this.here()?.back;
    const targetMs = this.targetMs();
    return back && targetMs !== null ? targetMs - back.daysBefore * 86_400_000 : null;
  });

  /** When it would be begun, and against what. */
  readonly beginning = computed<Beginning>(() => ({
    startMs: this.startMs(),
    startByMs: this.startByMs(),
    goal: this.goal()?.kind ?? null,
  }));

  /** The next parcel of a sitting; bag, spot, closure, pane, date and where they go carry over. */
  next(spotId: string): void {
    this.packetId.set(null);
    this.seedsFixed.set(null);
    this.prepFixed.set(null);
    this.soakedFixed.set(null);
    this.without.set([]);
    this.inSteps.set(false);
    this.chillFixed.set(undefined);
    this.startAt.set(null);
    if (!this.spotFixed()) this.spotFixed.set(spotId);
  }
}
