import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatBottomSheet } from '@angular/material/bottom-sheet';
import { MatDialog } from '@angular/material/dialog';
import { Router, RouterLink } from '@angular/router';
import { catchError, EMPTY, finalize, from, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { methodFor, methodOf } from '@fresh-tuck/core/method';
import { listed } from '@fresh-tuck/core/units';
import type { SeedMark } from '@fresh-tuck/core/parcel';
import type { Preparation } from '@fresh-tuck/core/preparing';
import { preparingInWords, type Act } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Acts } from '../data/household/acts.service';
import { RoundService } from '../data/household/round.service';
import { PeopleService } from '../data/household/people.service';
import { Advice } from '../kit/advice';
import { Curve } from '../kit/curve';
import { Handling } from '../kit/handling';
import { Towel } from '../kit/towel';
import { When } from '../kit/when';
import { Why } from '../kit/why';
import { SeedsPipe } from '../kit/seeds.pipe';
import { advance, draftFrom, emptyDraft, lookRequest, mark, saysSomething, towelSeeds, type Draft } from './draft';
import { answering } from './answering';
import { DraftHistory } from './draft-history';
import { Legend } from './legend';
import { momentOf } from './moment';
import { LookAsks } from './asks';
import { moveAdvised } from './advised';
import { Move } from './move';
import { Peek } from './peek';
import { onlyPartOf, saveAndMoveText, saveText } from './save-text';
import { LookSender } from './look-sender.service';
import { walked } from './walked';
import { isShortcut, KEYS } from './draft-keys';
import { SeedSheet, type SeedSheetData } from './seed-sheet';

/** Shorter than this a drawn root is a tip, mm. */
const LEAST_ROOT_MM = 4;

/** One towel, unfolded: touch what changed, and read at once what to do. */
@Component({
  selector: 'ft-open',
  imports: [Advice, Curve, Handling, Legend, LookAsks, MatButton, Move, Peek, RouterLink, SeedsPipe, Towel, When, Why],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './open.html',
  styleUrl: './open.scss',
  host: { '(document:keydown)': 'key($event)' },
})
export class OpenScreen {
  private readonly sender = inject(LookSender);
  private readonly acts = inject(Acts);
  private readonly dialogs = inject(MatDialog);
  private readonly router = inject(Router);
  private readonly sheets = inject(MatBottomSheet);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  /** How what lies there is spoken of. */
  protected readonly way = computed(() => {
    const facts = this.batch()?.facts;
    return facts ? methodFor(facts.method, facts.crop) : methodOf('towel');
  });
  protected readonly listed = listed;
  protected readonly preparing = (steps: readonly Preparation[]): string => preparingInWords(steps, null);
  protected readonly round = inject(RoundService);

  readonly batchId = input.required<string>();
  /** The look to correct, from the batch's journal. */
  readonly correct = input<string>();

  protected readonly batch = signal<BatchWithJournal | null>(null);
  protected readonly gone = signal<string | null>(null);
  private readonly history = new DraftHistory();
  protected readonly draft = this.history.draft;
  protected readonly canUndo = this.history.canUndo;
  protected readonly saving = signal(false);
  protected readonly moving = signal(false);
  protected readonly error = signal<string | null>(null);
  private later = false;
  protected readonly picture = signal<File | null>(null);
  protected readonly people = toSignal(inject(PeopleService).names$, { initialValue: [] });

  protected readonly moment = momentOf(this.batch, this.correct);
  protected readonly at = this.moment.at;
  protected readonly before = this.moment.before;
  protected readonly correcting = this.moment.correcting;
  private readonly answered = answering({
    batch: this.batch,
    facts: this.moment.facts,
    before: this.before,
    draft: this.draft,
    atMs: this.moment.atMs,
  });
  protected readonly answer = this.answered.answer;
  protected readonly why = this.answered.why;

  protected readonly seeds = computed(() => {
    const batch = this.batch();
    const before = this.before();
    return batch && before ? towelSeeds(batch, before, this.draft()) : [];
  });
  /** What a look asks besides the seeds, while one is being made. */
  protected readonly asking = computed(() => (this.moving() ? null : this.before()));
  protected readonly counted = computed(() => this.before()?.counted.reduce((sum, { count }) => sum + count, 0) ?? 0);
  protected readonly walk = walked(this.batchId, this.correcting);
  /** Sprouts are ready: then the filled button is their move. */
  protected readonly moveDue = computed(() => !this.correcting() && moveAdvised(this.answer()?.judgement.advice ?? []) !== null);
  protected readonly verdict = computed(() => this.answer()?.judgement.headline ?? null);
  protected readonly button = computed(() => {
    if (this.correcting()) return 'Save the correction';
    return !this.moveDue() || this.onlyPart()
      ? saveText(this.draft(), this.walk.nextId() !== null)
      : saveAndMoveText(this.draft(), this.way().event === 'emergence');
  });
  protected readonly onlyPart = computed(() => onlyPartOf(this.draft()));

