import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { ValidationErrors } from '@angular/forms';
import { soakHours } from '@fresh-tuck/core/preparing';
import { weeksInWords } from '@fresh-tuck/core/words';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { TuckPlan } from './tuck-plan';

/** What belongs to a soak or a chill beside that it is done: its hours, what was given before, damp or dry. */
@Component({
  selector: 'ft-ready-fields',
  imports: [Field, MatButtonToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (part() === 'soak') {
      @if (plan.soaking()) {
        <ft-field
          label="How many hours?"
          [hint]="'Empty: ' + usualHours() + '. Hand-warm water; it drowns after ' + limit() + ' h.'"
          mode="decimal"
          [control]="hours"
          [placeholder]="usualHours()"
          [accepted]="'Hours from half an hour to ' + limit() + ': this kind drowns after that.'"
        />
      }
    } @else {
      @if (plan.chillDays() !== null) {
        <mat-button-toggle class="choice row" [checked]="!plan.chillDry()" (change)="plan.chillDry.set(!$event.source.checked)">
          damp, laid as it is here <span class="soft">earns its weeks; some may root in the cold</span>
        </mat-button-toggle>
        <mat-button-toggle class="choice row" [checked]="plan.chillDry()" (change)="plan.chillDry.set($event.source.checked)">
          dry, in its packet <span class="soft">keeps it; it earns no chill that way</span>
        </mat-button-toggle>
      }
      <ft-field
        label="Days of damp cold it had before"
        hint="Empty: none. A winter outdoors, or another bag."
        type="number"
        mode="numeric"
        [min]="0"
        [max]="200"
        [control]="before"
        accepted="Days of cold are a whole number from 0 to 200, or empty for none."
      />
      @if (wants(); as wants) {
        <p class="soft">{{ wants }}</p>
      }
    }
  `,
})
export class ReadyFields {
  protected readonly plan = inject(TuckPlan);
  readonly part = input.required<'soak' | 'chill'>();
  protected readonly limit = computed(() => this.plan.crop()?.water.drowningLimitHours ?? 24);
  protected readonly usualHours = computed(() => {
    const crop = this.plan.crop();
    return `${(crop && soakHours(crop)?.[1]) ?? 12}`;
  });
  protected readonly wants = computed(() => {
    const chill = this.plan.crop()?.chill;
    if (!chill) return null;
    if (chill.weeks === 0) return 'This kind asks for no cold.';
    const none = Math.round(chill.needNone * 10);
    return `This kind asks for ${weeksInWords(chill.weeks * 7)}; without it about ${none < 1 ? 'none' : `${none} in 10`} come. Days count where the place is cold, by its record.`;
  });
  protected readonly hours = text('', (control): ValidationErrors | null => {
    const typed = String(control.value ?? '').trim();
    const hours = Number(typed.replace(',', '.'));
    return typed === '' || (hours >= 0.5 && hours <= this.limit()) ? null : { hours: true };
  });
  protected readonly before = text('', wholeFrom(0, 200));

  constructor() {
    this.hours.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      this.hours.markAsTouched();
      const typed = String(value ?? '').trim();
      if (this.hours.valid) this.plan.soakHours.set(typed === '' ? null : Number(typed.replace(',', '.')));
    });
    this.before.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      this.before.markAsTouched();
      if (this.before.valid) this.plan.chilledDays.set(Number(value ?? 0) || 0);
    });
    effect(() => {
      const days = this.plan.chilledDays();
      if (Number(this.before.value || 0) !== days) this.before.setValue(days === 0 ? '' : String(days), { emitEvent: false });
    });
  }
}
