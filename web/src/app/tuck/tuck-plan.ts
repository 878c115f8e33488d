import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { debounceTime, filter, map, of, switchMap } from 'rxjs';
import type { BatchRequest } from '@fresh-tuck/contract';
import { usualSteps } from '@fresh-tuck/core/preparing';
import type { Factor } from '@fresh-tuck/core/sowing';
import { setupFor, USUAL_SETUP, type Setup } from '@fresh-tuck/core/carrier';
import { methodFor, methodOf, placeNames, unsuited, type MethodId } from '@fresh-tuck/core/method';
import { standsIn, type Destination, type RootSchool } from '@fresh-tuck/core/moving';
import { formatTemperature } from '@fresh-tuck/core/units';
import { refusedInWords, unsuitedInWords, type Beginning } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';

import type { PlanQuestion } from '../data/forecast/forecast.messages';
import { ForecastService } from '../data/forecast/forecast.service';
import { dayMs } from '../data/household/moments';
import type { Choice } from '../kit/choices';
import { type Pane, PANES, PLIES, type Closure, type Goal, type Preparation } from './choices';
import { HouseholdApi } from '../data/household/household.api';
import { packetFacts } from './packet-facts';
import { TuckSources } from './sources';

const DEFAULT_WANTED = 4;

/** Asked again only where packet or hour differ. */
const sameStart = (a: { id: string | null; at: string | null }, b: typeof a): boolean => a.id === b.id && a.at === b.at;

/**
 * The sentence: what the gardener fixed, what follows from it, and the plan that the
 * worker makes of both. A fixed word stays fixed whatever else changes.
 */
@Injectable()
export class TuckPlan {
  private readonly householdApi = inject(HouseholdApi);
  private readonly forecasts = inject(ForecastService);
  private readonly about = inject(AboutService);

  /** Words that the packets to choose from must hold, what there is, and where it may go. */
  private readonly sources = inject(TuckSources);
  readonly finding = this.sources.finding;
  readonly packets = this.sources.packets;
  readonly ideas = this.sources.ideas;
  readonly spots = this.sources.spots;
  readonly holders = this.sources.holders;

  readonly packetId = signal<string | null>(null);
  /** How often its packet was asked about anew. */
  readonly asked = signal(0);
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
  /** Hours of a soak that goes on; null for the crop's longest. */
  readonly soakHours = signal<number | null>(null);
  readonly chillFixed = signal<number | null | undefined>(undefined);
  /** Days of chill that it was given before, and whether its cold is given dry. */
  readonly chilledDays = signal(0);
  readonly chillDry = signal(false);
  /** Which way it is started, and how it is laid. */
  readonly methodFixed = signal<MethodId | null>(null);
  readonly method = computed<MethodId>(() => this.methodFixed() ?? 'towel');
  readonly way = computed(() => {
    const crop = this.crop();
    return crop ? methodFor(this.method(), crop) : methodOf(this.method());
  });
  readonly setupFixed = signal<Partial<Setup>>({});
  readonly setup = computed<Setup>(() => {
    const crop = this.crop();
    const usual = crop ? setupFor(crop, this.about.household().ways.laid) : USUAL_SETUP;
    return { ...usual, ...this.setupFixed() };
  });
  readonly placesFixed = signal<number | null>(null);
  /** Cells, slots, pellets or pots; null where the way has none. */
  readonly places = computed(() => (placeNames(this.way()) === null ? null : (this.placesFixed() ?? this.seeds())));
  /** The batch that it begins again, where another screen named one. */
  readonly after = signal<string | null>(null);
  /** The side of a trial that it is begun for. */
  readonly trial = signal<NonNullable<BatchRequest['trial']> | null>(null);
  /** Another packet of the same variety that some of the seeds come from. */
  readonly also = signal<{ readonly packetId: string; readonly title: string; readonly seeds: number } | null>(null);
  readonly closure = signal<Closure>('sealed_air');
  readonly holderId = signal<string | null>(null);
  /** The bag of a sitting that it shares, with the spot that the first of them goes to; null for a bag of its own. */
  readonly shared = signal<{ readonly bag: string; readonly spotId: string | null } | null>(null);
  /** The bags of a sitting that it could share; none where it is tucked in alone. */
  readonly mates = signal<readonly Choice<string>[]>([]);
  /** The bag of the sitting that was chosen for it. */
  readonly mate = signal<string | null>(null);
  /** When a sitting is meant for; null is now. */
  readonly plannedAt = signal<string | null>(null);
  readonly spotFixed = signal<string | null>(null);
  readonly pane = signal<Pane>(PANES[0]);
  readonly destinationFixed = signal<Destination | null>(null);
  /** The rack whose slots they go to; null where none is named. */
  readonly rackId = signal<string | null>(null);
  readonly schoolFixed = signal<RootSchool | null>(null);
  /** How many go to a pot here, where nobody says otherwise. */
  readonly potUsual = computed(() => ({ perPot: this.about.household().nursing.schools.pot === 'several' ? 3 : 1, keepers: 1 }));
  readonly pot = linkedSignal<{ readonly perPot: number; readonly keepers: number }>(() => this.potUsual());

