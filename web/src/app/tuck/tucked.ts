import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { counted } from '@fresh-tuck/core/units';
import { Days } from '../batch/days';
import { AboutService } from '../data/household/about.service';
import { MendApi } from '../data/household/mend.api';
import { Notice } from '../data/household/notice.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { SprayerWord } from '../house/sprayer-word';
import { Label } from '../kit/label';
import { Labels } from '../print/open-labels';

/** Begun longer ago than this it is running already, ms. */
const RUNNING_MS = 12 * 3_600_000;

/** A parcel that is tucked in: its label, its water, and what was seen of one that has been running. */
@Component({
  selector: 'ft-tucked',
  imports: [Days, Label, MatButton, RouterLink, SprayerWord],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tucked.html',
  styleUrl: './tucked.scss',
})
export class Tucked {
  private readonly api = inject(MendApi);
  private readonly notice = inject(Notice);
  private readonly labels = inject(Labels);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly error = signal<string | null>(null);
  readonly batch = input.required<BatchWithJournal>();
  /** The trial that it was begun for. */
  readonly trialId = input<string | null>(null);
  readonly another = output();
  /** What was kept of the days before it was written down. */
  protected readonly told = signal('');
  /** Whether it was begun so long before it was written down that something may have been seen of it. */
  protected readonly running = computed(() => this.batch().recordedMs - this.batch().facts.startMs > RUNNING_MS);
  protected readonly sprays = computed(() =>
    counted(Math.max(Math.round(this.batch().facts.doseMl / this.about.household().millilitresPerSpray), 1), 'spray'),
  );

  /** A slip: the seed goes back, the number stays used. */
  protected undo(): void {
    this.api
      .untuck(this.batch().id, { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.notice.say(`Taken back: the seed is in the packet again. Number ${this.batch().number} stays used.`);
          this.another.emit();
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected print(): void {
    this.labels
      .open([{ kind: 'batch', id: this.batch().id }])
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe();
  }
}
