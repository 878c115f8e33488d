import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormArray, FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { forkJoin } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Batch, PaperRoundRequest, Spot } from '@fresh-tuck/contract';
import { DAMPS } from '@fresh-tuck/contract/choices';
import { methodFor } from '@fresh-tuck/core/method';
import { DAMP_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { Notice } from '../data/household/notice.service';
import { Transport, type ApiProblem } from '../data/transport/transport.service';
import { Entry } from '../kit/entry';
import { Field } from '../kit/field';
import { readBy, text, wholeFrom } from '../kit/validators';
import { SeedsPipe } from '../kit/seeds.pipe';
import { handOver, PrintApi } from '../print/print.api';

type Damp = (typeof DAMPS)[number] | '' | 'skipped';
const SEED_LIMIT = 400;

/** The round on paper: printed for a helper, and what came back entered in one go, each line at its own time. */
@Component({
  selector: 'ft-paper-round',
  imports: [Entry, Field, MatButton, MatFormFieldModule, MatInputModule, ReactiveFormsModule, RouterLink, SeedsPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './paper-round.html',
  styleUrl: './paper-round.scss',
})
export class PaperRound {
  private readonly household = inject(HouseholdApi);
  private readonly transport = inject(Transport);
  private readonly printing = inject(PrintApi);
  private readonly notice = inject(Notice);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly damps = DAMPS;
  protected readonly words = DAMP_WORDS;
  protected readonly loaded = signal(false);
  protected readonly saving = signal(false);
  protected readonly error = signal<string | null>(null);
  protected readonly who = text();
  protected readonly rows = new FormArray<ReturnType<PaperRound['row']>>([]);
  protected readonly count = computed(() => (this.loaded() ? this.rows.length : 0));
  private readonly past = readBy((local) => (this.about.moments().at(local) <= this.about.nowMs() + 60_000 ? local : null));

  constructor() {
    forkJoin({ batches: this.transport.get<Batch[]>('batches'), spots: this.household.spots() })
      .pipe(takeUntilDestroyed())
      .subscribe({
        next: ({ batches, spots }) => this.lay(batches, spots),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  /** In walking order, as they stand on the paper. */
  private lay(batches: readonly Batch[], spots: readonly Spot[]): void {
    const order = new Map(spots.map(({ id }, index) => [id, index]));
    const first = (batch: Batch): number => Math.min(...batch.holder.numbers);
    const walked = [...batches].sort(
      (a, b) => (order.get(a.holder.spotId) ?? 0) - (order.get(b.holder.spotId) ?? 0) || first(a) - first(b) || a.number - b.number,
    );
    for (const batch of walked) this.rows.push(this.row(batch));
    this.loaded.set(true);
  }
  private row(batch: Batch) {
    const now = this.about.moments().field(this.about.nowMs());
    return new FormGroup({
      batch: new FormControl(batch, { nonNullable: true }),
      at: text(now, this.past),
      tipped: text('', wholeFrom(0, SEED_LIMIT)),
      rotten: text('', wholeFrom(0, SEED_LIMIT)),
      moved: text('', wholeFrom(0, SEED_LIMIT)),
      damp: new FormControl<Damp>('', { nonNullable: true }),
      rewetted: new FormControl(false, { nonNullable: true }),
    });
  }
  protected events(batch: Batch): string {
    return methodFor(batch.facts.method, batch.facts.crop).nouns.event.many;
  }

  protected print(): void {
    this.error.set(null);
    this.printing
      .round({ batchIds: null })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: (pdf) => handOver(pdf, 'round.pdf'), error: (problem: ApiProblem) => this.error.set(problem.message) });
  }

  protected save(): void {
    this.rows.markAllAsTouched();
    const said = this.rows.getRawValue().map((row, index) => ({ ...row, index }));
    const told = said.filter(
      ({ tipped, rotten, moved, damp, rewetted }) => [tipped, rotten, moved, damp].some((one) => String(one ?? '') !== '') || rewetted,
    );
    if (told.length === 0) return this.error.set('Nothing is written yet: enter what the paper says; a line left blank was not looked at.');
    if (this.rows.invalid) return this.error.set('One of the lines cannot be so: its time or a number is marked.');
    const number = (typed: string): number | null => (String(typed ?? '').trim() === '' ? null : Number(typed));
    const body: PaperRoundRequest = {
      id: uuid(),
      who: this.who.value.trim() || null,
      looks: told.map(({ batch, at, tipped, rotten, moved, damp, rewetted }) => ({
        ...{ id: uuid(), batchId: batch.id, at: at.slice(0, 16), tipped: number(tipped), rotten: number(rotten) },
        ...{ moved: number(moved) ?? 0, damp: damp === '' || damp === 'skipped' ? null : damp, rewetted, skipped: damp === 'skipped' },
      })),
    };
    this.saving.set(true);
    this.error.set(null);
    this.transport
      .send('POST', 'rounds/paper', body)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.notice.say(`${told.length === 1 ? 'One line stands' : `${told.length} lines stand`} in the journals, each at its time.`);
          void this.router.navigate(['/']);
        },
        error: (problem: ApiProblem) => {
          this.saving.set(false);
          this.error.set(
            this.place(
              problem,
              told.map(({ index }) => index),
            ),
          );
        },
      });
  }
  /** Puts a refusal at the field of its line; what belongs to none is said below. */
  private place(problem: ApiProblem, sent: readonly number[]): string {
    for (const [nth, index] of sent.entries())
      for (const name of ['at', 'tipped', 'rotten', 'moved'] as const) {
        const message = problem.at(`looks.${nth}.${name}`);
        const row = this.rows.at(index);
        if (!message) continue;
        row.controls[name].setErrors({ server: message });
        return `${row.controls.batch.value.number} ${row.controls.batch.value.title}: ${message}`;
      }
    return problem.message;
  }
}