  private readonly facts = packetFacts(this.packetId, this.asked);
  readonly chosen = this.facts.chosen;
  readonly others = this.facts.others;
  readonly crop = this.facts.crop;
  readonly seasons = this.facts.seasons;
  readonly wantedNumber = computed(() => this.wanted()?.plants ?? DEFAULT_WANTED);
  readonly sureness = computed(() => this.surenessFixed() ?? this.about.household().ways.sureness);
  /** Where they go; what comes up where it is sown stands in what it was sown in. */
  readonly destination = computed<Destination>(() => {
    const fixed = this.destinationFixed();
    return this.way().event === 'emergence' ? standsIn(this.method(), fixed ?? 'cup') : (fixed ?? 'cup');
  });
  /** Why the crop cannot be started this way at all; null where it can. */
  readonly unsuited = computed(() => {
    const crop = this.crop();
    const fault = crop && unsuited(crop, this.method());
    return fault && unsuitedInWords(fault, crop, this.method(), { length: this.about.lengthText() });
  });
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
    const { weeks = 0, warmWeeks = 0 } = this.crop()?.chill ?? {};
    return weeks > 0 ? Math.round((weeks + warmWeeks) * 7) : null;
  });
  readonly holder = computed(() => this.holders().find(({ id }) => id === this.holderId()) ?? null);
  /** Where it must stand: the bag's own place, the gardener's choice, or the cold of its chill; null where the plan may say. */
  private readonly fixedSpotId = computed<string | null>(() => {
    const fixed = this.holder()?.spotId ?? this.shared()?.spotId ?? this.spotFixed();
    if (fixed) return fixed;
    // A row is sown outdoors, whatever else is warm.
    const plot = this.way().carrier === 'row' ? this.spots().find(({ kind }) => kind === 'plot') : undefined;
    if (plot) return plot.id;
    return this.chillDays() === null ? null : (this.spots().find(({ kind }) => kind === 'fridge')?.id ?? this.spots()[0]?.id ?? null);
  });
  /** How it is closed: a bag as it is said, everything else under its lid. */
  readonly lies = computed<Closure>(() => (this.way().bagged ? (this.holder()?.closure ?? this.closure()) : 'lidded'));
  readonly spotId = computed<string | null>(() => this.fixedSpotId() ?? this.plan()?.spotId ?? null);
  /** Into the water now, or soaked before: one that is already running is out of it. */
  readonly soaked = computed(() => this.soakedFixed() ?? (this.startAt() === null ? 'now' : 'before'));
  /** Whether it goes into water as it is begun. */
  readonly soaking = computed(() => this.prepared().includes('soak') && this.soaked() === 'now');
  readonly spot = computed(() => this.spots().find(({ id }) => id === this.spotId()) ?? null);
  /** What it would rest on in every spot; null until it is here for this packet and start. */
  private readonly begun = toSignal(
    toObservable(computed(() => ({ id: this.chosen()?.id ?? null, at: this.startAt() ?? this.plannedAt() }), { equal: sameStart })).pipe(
      switchMap(({ id, at }) =>
        id === null ? of(null) : this.sources.follow(() => this.householdApi.start(id, at).pipe(map((start) => ({ id, at, start })))),
      ),
    ),
    { initialValue: null },
  );
  readonly start = computed(() => {
    const begun = this.begun();
    return begun && begun.id === this.packetId() && begun.at === (this.startAt() ?? this.plannedAt()) ? begun.start : null;
  });
  private readonly openedMs = this.about.nowMs();
  readonly startMs = computed(() => this.start()?.startMs ?? this.openedMs);
  readonly targetMs = computed(() => {
    const goal = this.goal();
    return goal && dayMs(goal.day);
  });

  /** Seeds that can be taken: of the packet, and what is taken along from another of its variety. */
  readonly left = computed(() => {
    const own = this.chosen()?.seedsLeft ?? null;
    return own === null ? null : own + (this.also()?.seeds ?? 0);
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
      method: this.method(),
      packet: { ...packet, seedsLeft: this.left() },
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
      soakHours: this.soakHours(),
      setup: this.setup(),
      places: this.placesFixed(),
      without: this.without(),
      spotId: this.fixedSpotId(),
      startMs: start.startMs,
      target: goal && targetMs !== null ? { kind: goal.kind, atMs: targetMs } : null,
      seasons,
      chillDays: this.chillDays(),
      chilledDays: this.chilledDays(),
      chillDry: this.chillDry(),
      closure: this.lies(),
      pane: { widthMm: this.pane().widthMm, heightMm: this.pane().heightMm, plies: PLIES },
      spots: start.spots.map(({ priors, ...spot }) => ({ ...spot, prior: priors[this.way().event] })),
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
    const left = this.left();
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
    this.soakHours.set(null);
    this.chilledDays.set(0);
    this.chillDry.set(false);
    this.placesFixed.set(null);
    this.after.set(null);
    this.trial.set(null);
    this.also.set(null);
    this.without.set([]);
    this.inSteps.set(false);
    this.chillFixed.set(undefined);
    this.startAt.set(null);
    if (!this.spotFixed()) this.spotFixed.set(spotId);
  }
}
