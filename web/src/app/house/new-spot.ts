import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, type FormGroupDirective, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { v7 as uuid } from 'uuid';
import type { SpotRequest } from '@fresh-tuck/contract';
import { PLACE_KINDS, type PlaceKind } from '@fresh-tuck/contract/choices';
import { fahrenheitFromCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { fieldError, showProblem } from '../kit/field-errors';
import { HouseApi } from './house.api';

/** A place where bags can lie, named: in House, and where seed is first tucked in. */
@Component({
  selector: 'ft-new-spot',
  imports: [MatButton, MatFormFieldModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" #sent="ngForm" (ngSubmit)="add(sent)" aria-label="A new warm spot">
      <mat-form-field appearance="outline">
        <mat-label>Name of a warm spot</mat-label>
        <input matInput formControlName="name" maxlength="60" placeholder="Hall cupboard" />
        <mat-error>{{ fieldError(form.controls.name, 'What you call it, like “Hall cupboard”.') }}</mat-error>
      </mat-form-field>
      <mat-form-field appearance="outline">
        <mat-label>What kind of place it is</mat-label>
        <mat-select formControlName="kind">
          @for (kind of kinds(); track kind.value) {
            <mat-option [value]="kind.value">{{ kind.text }}</mat-option>
          }
        </mat-select>
        <mat-error>{{ fieldError(form.controls.kind, 'Choose the kind that is most like it.') }}</mat-error>
      </mat-form-field>
      <button matButton="outlined" type="submit" class="plain">Add this spot</button>
      <p class="error" role="alert">{{ error() ?? '' }}</p>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
      gap: 4px 16px;
      align-items: start;
      margin-top: 12px;
    }
    .plain {
      min-height: 56px;
      justify-self: start;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class NewSpot {
  private readonly api = inject(HouseApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  /** The id of the place that was named. */
  readonly added = output<string>();
  protected readonly fieldError = fieldError;
  protected readonly error = signal<string | null>(null);
  protected readonly kinds = computed(() => {
    const us = this.about.household().units === 'us';
    const degrees = (celsius: number): number => Math.round(us ? fahrenheitFromCelsius(celsius) : celsius);
    return Object.entries(PLACE_KINDS).map(([value, { label, minC, maxC }]) => ({
      value: value as PlaceKind,
      text: `${label} (about ${degrees(minC)} to ${degrees(maxC)} ${us ? '°F' : '°C'})`,
    }));
  });
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: Validators.required }),
    kind: new FormControl<PlaceKind | ''>('', { nonNullable: true, validators: Validators.required }),
  });

  protected add(sent: FormGroupDirective): void {
    if (this.form.invalid) return;
    const body = { id: uuid(), ...this.form.getRawValue() } as SpotRequest;
    this.api
      .addSpot(body)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          // Empty and unsent again: the next place begins without a reproach.
          sent.resetForm();
          this.error.set(null);
          this.added.emit(body.id);
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.form, problem)),
      });
  }
}
