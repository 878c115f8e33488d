import { ChangeDetectionStrategy, Component, DestroyRef, inject, input } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import type { LabelsRequest } from '@fresh-tuck/contract';
import { Labels } from './open-labels';

/** Where something bears a label: a quiet button that prints it. */
@Component({
  selector: 'ft-print-label',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<button matButton="text" type="button" class="quiet" (click)="print()">
    {{ text() }}<span class="unseen">{{ of() ? ': ' + of() : '' }}</span>
  </button>`,
})
export class PrintLabel {
  private readonly labels = inject(Labels);
  private readonly destroyRef = inject(DestroyRef);
  readonly items = input.required<LabelsRequest['items']>();
  readonly text = input('Print its label');
  /** What it is of, for who hears it among others. */
  readonly of = input('');

  protected print(): void {
    this.labels.open(this.items()).pipe(takeUntilDestroyed(this.destroyRef)).subscribe();
  }
}