  constructor() {
    // A new parcel begins with a clean towel; only how one looks is asked once a round.
    toObservable(this.batchId)
      .pipe(
        switchMap((id) => {
          this.batch.set(null);
          this.moving.set(false);
          this.error.set(null);
          this.picture.set(null);
          this.at.set(null);
          this.later = false;
          this.history.begin(emptyDraft(this.round.via()));
          return this.round.parcel(id).pipe(
            catchError((problem: ApiProblem) => {
              this.gone.set(problem.message);
              return EMPTY;
            }),
          );
        }),
        takeUntilDestroyed(),
      )
      .subscribe((batch) => {
        this.batch.set(batch);
        // What lies in no bag is looked at in one way only.
        if (!methodOf(batch.facts.method).bagged) this.history.begin({ ...this.draft(), via: 'opened' });
        // A test that is counted is looked at no more: what lives of it is moved.
        this.moving.set(Boolean(batch.facts.test?.result));
      });
    effect(() => {
      const look = this.moment.corrected();
      const before = this.before();
      if (look && before) untracked(() => this.history.begin(draftFrom(look, before)));
    });
  }

  protected change(next: (draft: Draft) => Draft): void {
    this.error.set(null);
    this.history.change(next);
  }

  protected takeBack(): void {
    this.history.takeBack();
  }

  protected look(via: 'opened' | 'through'): void {
    this.change((draft) => ({ ...draft, via }));
    this.round.looked(via);
  }

  protected touch(seed: number): void {
    const before = this.before();
    if (before) this.change((draft) => advance(draft, before, seed));
  }

  protected more(seed: number): void {
    const shown = this.seeds()[seed - 1];
    if (!shown) return;
    const data: SeedSheetData = { seed, stage: shown.stage, rootMm: shown.rootMm, units: this.about.household().units };
    this.sheets
      .open<SeedSheet, SeedSheetData, SeedMark>(SeedSheet, { data })
      .afterDismissed()
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe((seedMark) => seedMark && this.change((draft) => mark(draft, seedMark)));
  }

  /** A root drawn out of its seed by finger or mouse. */
  protected drawRoot({ seed, mm }: { seed: number; mm: number }): void {
    const stage = this.seeds()[seed - 1]?.stage === 'leaves' ? 'leaves' : mm < LEAST_ROOT_MM ? 'tip' : 'root';
    this.change((draft) => mark(draft, { seed, stage, rootMm: Math.round(mm) }));
  }

  protected help(): void {
    void import('./keys').then(({ Keys }) => this.dialogs.open(Keys, { width: '520px' }));
  }

  protected key(event: KeyboardEvent): void {
    if (this.dialogs.openDialogs.length > 0 || this.moving()) return;
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      this.save();
      return;
    }
    const before = this.before();
    const change = before && KEYS(before)[event.key.toLowerCase()];
    const act = change ? () => this.change(change) : this.shortcuts[event.key.toLowerCase()];
    if (!act || !isShortcut(event)) return;
    event.preventDefault();
    act();
  }

  private readonly shortcuts: Readonly<Record<string, () => void>> = {
    o: () => this.look('opened'),
    t: () => this.look('through'),
    u: () => this.takeBack(),
    s: () => this.skip(),
    '?': () => this.help(),
  };

  /** What was pressed beside an advice is done when the look that it rests on is stored. */
  protected act(act: Act): void {
    this.save(act);
  }

  protected save(then: Act | null = null): void {
    const batch = this.batch();
    const before = this.before();
    const draft = this.draft();
    if (!batch || !before || this.saving()) return;
    if (draft.via === null) {
      this.error.set('Say how you looked: opened, or through the bag.');
      return;
    }
    // Untouched, one tap says that nothing is new.
    const said = saysSomething(draft) ? draft : { ...draft, nothingNew: true };
    this.send(
      lookRequest(said, before, {
        id: uuid(),
        via: draft.via,
        basedOn: this.moment.basedOn(),
        supersedes: this.correcting() ? (this.correct() ?? null) : null,
        who: this.round.who(),
        at: this.at(),
      }),
      then,
    );
  }

  /** What is ready is left for later: the look is saved and the round goes on. */
  protected saveOnly(): void {
    this.later = true;
    this.save();
  }

  protected skip(): void {
    const before = this.before();
    if (before)
      this.send(
        lookRequest(emptyDraft(null), before, { id: uuid(), via: 'skipped', basedOn: null, supersedes: null, who: this.round.who() }),
      );
  }

  private send(body: ReturnType<typeof lookRequest>, then: Act | null = null): void {
    const batch = this.batch();
    if (!batch) return;
    this.saving.set(true);
    from(this.sender.send(batch, body, body.via === 'skipped' ? null : this.picture()))
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (after) => {
          if (after === null) {
            this.onward();
            return;
          }
          if (then) {
            this.acts
              .run(then, after)
              .pipe(takeUntilDestroyed(this.destroyRef))
              .subscribe({ next: (done) => done && this.onward(), error: (problem: ApiProblem) => this.error.set(problem.message) });
            return;
          }
          if (body.via !== 'skipped' && moveAdvised(after.judgement.advice) && !this.later) {
            this.batch.set(after);
            this.history.begin(emptyDraft(this.draft().via));
            this.moving.set(true);
          } else this.onward();
        },
        error: (problem: Error) => this.error.set(problem.message),
      });
  }

  /** To the next parcel of the round, or back to Today. */
  protected onward(): void {
    const next = this.walk.nextId();
    void this.router.navigate(next ? ['/open', next] : ['/']);
  }
}
