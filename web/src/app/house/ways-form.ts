import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { v7 as uuid } from 'uuid';
import type { WaysRequest } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { fieldError, showProblem } from '../kit/field-errors';
import { HouseApi } from './house.api';

const NUMBER = Validators.pattern(/^\s*\d+([.,]\d+)?\s*$/);
const percent = (share: number): string => String(Number((share * 100).toFixed(2)));
const number = (text: string): number => Number(text.replace(',', '.'));

/** How this house moves, looks and judges. */
@Component({
  selector: 'ft-ways-form',
  imports: [MatButton, MatFormFieldModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="save()">
      <mat-form-field appearance="outline">
        <mat-label>Sprouts are moved at</mat-label>
        <mat-select formControlName="rootSchool">
          <mat-option value="crop">the root that each crop’s page advises</mat-option>
          <mat-option value="tip">{{ about.told('the first tip, about 2 mm') }}</mat-option>
          <mat-option value="short">{{ about.told('a short root, about 8 mm') }}</mat-option>
          <mat-option value="finger">{{ about.told('a finger-wide root, about 16 mm') }}</mat-option>
        </mat-select>
        <mat-hint>What hates being moved keeps to its crop’s page</mat-hint>
      </mat-form-field>
      <mat-form-field appearance="outline">
        <mat-label>A bag is looked at</mat-label>
        <mat-select formControlName="unopenedFirst">
          <mat-option [value]="false">opened</mat-option>
          <mat-option [value]="true">unopened first, where that is enough</mat-option>
        </mat-select>
      </mat-form-field>
      @for (field of fields; track field.name) {
        <mat-form-field appearance="outline">
          <mat-label>{{ field.label }}</mat-label>
          <input matInput [formControlName]="field.name" inputmode="decimal" />
          <span matTextSuffix>{{ field.unit }}</span>
          <mat-hint>{{ field.hint }}</mat-hint>
          <mat-error>{{ fieldError(form.controls[field.name], 'A number ' + field.accepts + '.') }}</mat-error>
        </mat-form-field>
      }
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <button matButton="outlined" type="submit" class="plain">Save how it is done here</button>
      <p class="growth" role="status">{{ said() }}</p>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
      gap: 18px;
      align-items: start;
    }
    .plain {
      justify-self: start;
    }
    .error {
      grid-column: 1 / -1;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class WaysForm {
  private readonly api = inject(HouseApi);
  protected readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly error = signal<string | null>(null);
  /** The version that is being changed. */
  private basedOn: number | null = null;
  protected readonly said = signal('');
  protected readonly fieldError = fieldError;
  protected readonly fields = [
    {
      name: 'lateTolerance',
      label: 'Accepted risk of missing a late root',
      unit: '%',
      hint: 'chance for any seed of a bag, per look',
      accepts: 'from 0.1 to 50 %',
    },
    {
      name: 'sureness',
      label: 'How sure to be of enough',
      unit: '%',
      hint: 'below it more seed is asked for',
      accepts: 'from 50 to 99 %',
    },
    {
      name: 'leastHope',
      label: 'Give up below',
      unit: '%',
      hint: 'chance of any further tip within patience',
      accepts: 'from 0.1 to 50 %',
    },
    {
      name: 'patienceTimes',
      label: 'Patience at the least',
      unit: '× usual',
      hint: 'times what half of the live seeds need; then the looks decide',
      accepts: 'from 1.5 to 20',
    },
    {
      name: 'retestChance',
      label: 'Doubt a packet below',
      unit: '%',
      hint: 'chance of so few if what it promised held',
      accepts: 'from 0.1 to 50 %',
    },
  ] as const;
  protected readonly form = new FormGroup({
    rootSchool: new FormControl<WaysRequest['rootSchool']>('crop', { nonNullable: true }),
    unopenedFirst: new FormControl(false, { nonNullable: true }),
    lateTolerance: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
    sureness: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
    leastHope: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
    patienceTimes: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
    retestChance: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
  });

  constructor() {
    effect(() => {
      const { ways, version } = this.about.household();
      // What is being typed is never overwritten by what comes in.
      if (!this.form.pristine) return;
      this.basedOn = version;
      this.form.setValue({
        rootSchool: ways.rootSchool,
        unopenedFirst: ways.unopenedFirst,
        lateTolerance: percent(ways.lateTolerance),
        sureness: percent(ways.sureness),
        leastHope: percent(ways.leastHope),
        patienceTimes: String(ways.patienceTimes),
        retestChance: percent(ways.retestChance),
      });
    });
  }

  protected save(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const typed = this.form.getRawValue();
    const share = (text: string): number => number(text) / 100;
    this.api
      .saveWays({
        id: uuid(),
        version: this.basedOn,
        rootSchool: typed.rootSchool,
        unopenedFirst: typed.unopenedFirst,
        lateTolerance: share(typed.lateTolerance),
        sureness: share(typed.sureness),
        leastHope: share(typed.leastHope),
        patienceTimes: number(typed.patienceTimes),
        retestChance: share(typed.retestChance),
      })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: (about) => {
          this.form.markAsPristine();
          this.error.set(null);
          this.about.take(about);
          this.said.set('Saved. Today follows it at once.');
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.form, problem)),
      });
  }
}
