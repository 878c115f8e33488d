import { deadlyWarmth } from '@fresh-tuck/core/warmth';
import { drawnAs, methodFor, type Method } from '@fresh-tuck/core/method';
import { chillInWords, PLACE_CAUTIONS, refusedInWords, REASON_WORDS, targetInWords, type Act } from '@fresh-tuck/core/words';
import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { catchError, EMPTY, type Observable, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, CloseRequest, JournalEntry, Spot } from '@fresh-tuck/contract';
import { CLOSING_REASONS } from '@fresh-tuck/contract/choices';
import { formatTemperature, listed } from '@fresh-tuck/core/units';
import { germinationIndices, looksTooSparse, tipsByDay } from '@fresh-tuck/core/trials';
import { IndexTable, type IndexColumn } from '../kit/index-table';
import { Parts } from './parts';
import { AboutService } from '../data/household/about.service';
import { Acts } from '../data/household/acts.service';
import { WhyService } from '../data/forecast/why.service';
import { Notice } from '../data/household/notice.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { dayMs } from '../data/household/moments';
import { Advice } from '../kit/advice';
import { Arrival } from '../kit/arrival';
import { Bag } from './bag';
import { chainOf } from './chain';
import { Correct } from './correct';
import { Days } from './days';
import { Journal } from './journal';
import { When } from '../kit/when';
import { FinalCount } from './final-count';
import { Curve } from '../kit/curve';
import { Label } from '../kit/label';
import { shownStages } from '../kit/parcel';
import { Ribbon } from '../kit/ribbon';
import { SeedsPipe } from '../kit/seeds.pipe';
import { TestResultView } from '../kit/test-result';
import { Towel, type TowelSeed } from '../kit/towel';
import { Why } from '../kit/why';
import { PrintLabel } from '../print/print-label';
import { StoryLinks } from '../print/story-links';
import { BatchApi } from './batch.api';
import { ToldApart } from './told-apart';
import { HouseholdApi } from '../data/household/household.api';

type Panel = 'bag' | 'close' | 'correct' | 'count' | 'days' | 'parts' | 'place';

/** The ribbon reaches so many days ahead at the least, and at the most. */
const LEAST_AHEAD = 8;
const MOST_AHEAD = 140;

