import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { filter, finalize, take } from 'rxjs';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { METHODS } from '@fresh-tuck/contract/choices';
import { earlyInWords, factorInWords, knownInWords, ratesInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { type ApiProblem } from '../data/transport/transport.service';
import { Label } from '../kit/label';
import { SeedsPipe } from '../kit/seeds.pipe';
import { Towel } from '../kit/towel';
import { Why } from '../kit/why';
import { handOver, PrintApi } from '../print/print.api';
import { Boards } from './boards';
import { Calendar } from './calendar';
import { Factors } from './factors';
import { HowMany } from './how-many';
import { Ideas } from './ideas';
import { drawnAsTold, paneDrawn, seedsLaid, stepsOf } from './laid-out';
import { LearntBefore } from './learnt-before';
import { requestOf } from './request';
import { Sentence } from './sentence';
import { Shortage } from './shortage';
import { TuckSources } from './sources';
import { fixSide } from './trial-side';
import { TriedBefore } from './tried-before';
import { TuckPlan } from './tuck-plan';
import { Tucked } from './tucked';
import { TwoStepsChoice } from './two-steps';
import { Ways } from './ways';
import { WorktopCard } from './worktop-card';

const SEED_LIMIT = 400;

/** One editable sentence; beneath it the towel to scale, how many, where it goes, the worktop card and the label. */
@Component({
  selector: 'ft-tuck',
  imports: [
    Boards,
    Calendar,
    Factors,
    HowMany,
    Ideas,
    Label,
    LearntBefore,
    MatButton,
    RouterLink,
    SeedsPipe,
    Sentence,
    Shortage,
    Towel,
    TriedBefore,
    Tucked,
    TwoStepsChoice,
    Ways,
    Why,
    WorktopCard,
  ],
  providers: [TuckSources, TuckPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tuck.html',
  styleUrls: ['../kit/sentence.scss', '../kit/titled.scss', './tuck.scss'],
})
export class TuckScreen {
  private readonly api = inject(HouseholdApi);
  private readonly printing = inject(PrintApi);
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
  /** The side of a planned trial that it is begun for: the trial, the side's number, and what differs there. */
  readonly trial = input<string>();
  readonly arm = input<string>();
  readonly question = input<string>();
  readonly setting = input<string>();

  private readonly sentence = viewChild(Sentence);
  protected readonly saving = signal(false);
  protected readonly problem = signal<ApiProblem | null>(null);
  protected readonly missing = signal<string | null>(null);
  protected readonly done = signal<BatchWithJournal | null>(null);

  protected readonly towelSeeds = computed(() => seedsLaid(this.plan));
  protected readonly steps = computed(() => stepsOf(this.plan, this.about.household().units));
  protected readonly first = computed(() => {
    const answers = this.plan.here()?.answers;
    return answers ? { lookMs: answers.next.atMs, window: answers.window } : null;
  });

  protected readonly packetText = computed(() => {
    const packet = this.plan.chosen();
    return packet ? `${packet.cropName}, ${packet.variety}` : 'a packet of seed';
  });
  protected readonly startText = computed(() => {
    const at = this.plan.startAt();
    return at === null ? 'now' : `on ${at.replace('T', ' at ')}`;
  });
  protected readonly drawn = computed(() => drawnAsTold(this.plan, this.about.lengthText()));
  protected readonly drawnPane = computed(() => paneDrawn(this.plan));
  protected readonly rateText = computed(() => {
    const plan = this.plan.plan();
    if (!plan) return '';
    return ratesInWords(plan, !this.plan.split() && (this.plan.crop()?.seed.perUnit ?? 1) > 1, this.plan.way());
  });
  protected readonly splitText = computed(() => {
    const plan = this.plan.plan();
    return plan && this.plan.split() ? `${plan.taken} husks from the packet split into ${plan.seeds} seeds.` : '';
  });

  /** Late while nobody is there: of what is begun now. */
  protected readonly nobody = computed(() => (this.plan.startAt() === null ? (this.plan.here()?.away ?? null) : null));

  /** Begun now although the day lies ahead. */
  protected readonly early = computed(() => earlyInWords(this.plan.beginning(), (ms) => this.about.moments().dated(ms)));

  constructor() {
    effect(() => {
      const id = this.packet();
      if (id) this.plan.packetId.set(id);
      const seeds = Number(this.seeds());
      if (Number.isInteger(seeds) && seeds >= 1 && seeds <= SEED_LIMIT) this.plan.seedsFixed.set(seeds);
      this.plan.after.set(this.after() ?? null);
      const method = METHODS.find((one) => one === this.method());
      if (method) this.plan.methodFixed.set(method);
      const [trialId, arm] = [this.trial(), Number(this.arm())];
      this.plan.trial.set(trialId && Number.isInteger(arm) ? { trialId, arm } : null);
    });
    // What the trial asks about is said once, when the crop is known: the gardener may still change it.
    toObservable(this.plan.crop)
      .pipe(
        filter((crop) => crop !== null),
        take(1),
        takeUntilDestroyed(),
      )
      .subscribe(() => {
        const [question, setting] = [this.question(), this.setting()];
        if (this.trial() && question && setting !== undefined) fixSide(this.plan, question, setting);
      });
  }

  protected tuckIn(): void {
    if (this.sentence()?.invalid())
      return this.missing.set('One word of the sentence cannot be so: open the word that is marked and mend it.');
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

  /** The towel as a sheet to lay it over, 1:1. */
  protected template(): void {
    const { widthMm, heightMm } = this.plan.pane();
    this.printing
      .template({ kind: 'towel', cropId: this.plan.crop()?.id ?? null, seeds: this.plan.seeds(), widthMm, heightMm })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: (pdf) => handOver(pdf, 'towel.pdf'), error: (problem: ApiProblem) => this.problem.set(problem) });
  }

  protected another(): void {
    const spotId = this.done()?.holder.spotId;
    this.done.set(null);
    if (spotId) this.plan.next(spotId);
  }
}
