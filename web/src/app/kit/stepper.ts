import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';

/** A small count, one up or one down by the thumb. */
@Component({
  selector: 'ft-stepper',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      matButton="outlined"
      type="button"
      class="choice step"
      [attr.aria-label]="fewer()"
      [disabled]="value() <= least()"
      (click)="by.emit(-1)"
    >
      −
    </button>
    <output aria-live="polite" [attr.aria-label]="said()">{{ value() }}</output>
    <button matButton="outlined" type="button" class="choice step" [attr.aria-label]="more()" [disabled]="full()" (click)="by.emit(1)">
      +
    </button>
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class Stepper {
  readonly value = input.required<number>();
  /** What the two buttons are called to whoever hears them. */
  readonly fewer = input.required<string>();
  readonly more = input.required<string>();
  /** The count in words, where the number alone does not say what it counts. */
  readonly said = input<string | null>(null);
  /** What cannot be taken away by the button. */
  readonly least = input(0);
  readonly full = input(false);
  readonly by = output<1 | -1>();
}
