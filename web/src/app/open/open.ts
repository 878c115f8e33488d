import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatBottomSheet } from '@angular/material/bottom-sheet';
import { Router, RouterLink } from '@angular/router';
import { catchError, debounceTime, EMPTY, filter, finalize, map, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { DAMPS } from '@fresh-tuck/contract/choices';
import type { Answers, Judgement, ParcelFacts } from '@fresh-tuck/core';
import { parcelState, type SeedMark, type Trouble, TROUBLES } from '@fresh-tuck/core/states';
import { formatLength } from '@fresh-tuck/core/units';
import { AboutService } from '../data/about.service';
import { Api, type ApiProblem } from '../data/api.service';
import { ForecastService } from '../data/forecast.service';
import { RoundService } from '../data/round.service';
import { UndoOffer } from '../data/undo-offer.service';
import { Advice } from '../kit/advice';
import { Curve } from '../kit/curve';
import { Towel } from '../kit/towel';
import { Why } from '../kit/why';
import {
  advance,
  draftFrom,
  draftLook,
  emptyDraft,
  lookRequest,
  mark,
  mostCounted,
  newTips,
  saysSomething,
  TROUBLE_WORDS,
  towelSeeds,
  type Damp,
  type Draft,
} from './draft';
import { DraftHistory } from './draft-history';
import { Legend } from './legend';
import { Move } from './move';
import { Peek } from './peek';
import { SeedSheet, type SeedSheetData } from './seed-sheet';

/** One towel, unfolded: touch what changed, and read at once what to do. */
@Component({
  selector: 'ft-open',
  imports: [Advice, Curve, Legend, Move, Peek, RouterLink, Towel, Why],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './open.html',
  styleUrl: './open.scss',
  host: { '(document:keydown)': 'key($event)' },
})
export class OpenScreen {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly sheets = inject(MatBottomSheet);
  private readonly undoOffer = inject(UndoOffer);
  private readonly forecasts = inject(ForecastService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly round = inject(RoundService);

  readonly batchId = input.required<string>();
  /** The look to correct, from the batch's journal. */
  readonly correct = input<string>();

  protected readonly damps = DAMPS;
  protected readonly troubles = TROUBLES;
  protected readonly troubleWords = TROUBLE_WORDS;
  protected readonly batch = signal<BatchWithJournal | null>(null);
  protected readonly gone = signal<string | null>(null);
  private readonly history = new DraftHistory();
  protected readonly draft = this.history.draft;
  protected readonly canUndo = this.history.canUndo;
  protected readonly saving = signal(false);
  protected readonly moving = signal(false);
  protected readonly error = signal<string | null>(null);
  /** On the phone the troubles unfold on asking. */
  protected readonly wrongShown = signal(false);

  /** Facts without the look that is being corrected. */
  private readonly facts = computed<ParcelFacts | null>(() => {
    const batch = this.batch();
    if (!batch) return null;
    return this.correcting() ? { ...batch.facts, looks: batch.facts.looks.slice(0, -1) } : batch.facts;
  });
  protected readonly correcting = computed(() => {
    const look = this.correct();
    return look !== undefined && look === this.batch()?.lastLookId;
  });
  protected readonly before = computed(() => {
    const facts = this.facts();
    return facts && parcelState(facts.seeds, facts.startMs, facts.looks, facts.moves);
  });
  private readonly atMs = computed(() => (this.correcting() ? (this.batch()?.facts.looks.at(-1)?.atMs ?? 0) : this.about.nowMs()));
  protected readonly draftFacts = computed<ParcelFacts | null>(() => {
    const facts = this.facts();
    const before = this.before();
    if (!facts || !before) return null;
    const look = draftLook(this.draft(), before, this.atMs());
    return look ? { ...facts, looks: [...facts.looks, look] } : facts;
  });
  private readonly live = toSignal(
    toObservable(this.draftFacts).pipe(
      filter((facts) => facts !== null),
      debounceTime(20),
      switchMap((facts) => this.forecasts.parcel(facts, this.about.nowMs()).pipe(map((reply) => ({ ...reply, facts })))),
    ),
  );
  /** The answer to the draft; until the worker has spoken, the server's. */
  protected readonly answer = computed<{ facts: ParcelFacts; answers: Answers; judgement: Judgement } | null>(() => {
    const live = this.live();
    const batch = this.batch();
    if (live && live.facts === this.draftFacts()) return live;
    return live ?? batch;
  });

  /** What the answer rests on, the draft of this look among it. */
  protected readonly why = computed(() => {
    const facts = this.draftFacts();
    return facts && (() => this.forecasts.why(facts, this.about.nowMs()));
  });

  protected readonly seeds = computed(() => {
    const batch = this.batch();
    const before = this.before();
    return batch && before ? towelSeeds(batch, before, this.draft()) : [];
  });
  protected readonly newTips = computed(() => {
    const before = this.before();
    return before ? newTips(this.draft(), before) : 0;
  });
  protected readonly canCountMore = computed(() => {
    const before = this.before();
    return before !== null && this.draft().counted < mostCounted(this.draft(), before);
  });
  protected readonly counted = computed(() => this.before()?.counted.reduce((sum, { count }) => sum + count, 0) ?? 0);
  protected readonly nextId = computed(() => this.round.after(this.batchId()));
  protected readonly place = computed(() => {
    const ids = this.round.batchIds();
    const index = ids.indexOf(this.batchId());
    return index < 0 ? null : { index: index + 1, of: ids.length };
  });
  protected readonly title = computed(() =>
    this.correcting() ? 'Correct a look' : this.place() ? `${this.partOfDay()} round` : 'Open a parcel',
  );
  private readonly partOfDay = computed(() => {
    const part = this.about.moments().partOfDay;
    return part.charAt(0).toUpperCase() + part.slice(1);
  });
  protected readonly lengthText = computed(() => {
    const { units } = this.about.household();
    return (mm: number): string => formatLength(mm, units);
  });

  constructor() {
    // A new parcel begins with a clean towel; only how one looks is asked once a round.
    toObservable(this.batchId)
      .pipe(
        switchMap((id) => {
          this.batch.set(null);
          this.moving.set(false);
          this.error.set(null);
          this.history.begin(emptyDraft(this.round.via()));
          return this.api.batch(id).pipe(
            catchError((problem: ApiProblem) => {
              this.gone.set(problem.message);
              return EMPTY;
            }),
          );
        }),
        takeUntilDestroyed(),
      )
      .subscribe((batch) => this.batch.set(batch));
    effect(() => {
      const look = this.correcting() ? this.batch()?.facts.looks.at(-1) : undefined;
      const before = this.before();
      if (look && before) this.history.begin(draftFrom(look, before));
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

  protected count(by: 1 | -1): void {
    this.change((draft) => ({ ...draft, nothingNew: false, counted: Math.max(draft.counted + by, 0) }));
  }

  protected nothingNew(): void {
    this.change((draft) =>
      draft.nothingNew ? { ...draft, nothingNew: false } : { ...draft, nothingNew: true, counted: 0, marks: new Map() },
    );
  }

  protected feel(damp: Damp): void {
    this.change((draft) => ({ ...draft, damp: draft.damp === damp ? null : damp, rewetted: false }));
  }

  protected rewet(): void {
    this.change((draft) => ({ ...draft, rewetted: !draft.rewetted }));
  }

  protected trouble(trouble: Trouble): void {
    this.change((draft) => {
      const troubles = new Set(draft.troubles);
      if (!troubles.delete(trouble)) troubles.add(trouble);
      return { ...draft, troubles };
    });
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

  protected key(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    if (event.ctrlKey || event.metaKey || event.altKey || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)) return;
    if (event.key === 'u' || event.key === 'U') this.takeBack();
  }

  protected save(): void {
    const batch = this.batch();
    const before = this.before();
    const draft = this.draft();
    if (!batch || !before || this.saving()) return;
    if (draft.via === null) {
      this.error.set('Say how you looked: opened, or through the bag.');
      return;
    }
    if (!saysSomething(draft)) {
      this.error.set('Say what you saw: touch a seed, count, “Nothing new”, or how the towel feels. Not opened? Skip it.');
      return;
    }
    const lookBefore = this.correcting() ? null : batch.lastLookId;
    this.send(
      lookRequest(draft, before, {
        id: uuid(),
        via: draft.via,
        basedOn: lookBefore,
        supersedes: this.correcting() ? (this.correct() ?? null) : null,
        who: null,
      }),
      true,
    );
  }

  protected skip(): void {
    const before = this.before();
    if (before)
      this.send(lookRequest(emptyDraft(null), before, { id: uuid(), via: 'skipped', basedOn: null, supersedes: null, who: null }), false);
  }

  private send(body: ReturnType<typeof lookRequest>, mayMove: boolean): void {
    this.saving.set(true);
    this.api
      .addLook(this.batchId(), body)
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (batch) => {
          this.undoOffer.show(
            batch.id,
            body.id,
            body.via === 'skipped' ? `${batch.number} skipped, not opened.` : `Look at ${batch.number} saved.`,
          );
          const due = batch.judgement.advice.some(({ kind }) => kind === 'move' || kind === 'rescue');
          if (mayMove && due) {
            this.batch.set(batch);
            this.history.begin(emptyDraft(this.draft().via));
            this.moving.set(true);
          } else this.onward();
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  /** To the next parcel of the round, or back to Today. */
  protected onward(): void {
    const next = this.nextId();
    void this.router.navigate(next ? ['/open', next] : ['/']);
  }
}
