import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';

/** A cell of a table that is typed into: no name above it, for its column or its placeholder says what it is. */
@Component({
  selector: 'ft-entry',
  imports: [MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field class="entry" appearance="outline" subscriptSizing="dynamic"
      ><input
        matInput
        [formControl]="control()"
        [type]="moment() ? 'datetime-local' : 'text'"
        [attr.inputmode]="moment() ? null : 'numeric'"
        [placeholder]="placeholder()"
        [attr.aria-label]="label()"
    /></mat-form-field>
  `,
})
export class Entry {
  /** Its name for who cannot see where it stands. */
  readonly label = input.required<string>();
  readonly control = input.required<FormControl<string>>();
  readonly placeholder = input('');
  /** Whether a day and a time is typed, and not a number. */
  readonly moment = input(false);
}
