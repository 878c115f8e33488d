import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { MendApi } from '../data/household/mend.api';
import { type ApiProblem } from '../data/transport/transport.service';

/** A muddled lot is told apart: its seed leaves the packet that it was, and its record goes there. */
@Component({
  selector: 'ft-told-apart',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (batch().oneOf.length > 0) {
      <section aria-labelledby="which">
        <h2 id="which">Nobody knows yet which it is</h2>
        <p class="soft">Until then it has the patience of the slowest, and is opened for the quickest of them.</p>
        <p class="acts">
          @for (one of batch().oneOf; track one.id) {
            <button matButton="outlined" type="button" class="choice" (click)="tell(one.id, one.title)">It is {{ one.title }}</button>
          }
        </p>
        <p class="error" role="alert">{{ failed() ?? '' }}</p>
      </section>
    }
  `,
  styles: `
    section {
      margin: 12px 0;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin-top: 8px;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class ToldApart {
  private readonly api = inject(MendApi);
  private readonly destroyRef = inject(DestroyRef);
  readonly batch = input.required<BatchWithJournal>();
  readonly said = output<string>();
  protected readonly failed = signal<string | null>(null);

  protected tell(packetId: string, title: string): void {
    this.failed.set(null);
    const { id, amendedId, facts } = this.batch();
    this.api
      .amend(id, { id: uuid(), after: amendedId, packetId })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => this.said.emit(`It is ${title}: its ${facts.seeds} seeds left that packet, and its record is there.`),
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }
}
