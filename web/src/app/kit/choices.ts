import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { Word } from './word';

/** One of several that exclude each other: what it is called, and what follows from it. */
export interface Choice<T> {
  readonly value: T;
  readonly text: string;
  readonly follows?: string | null;
}

/** One out of a list, a line each; the arrows go from line to line. A touch of what is chosen already is said too: it fixes it. */
@Component({
  selector: 'ft-choices',
  imports: [MatButtonToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-button-toggle-group
      class="choices"
      hideSingleSelectionIndicator
      [attr.aria-label]="label()"
      [disabled]="disabled()"
      [value]="value()"
    >
      @for (choice of choices(); track choice.value) {
        <mat-button-toggle class="choice row" [value]="choice.value" (change)="chosen.emit(choice.value)" (click)="said()">
          {{ choice.text }} <span class="soft">{{ choice.follows ?? '' }}</span>
        </mat-button-toggle>
      }
    </mat-button-toggle-group>
  `,
  styles: `
    :host,
    mat-button-toggle-group {
      display: grid;
      gap: 12px;
    }
  `,
})
export class Choices<T> {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice<T>[]>();
  readonly value = input.required<T | null>();
  readonly disabled = input(false);
  /** Whether the word that it stands in is said with it: where there is more to say there it stays open. */
  readonly closes = input(true);
  readonly chosen = output<T>();
  private readonly word = inject(Word, { optional: true });

  /** A touch says it; the arrows only walk along the lines. */
  protected said(): void {
    if (this.closes()) this.word?.open.set(false);
  }
}