/** The life of one batch: forecast against what happened, and its journal. */
@Component({
  selector: 'ft-batch',
  imports: [
    Advice,
    Arrival,
    Bag,
    Correct,
    Curve,
    Days,
    FinalCount,
    IndexTable,
    Journal,
    Label,
    MatButton,
    NgTemplateOutlet,
    Parts,
    PrintLabel,
    Ribbon,
    RouterLink,
    SeedsPipe,
    StoryLinks,
    TestResultView,
    ToldApart,
    Towel,
    When,
    Why,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './batch.html',
  styleUrl: './batch.scss',
})
export class BatchScreen {
  private readonly api = inject(BatchApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  private readonly changes = inject(Changes);
  private readonly acts = inject(Acts);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly why = inject(WhyService).of;
  protected readonly about = inject(AboutService);
  readonly batchId = input.required<string>();
  /** What to show at once, where another screen led here. */
  readonly show = input<string>();

  protected readonly reasons = CLOSING_REASONS.filter((value) => value !== 'counted' && value !== 'joined').map((value) => ({
    value,
    text: REASON_WORDS[value],
  }));
  protected readonly gone = signal<string | null>(null);
  protected readonly panel = signal<Panel | null>(null);
  /** When what is asked for was done; null is now. */
  protected readonly at = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly spots = toSignal(
    this.changes.keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  protected readonly batch = toSignal(
    toObservable(this.batchId).pipe(
      switchMap((id) =>
        this.changes.keep(() =>
          this.householdApi.batch(id).pipe(
            catchError((problem: ApiProblem) => {
              this.gone.set(problem.message);
              return EMPTY;
            }),
          ),
        ),
      ),
    ),
  );
  protected readonly seeds = computed<TowelSeed[]>(() => {
    const batch = this.batch();
    if (!batch) return [];
    return shownStages(batch.answers.state).map((shown, index) => ({
      ...shown,
      seed: index + 1,
      rootMm: batch.answers.state.seeds[index]?.measuredMm ?? null,
      fresh: false,
    }));
  });
  /** What kills, at the head of the page and nowhere else. */
  protected readonly danger = computed(() => {
    const batch = this.batch();
    return batch && !batch.closed && batch.answers.heat ? (batch.judgement.advice[0] ?? null) : null;
  });
  /** What else is to be done: what kills stands at the head. */
  protected readonly advice = computed(() => (this.batch()?.judgement.advice ?? []).slice(this.danger() ? 1 : 0));
  protected readonly ribbonDays = computed(() => {
    const batch = this.batch();
    const days = batch ? (batch.answers.nowMs - batch.facts.startMs) / 86_400_000 : 0;
    // Of a long past as much is drawn as of what is left.
    return Math.min(Math.max(3, Math.ceil(days) + 1), Math.max(3 * this.ahead(), 24));
  });
  /** The axis stretches to what is left: days for a radish, months for a stone. */
  protected readonly ahead = computed(() => {
    const answers = this.batch()?.answers;
    if (!answers) return LEAST_AHEAD;
    const last = Math.max(
      answers.mostMs ?? 0,
      answers.chill && this.batch()?.facts.chillUntilMs ? (this.batch()?.facts.chillUntilMs ?? 0) : 0,
    );
    return Math.min(Math.max(LEAST_AHEAD, Math.ceil(((last - answers.nowMs) / 86_400_000) * 1.15)), MOST_AHEAD);
  });

  /** The published figures of a batch that is over. */
  protected readonly figures = computed<IndexColumn[]>(() => {
    const batch = this.batch();
    if (!batch?.closed || batch.untucked) return [];
    const tips = tipsByDay([batch.facts]);
    if (tips.length === 0 || tips.reduce((sum, { count }) => sum + count, 0) > batch.facts.seeds) return [];
    return [{ name: String(batch.number), indices: germinationIndices(batch.facts.seeds, tips), sparse: looksTooSparse(tips) }];
  });

  constructor() {
    effect(() => {
      const show = this.show();
      if (show === 'place' || show === 'count') this.panel.set(show);
    });
  }

  protected inShort(batch: BatchWithJournal): string {
    const { seeds, startMs, wanted } = batch.facts;
    const test =
      batch.purpose === 'test' ? `test on ${batch.replicates.length} ${batch.replicates.length === 1 ? 'towel' : 'towels'} · ` : '';
    const parts = [`${test}${batch.holder.spotName} · ${seeds} seeds since ${this.about.moments().short(startMs)}`];
    const { plants } = batch.aim;
    if (wanted !== null)
      parts.push(plants === null || plants === wanted ? `${wanted} wanted` : `${wanted} sprouts wanted for ${plants} plants`);
    const { target } = batch.aim;
    if (target) parts.push(targetInWords(target.kind, this.about.moments().dated(dayMs(target.day))));
    if (batch.bagMates.length > 0) parts.push(`in one bag with ${listed(batch.bagMates)}`);
    return parts.join(' · ');
  }

  protected way({ facts }: BatchWithJournal): Method {
    return methodFor(facts.method, facts.crop);
  }

  /** What is drawn, as its heading says it. */
  protected drawn(batch: BatchWithJournal): string {
    const way = this.way(batch);
    return way.carrier === 'towel' ? 'The towel' : drawnAs(way, batch.carrier.places ?? batch.facts.seeds);
  }

  /** What came of a closed one. */
  protected cameOf(batch: BatchWithJournal): string {
    const { nouns, event } = this.way(batch);
    const { tipped, moved } = batch.answers.state;
    const shown = event === 'tip' ? 'showed a tip' : nouns.show.replace('come', 'came').replace('show', 'showed');
    return `${tipped} of ${batch.facts.seeds} ${shown}, ${moved} were moved.`;
  }

  protected readonly chain = chainOf;

  /** Cold that it has earned of what its kind wants; null where it wants none. */
  protected chill({ answers, closed }: BatchWithJournal): string | null {
    const chill = answers.chill;
    if (!chill || closed || chill.wantedDays <= 0) return null;
    return chillInWords(chill);
  }

  protected unfold(panel: Panel): void {
    this.error.set(null);
    this.at.set(null);
    this.panel.update((open) => (open === panel ? null : panel));
  }

  protected place(spotId: string): void {
    const holderId = this.batch()?.holder.id;
    const caution = PLACE_CAUTIONS[this.spots().find(({ id }) => id === spotId)?.kind ?? ''];
    const said = ['Moved. The days ahead follow its new warmth.', caution].filter(Boolean).join(' ');
    if (holderId) this.run(this.api.placeHolder(holderId, { id: uuid(), spotId, at: this.at() }), said);
  }

  protected close(reason: CloseRequest['reason']): void {
    this.run(
      this.householdApi.close(this.batchId(), { id: uuid(), reason, at: this.at() }),
      'Closed. Undo it in the journal if it was too soon.',
    );
  }

  protected open(batch: BatchWithJournal): void {
    void this.router.navigate(['/open', batch.id]);
  }

  /** Why a bag is not put on a board; null where it may be. */
  protected refused({ latest }: Spot, { facts }: BatchWithJournal): string | null {
    const deadly = latest && deadlyWarmth(facts.crop, latest);
    return deadly ? refusedInWords(deadly, { temperature: (celsius) => formatTemperature(celsius, this.about.household().units) }) : null;
  }

  /** The closing of a batch that has quiet seed: however unlikely, one may still come; null where there is none. */
  protected closing({ answers, journal }: BatchWithJournal): JournalEntry | null {
    return answers.state.quiet > 0 ? (journal.find(({ kind, mend }) => kind === 'close' && mend === 'entry') ?? null) : null;
  }

  /** A late one: the closing is taken back and the parcel opened, to be looked at and moved as ever. */
  protected lateOne(entry: JournalEntry): void {
    this.householdApi
      .undo(this.batchId(), { id: uuid(), entryId: entry.id })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => void this.router.navigate(['/open', this.batchId()]),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected act(act: Act): void {
    const batch = this.batch();
    if (!batch) return;
    if (act.does === 'place' || act.does === 'count') return this.panel.set(act.does);
    this.acts
      .run(act, batch)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: (said) => said && this.notice.say(said),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected readonly cupLabels = ({ cups }: BatchWithJournal) =>
    cups.map(({ number }) => ({ kind: 'seedling' as const, id: String(number) }));

  protected tell(said: string): void {
    this.notice.say(said);
  }

  protected mended(said: string): void {
    this.panel.set(null);
    this.notice.say(said);
  }

  private run(request: Observable<unknown>, said: string): void {
    request.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: () => {
        this.panel.set(null);
        this.error.set(null);
        this.notice.say(said);
      },
      error: (problem: ApiProblem) => this.error.set(problem.message),
    });
  }
}
