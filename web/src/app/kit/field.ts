import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { startWith, switchMap } from 'rxjs';
import { fieldError } from './field-errors';

/** One field of a form: its name, what is typed, what may be said of it, and the sentence where it is wrong. */
@Component({
  selector: 'ft-field',
  imports: [MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      <mat-label>{{ label() }}</mat-label>
      <input
        matInput
        [formControl]="control()"
        [type]="type()"
        [attr.inputmode]="mode()"
        [attr.min]="min()"
        [attr.max]="max()"
        [attr.maxlength]="most()"
        [placeholder]="placeholder()"
      />
      @if (unit()) {
        <span matTextSuffix>{{ unit() }}</span>
      }
      @if (hint()) {
        <mat-hint>{{ hint() }}</mat-hint>
      }
      <mat-error>{{ message() }}</mat-error>
    </mat-form-field>
  `,
})
export class Field {
  readonly label = input.required<string>();
  readonly control = input.required<FormControl<string>>();
  /** What would be taken, in a sentence: stands under the field where it was not. */
  readonly accepted = input.required<string>();
  readonly type = input<'text' | 'number' | 'date' | 'datetime-local'>('text');
  readonly mode = input<'numeric' | 'decimal' | 'text' | null>(null);
  readonly min = input<number | string | null>(null);
  readonly max = input<number | string | null>(null);
  readonly most = input<number | null>(null);
  readonly placeholder = input('');
  readonly unit = input('');
  readonly hint = input('');
  private readonly event = toSignal(toObservable(this.control).pipe(switchMap((control) => control.events.pipe(startWith(null)))));
  protected readonly message = computed(() => {
    this.event();
    return fieldError(this.control(), this.accepted());
  });
}
