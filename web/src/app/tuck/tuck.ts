import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { text, wholeFrom } from '../kit/validators';
import { Field } from '../kit/field';
import { type FormControl, FormGroup } from '@angular/forms';
import { isLoose } from '@fresh-tuck/core/carrier';
import { drawnAs, paneOf } from '@fresh-tuck/core/method';
import {
  CLOSURE_WORDS,
  MEDIUM_WORDS,
  earlyInWords,
  factorInWords,
  knownInWords,
  ratesInWords,
  preparingInWords,
  worktop,
} from '@fresh-tuck/core/words';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { finalize } from 'rxjs';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { CLOSURES, METHODS } from '@fresh-tuck/contract/choices';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Label } from '../kit/label';
import { Tucked } from './tucked';
import { Towel, type TowelSeed } from '../kit/towel';
import { Why } from '../kit/why';
import { type Choice, Choices } from '../kit/choices';
import { Word } from '../kit/word';
import { Boards } from './boards';
import { NewSpot } from '../house/new-spot';
import { Calendar } from './calendar';
import { Ideas } from './ideas';
import { type Pane, PANES, SOAKS, STEPS, SURENESS, type Preparation } from './choices';
import { Factors } from './factors';
import { HowMany } from './how-many';
import { PotWords } from './pot-words';
import { Shortage } from './shortage';
import { LaidWord } from './laid-word';
import { requestOf } from './request';
import { ReadyFields } from './ready-fields';
import { TriedBefore } from './tried-before';
import { TuckPlan } from './tuck-plan';
import { TwoStepsChoice } from './two-steps';
import { GoalWord } from './when-words';
import { WayWords } from './way-words';
import { Ways } from './ways';
import { WishWord } from './wish-word';
import { WorktopCard } from './worktop-card';
import { HouseholdApi } from '../data/household/household.api';

const SEED_LIMIT = 400;

