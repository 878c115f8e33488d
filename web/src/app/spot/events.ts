import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import type { Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { SpotEvent, SpotSheet } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { showProblem } from '../kit/field-errors';
import { readBy, text } from '../kit/validators';
import { SpotApi } from './spot.api';

type Kind = SpotEvent['kind'];
const KINDS: readonly { value: Kind; text: string }[] = [
  { value: 'warm', text: 'a warm spell' },
  { value: 'cold', text: 'a cold spell' },
  { value: 'sunny', text: 'a clear sky, sun on it' },
  { value: 'power_cut', text: 'no power' },
  { value: 'thermostat_off', text: 'the thermostat off' },
  { value: 'lid_off', text: 'the lid off' },
];
const HOUR_MS = 3_600_000;

/** What came over a place, or is known to come: it marks whatever stands there meanwhile. */
@Component({
  selector: 'ft-spot-events',
  imports: [Field, MatButton, MatFormFieldModule, MatSelectModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      @for (event of sheet().events; track event.id) {
        <li>
          {{ about.moments().short(event.fromMs) }} to {{ about.moments().short(event.toMs) }}: {{ event.inWords
          }}{{ event.note ? ', ' + event.note : '' }}
          <button matButton="text" type="button" class="quiet" (click)="takeBack(event)">
            Take it back<span class="unseen">: {{ event.inWords }}</span>
          </button>
        </li>
      } @empty {
        <li class="soft">
          Nothing yet. What is noted marks whatever stood there meanwhile; where no thermometer read it, the forecasts reckon with it.
        </li>
      }
    </ul>
    <form class="moments" [formGroup]="form" (ngSubmit)="save()">
      <mat-form-field appearance="outline">
        <mat-label>What came, or is to come</mat-label>
        <mat-select formControlName="kind">
          @for (kind of kinds; track kind.value) {
            <mat-option [value]="kind.value">{{ kind.text }}</mat-option>
          }
        </mat-select>
      </mat-form-field>
      <ft-field label="From" type="datetime-local" [control]="form.controls.begins" accepted="A day and a time." />
      <ft-field label="To" type="datetime-local" [control]="form.controls.ends" accepted="A day and a time after it began." />
      @if (spell()) {
        <ft-field
          label="By so many degrees"
          mode="decimal"
          unit="°"
          [control]="form.controls.by"
          accepted="Degrees at its height, from 0.5 to 25."
        />
      }
      <ft-field label="Note" [most]="200" [control]="form.controls.note" accepted="A few words, or nothing." />
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <button matButton="outlined" type="submit" class="plain">Note it</button>
    </form>
  `,
  styleUrl: './forms.scss',
})
export class SpotEvents {
  private readonly api = inject(SpotApi);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  readonly sheet = input.required<SpotSheet>();
  readonly saved = output<string>();
  protected readonly kinds = KINDS;
  protected readonly error = signal<string | null>(null);
  private readonly kelvin = (words: string): number | null => {
    const value = Number(words.replace(',', '.')) / (this.about.household().units === 'us' ? 1.8 : 1);
    return words.trim() !== '' && value >= 0.5 && value <= 25 ? value : null;
  };
  protected readonly form = new FormGroup({
    kind: new FormControl<Kind>('warm', { nonNullable: true }),
    begins: text(this.about.moments().field(this.about.nowMs() - 2 * HOUR_MS), Validators.required),
    ends: text(this.about.moments().field(this.about.nowMs()), Validators.required),
    by: text('', readBy(this.kelvin)),
    note: text(''),
  });
  private readonly kind = toSignal(this.form.controls.kind.valueChanges, { initialValue: 'warm' });
  protected readonly spell = computed(() => this.kind() === 'warm' || this.kind() === 'cold');

  protected save(): void {
    const { kind, begins, ends, by, note } = this.form.getRawValue();
    const byC = this.spell() ? this.kelvin(by) : null;
    if (this.spell() && byC === null) this.form.controls.by.setErrors({ required: true });
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const body = { id: uuid(), kind, begins: begins.slice(0, 16), ends: ends.slice(0, 16), byC, note: note.trim() === '' ? null : note };
    this.run(this.api.event(this.sheet().spot.id, body), 'Noted: every batch that stood here then is marked.', true);
  }
  protected takeBack({ id }: SpotEvent): void {
    this.run(this.api.takeBack(this.sheet().spot.id, { id: uuid(), recordId: id }), 'Taken back.', false);
  }
  private run(request: Observable<unknown>, said: string, typed: boolean): void {
    request.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: () => {
        this.error.set(null);
        if (typed) this.form.patchValue({ by: '', note: '' });
        this.form.markAsUntouched();
        this.saved.emit(said);
      },
      error: (problem: ApiProblem) => this.error.set(typed ? showProblem(this.form, problem) : problem.message),
    });
  }
}
