import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Bed, JournalEntry, Undoing } from '@fresh-tuck/contract';
import { DESTINATIONS, type Destination } from '@fresh-tuck/core/moving';
import { DESTINATION_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { MendApi } from '../data/household/mend.api';
import { type ApiProblem } from '../data/transport/transport.service';
import { SeedsPipe } from '../kit/seeds.pipe';
import { When } from '../kit/when';

/** The journal of a batch: what was seen and done, and every line of it to be dated, corrected or taken back. */
@Component({
  selector: 'ft-journal',
  imports: [MatButton, MatButtonToggleModule, RouterLink, SeedsPipe, When],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './journal.html',
  styleUrl: './journal.scss',
})
export class Journal {
  private readonly api = inject(MendApi);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  readonly batch = input.required<BatchWithJournal>();
  /** What was done, in words. */
  readonly said = output<string>();

  /** The line that is being mended, and what is asked of it. */
  protected readonly asked = signal<{ readonly id: string; readonly what: 'undo' | 'when' | 'where' } | null>(null);
  /** What taking the line back does; null until the server has said so. */
  protected readonly follows = signal<Undoing | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly at = signal<string | null>(null);
  protected readonly destinations = DESTINATIONS;
  protected readonly words = DESTINATION_WORDS;
  protected readonly beds = signal<readonly Bed[]>([]);
  private readonly householdApi = inject(HouseholdApi);

  protected is({ id }: JournalEntry, what: 'undo' | 'when' | 'where'): boolean {
    const open = this.asked();
    return open?.id === id && open.what === what;
  }

  protected ask(entry: JournalEntry, what: 'undo' | 'when' | 'where'): void {
    const open = this.asked();
    this.error.set(null);
    this.follows.set(null);
    this.at.set(null);
    if (open?.id === entry.id && open.what === what) return this.asked.set(null);
    this.asked.set({ id: entry.id, what });
    if (what === 'where') this.fetch(this.householdApi.beds(), (beds) => this.beds.set(beds));
    if (what === 'undo' && entry.mend === 'entry')
      this.fetch(this.api.undoing(this.batch().id, entry.id), (found) => this.follows.set(found));
  }

  private fetch<T>(asked: Observable<T>, take: (found: T) => void): void {
    asked
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: take, error: (problem: ApiProblem) => this.error.set(problem.message) });
  }

  protected undo(entry: JournalEntry): void {
    const { id } = this.batch();
    if (entry.mend === 'bag' && entry.holderId !== null)
      return this.run(this.api.undoBag(entry.holderId, { id: uuid(), recordId: entry.id }), 'Taken back.');
    const along = this.follows()?.along ?? [];
    this.run(this.api.undo(id, { id: uuid(), entryId: entry.id, along }), 'Taken back. The line stays, struck through.');
  }

  /** Another time for what was seen or done; the rest of the line stands. */
  protected date(entry: JournalEntry): void {
    const at = this.at();
    if (at === null) return this.error.set('Choose the true time first.');
    this.run(this.api.correct(this.batch().id, { id: uuid(), entryId: entry.id, at }), 'Dated anew.');
  }

  protected send(entry: JournalEntry, destination: Destination, bedId: string | null = null): void {
    this.run(
      this.api.correct(this.batch().id, { id: uuid(), entryId: entry.id, destination, bedId }),
      'Corrected. The labels stay as they are.',
    );
  }

  private run(request: Observable<unknown>, said: string): void {
    request.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: () => {
        this.asked.set(null);
        this.error.set(null);
        this.said.emit(said);
      },
      error: (problem: ApiProblem) => this.error.set(problem.message),
    });
  }
}