/** One editable sentence; beneath it the towel to scale, how many, where it goes, the worktop card and the label. */
@Component({
  selector: 'ft-tuck',
  imports: [
    MatFormFieldModule,
    MatInputModule,
    Field,
    MatButton,
    MatButtonToggleModule,
    Boards,
    Calendar,
    Ideas,
    NewSpot,
    Choices,
    Factors,
    GoalWord,
    HowMany,
    Label,
    LaidWord,
    PotWords,
    ReadyFields,
    RouterLink,
    Shortage,
    Towel,
    TriedBefore,
    Tucked,
    TwoStepsChoice,
    WayWords,
    Ways,
    Why,
    WishWord,
    Word,
    WorktopCard,
  ],
  providers: [TuckPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tuck.html',
  styleUrls: ['../kit/sentence.scss', '../kit/titled.scss', './tuck.scss'],
})
export class TuckScreen {
  private readonly api = inject(HouseholdApi);
  private readonly destroyRef = inject(DestroyRef);
  /** What the rate rests on, and what is lost from tip to plant. */
  protected readonly known = computed(() => [
    ...(this.plan.chosen()?.prior.known ?? []).map(knownInWords),
    ...(this.plan.plan()?.factors ?? []).filter(({ factor }) => factor !== 'shows').map(factorInWords),
  ]);
  protected readonly about = inject(AboutService);
  protected readonly plan = inject(TuckPlan);

  /** The packet to start from, where another screen named one. */
  readonly packet = input<string>();
  /** How many seeds, where another screen said so. */
  readonly seeds = input<string>();
  /** The batch that is begun again, and the way that another screen named. */
  readonly after = input<string>();
  readonly method = input<string>();

  protected readonly preparations = STEPS;
  protected readonly panes = computed(() =>
    PANES.map((pane): Choice<Pane> => ({
      value: pane,
      text: `${pane.name}, ${this.about.lengthText()(pane.widthMm)} × ${this.about.lengthText()(pane.heightMm)}`,
    })),
  );
  /** Words of the sentence that are typed; empty is for the plan to say. */
  protected readonly form = new FormGroup({ seeds: text('', wholeFrom(1, SEED_LIMIT)), start: text(), chill: text('', wholeFrom(1, 200)) });
  protected readonly soaks = SOAKS;
  protected readonly saving = signal(false);
  protected readonly problem = signal<ApiProblem | null>(null);
  protected readonly missing = signal<string | null>(null);
  protected readonly done = signal<BatchWithJournal | null>(null);

  protected readonly towelSeeds = computed<TowelSeed[]>(() =>
    Array.from({ length: Math.min(this.plan.seeds(), SEED_LIMIT) }, (_, index) => ({
      seed: index + 1,
      stage: 'quiet',
      moved: false,
      rootMm: null,
      fresh: false,
    })),
  );
  protected readonly steps = computed(() => {
    const crop = this.plan.crop();
    const plan = this.plan.plan();
    return crop && plan
      ? worktop({
          crop,
          method: this.plan.method(),
          setup: this.plan.setup(),
          places: this.plan.places(),
          pane: this.plan.pane(),
          seeds: this.plan.seeds(),
          taken: plan.taken,
          dose: plan.dose,
          prepared: this.plan.prepared(),
          chillDays: this.plan.chillDays(),
          chillDry: this.plan.chillDry(),
          closure: this.plan.lies(),
          dressed: this.plan.chosen()?.dressed ?? false,
          units: this.about.household().units,
        })
      : [];
  });
  protected readonly first = computed(() => {
    const answers = this.plan.here()?.answers;
    return answers ? { lookMs: answers.next.atMs, window: answers.window } : null;
  });

  /** Led by what could be started now, while nothing is typed. */
  protected readonly packetChoices = computed(() => {
    const ideas = this.plan.finding().trim() === '' ? (this.plan.ideas() ?? []) : [];
    const led = ideas.map(({ id, cropName, variety, why }): Choice<string> => ({
      value: id,
      text: `${cropName}, ${variety}`,
      follows: why,
    }));
    const rest = (this.plan.packets() ?? []).filter(({ id }) => !ideas.some((idea) => idea.id === id));
    return [
      ...led,
      ...rest.map((packet): Choice<string> => ({
        value: packet.id,
        text: `${packet.cropName}, ${packet.variety}`,
        follows: packet.seedsLeft === null ? null : `${packet.seedsLeft} left`,
      })),
    ];
  });
  protected readonly surenessChoices = computed(() =>
    SURENESS.map(({ value, text }): Choice<number> => ({ value, text, follows: this.levelText(value) })),
  );
  /** A bag of its own, or one that lies there already. */
  protected readonly bagChoices = computed((): Choice<string>[] => [
    ...CLOSURES.map((value) => ({ value, text: CLOSURE_WORDS[value].text, follows: CLOSURE_WORDS[value].follows })),
    ...this.plan.holders().map(({ id, kind, numbers, spotName }) => ({
      value: id,
      text: `the ${kind} with ${numbers.join(' and ')}`,
      follows: `${spotName}; opening it opens all`,
    })),
  ]);
  protected readonly spotChoices = computed(() =>
    this.plan.spots().map(({ id, name, inWords }): Choice<string> => ({ value: id, text: name, follows: inWords })),
  );

  protected readonly packetText = computed(() => {
    const packet = this.plan.chosen();
    return packet ? `${packet.cropName}, ${packet.variety}` : 'a packet of seed';
  });
  protected readonly surenessText = computed(() => {
    const sureness = this.plan.sureness();
    return SURENESS.find(({ value }) => value === sureness)?.text ?? `${Math.round(sureness * 100)} times in 100`;
  });
  protected readonly startText = computed(() => {
    const at = this.plan.startAt();
    return at === null ? 'now' : `on ${at.replace('T', ' at ')}`;
  });
  protected readonly prepText = computed(() => preparingInWords(this.plan.prepared(), this.plan.crop()));
  protected readonly chillText = computed(() => {
    const [days, before] = [this.plan.chillDays(), this.plan.chilledDays()];
    const had = before > 0 ? `, ${before} had before` : '';
    const warm = (this.plan.crop()?.chill.warmWeeks ?? 0) * 7;
    if (days !== null && warm > 0 && days > warm) return `${warm} days of warmth, then ${days - warm} of cold${had}`;
    return days === null ? `no chill${had}` : `${days} days of ${this.plan.chillDry() ? 'dry ' : ''}cold first${had}`;
  });
  /** What is drawn, as its heading says it. */
  protected readonly drawn = computed(() => {
    const length = this.about.lengthText();
    const [way, pane] = [this.plan.way(), this.plan.pane()];
    if (way.carrier === 'towel')
      return isLoose(this.plan.setup().medium)
        ? {
            title: 'The bag',
            text: `of ${MEDIUM_WORDS[this.plan.setup().medium].text}, ${length(pane.widthMm)} × ${length(pane.heightMm)}, to scale`,
          }
        : { title: 'The towel', text: `folded to ${length(pane.widthMm)} × ${length(pane.heightMm)}, to scale` };
    return { title: drawnAs(way, this.plan.places() ?? this.plan.seeds()), text: 'to scale' };
  });
  protected readonly drawnPane = computed(() =>
    this.plan.way().carrier === 'towel' ? this.plan.pane() : paneOf(this.plan.way(), this.plan.places() ?? this.plan.seeds()),
  );
  protected readonly bagText = computed(() => {
    const holder = this.plan.holder();
    return holder ? `${holder.kind} with ${holder.numbers.join(' and ')}` : CLOSURE_WORDS[this.plan.closure()].text;
  });
  protected readonly rateText = computed(() => {
    const plan = this.plan.plan();
    if (!plan) return '';
    return ratesInWords(plan, !this.plan.split() && (this.plan.crop()?.seed.perUnit ?? 1) > 1, this.plan.way());
  });
  protected readonly splitText = computed(() => {
    const plan = this.plan.plan();
    return plan && this.plan.split() ? `${plan.taken} husks from the packet split into ${plan.seeds} seeds.` : '';
  });

  /** Begun now although the day lies ahead. */
  protected readonly early = computed(() => earlyInWords(this.plan.beginning(), (ms) => this.about.moments().dated(ms)));

  /** Seeds that a sureness takes. */
  private levelText(sureness: number): string {
    const level = this.plan.plan()?.levels.find((one) => one.sureness === sureness);
    return level ? (level.seeds === null ? 'no number will do' : `${level.seeds} seeds`) : '';
  }

  constructor() {
    effect(() => {
      const id = this.packet();
      if (id) this.plan.packetId.set(id);
      const seeds = Number(this.seeds());
      if (Number.isInteger(seeds) && seeds >= 1 && seeds <= SEED_LIMIT) this.plan.seedsFixed.set(seeds);
      this.plan.after.set(this.after() ?? null);
      const method = METHODS.find((one) => one === this.method());
      if (method) this.plan.methodFixed.set(method);
    });
    const { seeds, start, chill } = this.form.controls;
    const number = (value: string): number | null => (value.trim() === '' ? null : Number(value));
    const follow = (control: FormControl<string>, take: (value: string) => void): void => {
      control.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
        control.markAsTouched();
        if (control.valid) take(String(value ?? ''));
      });
    };
    follow(seeds, (value) => this.plan.seedsFixed.set(number(value)));
    follow(chill, (value) => this.plan.chillFixed.set(number(value)));
    follow(start, (value) => this.plan.startAt.set(value === '' ? null : value.slice(0, 16)));
    // What another word decides stands in the fields too, unless it is just being typed.
    const show = (control: FormControl<string>, value: number | string | null): void => {
      if (String(control.value ?? '') !== String(value ?? '') && control.valid) control.setValue(String(value ?? ''), { emitEvent: false });
    };
    effect(() => show(seeds, this.plan.seedsFixed()));
    effect(() => show(chill, this.plan.chillDays()));
    effect(() => show(start, this.plan.startAt()));
  }

  protected lieIn(where: string): void {
    const closure = CLOSURES.find((one) => one === where);
    if (closure) this.plan.closure.set(closure);
    this.plan.holderId.set(closure ? null : where);
  }

  protected togglePrep(step: Preparation): void {
    const now = this.plan.prepared();
    this.plan.prepFixed.set(now.includes(step) ? now.filter((other) => other !== step) : [...now, step]);
  }

  protected tuckIn(): void {
    if (this.form.invalid) return this.missing.set('One word of the sentence cannot be so: open the word that is marked and mend it.');
    const body = requestOf(this.plan);
    if ('missing' in body) return this.missing.set(body.missing);
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

  protected another(): void {
    const spotId = this.done()?.holder.spotId;
    this.done.set(null);
    if (spotId) this.plan.next(spotId);
  }
}
