import { text, wholeFrom } from '../kit/validators';
import { Field } from '../kit/field';
import { FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { REASON_WORDS, targetInWords } from '@fresh-tuck/core/words';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { catchError, EMPTY, type Observable, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, CloseRequest, JournalEntry } from '@fresh-tuck/contract';
import { CLOSING_REASONS } from '@fresh-tuck/contract/choices';
import { formatLength } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { WhyService } from '../data/forecast/why.service';
import { Notice } from '../data/household/notice.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { dayMs } from '../data/household/moments';
import { Advice } from '../kit/advice';
import { Bag } from './bag';
import { FinalCount } from './final-count';
import { Curve } from '../kit/curve';
import { Label } from '../kit/label';
import { shownStages } from '../kit/parcel';
import { Ribbon } from '../kit/ribbon';
import { TestResultView } from '../kit/test-result';
import { Towel, type TowelSeed } from '../kit/towel';
import { Why } from '../kit/why';
import { BatchApi } from './batch.api';
import { HouseholdApi } from '../data/household/household.api';

/** The life of one batch: forecast against what happened, and its journal. */
@Component({
  selector: 'ft-batch',
  imports: [Field, ReactiveFormsModule, MatButton, Advice, Bag, Curve, FinalCount, Label, Ribbon, RouterLink, TestResultView, Towel, Why],
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
  private readonly destroyRef = inject(DestroyRef);
  protected readonly why = inject(WhyService).of;
  protected readonly about = inject(AboutService);
  readonly batchId = input.required<string>();

  protected readonly reasons = CLOSING_REASONS.map((value) => ({ value, text: REASON_WORDS[value] }));
  protected readonly gone = signal<string | null>(null);
  protected readonly recounted = new FormGroup({ seeds: text('', Validators.required, wholeFrom(1, 400)) });
  protected readonly panel = signal<'recount' | 'place' | 'bag' | 'close' | null>(null);
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
  protected readonly ribbonDays = computed(() => {
    const batch = this.batch();
    const days = batch ? (batch.answers.nowMs - batch.facts.startMs) / 86_400_000 : 0;
    return Math.max(3, Math.ceil(days) + 1);
  });
  protected readonly lengthText = computed(() => {
    const { units } = this.about.household();
    return (mm: number): string => formatLength(mm, units);
  });

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
    if (batch.bagMates.length > 0) parts.push(`in one bag with ${batch.bagMates.join(' and ')}`);
    return parts.join(' · ');
  }

  protected show(panel: 'recount' | 'place' | 'bag' | 'close'): void {
    this.error.set(null);
    this.recounted.setValue({ seeds: String(this.batch()?.facts.seeds ?? '') });
    this.panel.update((open) => (open === panel ? null : panel));
  }

  protected undo(entry: JournalEntry): void {
    this.run(this.householdApi.undo(this.batchId(), { id: uuid(), entryId: entry.id }), 'Taken back.');
  }

  protected recount(): void {
    this.recounted.markAllAsTouched();
    if (this.recounted.invalid) return;
    const seeds = Number(this.recounted.value.seeds);
    this.run(this.api.recount(this.batchId(), { id: uuid(), seeds }), 'Starting count corrected.');
  }

  protected place(spotId: string): void {
    const holderId = this.batch()?.holder.id;
    if (holderId) this.run(this.api.placeHolder(holderId, { id: uuid(), spotId }), 'Moved. The days ahead follow its new warmth.');
  }

  protected close(reason: CloseRequest['reason']): void {
    this.run(this.householdApi.close(this.batchId(), { id: uuid(), reason }), 'Closed. Undo it in the journal if it was too soon.');
  }

  protected open(batch: BatchWithJournal): void {
    void this.router.navigate(['/open', batch.id]);
  }

  protected tell(said: string): void {
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
