import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { CLASS_WORDS } from '@fresh-tuck/core/words';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { SEEDLING_CLASSES, type ClassCounts, type SeedlingClass } from '@fresh-tuck/core/seedtest';
import { type ApiProblem } from '../data/transport/transport.service';
import { BatchApi } from './batch.api';

/** A test's final count: the seedlings of each towel by class. The last class follows from the rest. */
@Component({
  selector: 'ft-final-count',
  imports: [MatFormFieldModule, MatInputModule, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); save()" aria-label="Final count">
      <table>
        <thead>
          <tr>
            <td></td>
            @for (name of classes; track name) {
              <th scope="col">
                {{ name }}<span class="soft">{{ hints[name].hint }}</span>
              </th>
            }
            <th scope="col">to sort</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track $index; let towel = $index) {
            <tr>
              <th scope="row">
                <span class="long">Towel </span>{{ towel + 1 }}<span class="soft long">{{ batch().replicates[towel] }} seeds</span>
              </th>
              @for (name of classes; track name) {
                <td>
                  <mat-form-field class="entry" appearance="outline" subscriptSizing="dynamic"
                    ><input
                      matInput
                      inputmode="numeric"
                      [attr.aria-label]="'Towel ' + (towel + 1) + ', ' + name"
                      [value]="row[name]"
                      (input)="type(towel, name, $any($event.target).value)"
                  /></mat-form-field>
                </td>
              }
              <td class="over" [class.trouble]="(over()[towel] ?? 0) < 0">{{ over()[towel] }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <button matButton="outlined" type="submit" class="plain" [disabled]="saving()">Keep this count</button>
    </form>
  `,
  styles: `
    form {
      margin-top: 4px;
    }
    table {
      width: 100%;
      max-width: 860px;
      border-collapse: collapse;
    }
    th {
      white-space: nowrap;
      padding: 4px 8px 4px 0;
      text-align: left;
      font-weight: 700;
      vertical-align: bottom;
    }
    th .soft {
      display: block;
      font-weight: 400;
    }
    td {
      padding: 4px 8px 4px 0;
    }
    .entry {
      width: 100%;
      min-width: 52px;
    }
    .over {
      font: 700 18px var(--heading);
    }
    @media (max-width: 640px) {
      table {
        table-layout: fixed;
      }
      thead .soft,
      th .long {
        display: none;
      }
      th,
      td {
        padding-right: 5px;
        font-size: 14px;
        letter-spacing: -0.03em;
      }
      td:first-child,
      th[scope='row'] {
        width: 16px;
        vertical-align: middle;
      }
      th:nth-child(3) {
        width: 68px;
      }
      th:last-child {
        width: 46px;
      }
      .entry {
        min-width: 0;
        padding: 0 4px;
        text-align: center;
      }
    }
  `,
})
export class FinalCount {
  private readonly api = inject(BatchApi);
  private readonly destroyRef = inject(DestroyRef);
  readonly batch = input.required<BatchWithJournal>();
  readonly said = output<string>();
  protected readonly classes = SEEDLING_CLASSES;
  protected readonly hints = CLASS_WORDS;
  protected readonly saving = signal(false);
  protected readonly error = signal<string | null>(null);
  private readonly batchId = computed(() => this.batch().id);
  private readonly towels = computed(() => this.batch().replicates.length, { equal: (a, b) => a === b });
  /** What was typed; a stream that brings the batch anew does not take it away. */
  protected readonly rows = linkedSignal({
    source: () => `${this.batchId()} ${this.towels()}`,
    computation: () => Array.from({ length: this.towels() }, () => ({ normal: '', abnormal: '', hard: '', fresh: '', dead: '' })),
  });
  /** Seeds that nobody has sorted yet. */
  protected readonly over = computed(() =>
    this.rows().map((row, index) => {
      const sum = SEEDLING_CLASSES.reduce((total, name) => total + (Number(row[name]) || 0), 0);
      return (this.batch().replicates[index] ?? 0) - sum;
    }),
  );

  protected type(towel: number, name: SeedlingClass, value: string): void {
    this.rows.update((rows) => rows.map((row, index) => (index === towel ? { ...row, [name]: value } : row)));
  }

  protected save(): void {
    const written = this.rows().flatMap((row) => SEEDLING_CLASSES.map((name) => row[name].trim()));
    if (written.some((text) => !/^\d*$/.test(text))) return this.error.set('Every class is a whole number of seeds, or empty for none.');
    const left = this.over().findIndex((over) => over !== 0);
    if (left >= 0) {
      const over = this.over()[left] ?? 0;
      return this.error.set(
        over > 0
          ? `Towel ${left + 1}: ${over} of its seeds are not sorted yet.`
          : `Towel ${left + 1}: ${-over} more are sorted than it has seeds.`,
      );
    }
    const classes = this.rows().map(
      (row) => Object.fromEntries(SEEDLING_CLASSES.map((name) => [name, Number(row[name])])) as unknown as ClassCounts,
    );
    const total = (...names: SeedlingClass[]): number =>
      classes.reduce((sum, counts) => sum + names.reduce((part, name) => part + counts[name], 0), 0);
    this.saving.set(true);
    this.api
      .addLook(this.batchId(), {
        id: uuid(),
        at: null,
        via: 'opened',
        seen: { tipped: total('normal', 'abnormal'), rotten: total('dead'), basedOn: this.batch().lastLookId },
        marks: [],
        damp: null,
        rewetted: false,
        troubles: [],
        who: null,
        note: null,
        classes,
        supersedes: null,
      })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: () => {
          this.error.set(null);
          this.said.emit('Counted. The packet’s rate rests on it from now on.');
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
