import { readBy, text, wholeFrom } from '../kit/validators';
import { showProblem } from '../kit/field-errors';
import { Field } from '../kit/field';
import { FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal, effect } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { v7 as uuid } from 'uuid';
import { plantsForBed, plantsForRack, type Wish } from '@fresh-tuck/core/sowing';
import { inUnits, parseMetres } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { Choices } from '../kit/choices';
import { Word } from '../kit/word';
import { KEEPS } from './choices';
import { TuckPlan } from './tuck-plan';
import { HouseholdApi } from '../data/household/household.api';
import { TuckApi } from './tuck.api';

const MOST = 400;

/** How many plants: a number, a bed's worth at a spacing, or a rack's free slots; and whether only the best are kept. */
@Component({
  selector: 'ft-wish-word',
  imports: [Choices, Field, ReactiveFormsModule, MatButton, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './wish-word.html',
  styleUrl: './wish-word.scss',
})
export class WishWord {
  private readonly api = inject(TuckApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly plan = inject(TuckPlan);
  protected readonly beds = toSignal(
    inject(Changes).keep(() => this.householdApi.beds()),
    { initialValue: [] },
  );
  protected readonly racks = toSignal(
    inject(Changes).keep(() => this.api.racks()),
    { initialValue: [] },
  );
  protected readonly keeps = KEEPS;
  protected readonly error = signal<string | null>(null);
  protected readonly adding = signal(false);
  protected readonly lengthUnit = computed(() => (this.about.household().units === 'us' ? 'ft' : 'm'));
  protected readonly spacingUnit = computed(() => (this.about.household().units === 'us' ? 'in' : 'cm'));

  protected readonly side = 'A bed’s side is a length like 1.2 m, 80 cm or 4 ft.';
  protected readonly room = computed(() => `The room for a plant is a length above 0, like 30 ${this.spacingUnit()}.`);
  private readonly metres = (words: string): number | null => parseMetres(words, this.about.household().units);
  protected readonly wanted = text('', Validators.required, wholeFrom(1, MOST));
  protected readonly bed = new FormGroup({
    width: text('', Validators.required, readBy(this.metres)),
    length: text('', Validators.required, readBy(this.metres)),
    inRow: text(
      '',
      Validators.required,
      readBy((words) => this.centimetres(words)),
    ),
    rows: text(
      '',
      Validators.required,
      readBy((words) => this.centimetres(words)),
    ),
  });
  protected readonly rack = new FormGroup({ name: text('', Validators.required), slots: text('', Validators.required, wholeFrom(1, 400)) });

  protected readonly text = computed(() => {
    const number = this.plan.wantedNumber();
    const keep = KEEPS.find(({ value }) => value === this.plan.keep());
    const plants = `${number} ${number === 1 ? 'plant' : 'plants'}`;
    return keep && keep.value < 1 ? `${plants}, ${keep.text}` : plants;
  });
  private readonly spacing = computed(() => this.plan.crop()?.growing.spacingCm ?? null);
  /** The crop's spacing as the household writes it. */
  private write(centimetres: number | undefined): string {
    if (centimetres === undefined) return '';
    return this.spacingUnit() === 'in' ? (centimetres / 2.54).toFixed(1) : String(centimetres);
  }

  constructor() {
    // The number follows the plan, unless it is just being typed.
    effect(() => {
      const number = String(this.plan.wantedNumber());
      if (Number(this.wanted.value) !== Number(number)) this.wanted.setValue(number, { emitEvent: false });
    });
    this.wanted.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      this.wanted.markAsTouched();
      if (this.wanted.valid) this.plan.wanted.set({ plants: Number(value), from: null });
    });
    effect(() => {
      const { inRow, rows } = this.bed.controls;
      inRow.setValue(this.write(this.spacing()?.inRow));
      rows.setValue(this.write(this.spacing()?.rows));
    });
  }

  /** Room for a plant, in centimetres. */
  private centimetres(words: string): number | null {
    const metres = parseMetres(/[a-z"']\s*$/i.test(words.trim()) ? words : `${words} ${this.spacingUnit()}`, 'metric');
    return metres === null ? null : metres * 100;
  }

  /** A bed as measured here, at the spacing that stands there. */
  protected measure(): void {
    this.error.set(null);
    const { width, length } = this.bed.controls;
    width.markAsTouched();
    length.markAsTouched();
    const [widthM, lengthM] = [this.metres(width.value), this.metres(length.value)];
    if (widthM !== null && lengthM !== null) this.fill({ widthM, lengthM }, 'the bed');
  }

  protected fill(bed: { widthM: number; lengthM: number }, name: string): void {
    const { inRow, rows } = this.bed.controls;
    inRow.markAsTouched();
    rows.markAsTouched();
    const spacing = { inRow: this.centimetres(inRow.value), rows: this.centimetres(rows.value) };
    if (spacing.inRow !== null && spacing.rows !== null) {
      this.take(plantsForBed(bed, { inRow: spacing.inRow, rows: spacing.rows }), name);
    }
  }

  protected fillRack({
    id,
    slots,
    taken,
    name,
  }: {
    readonly id: string;
    readonly slots: number;
    readonly taken: number;
    readonly name: string;
  }): void {
    if (!this.take(plantsForRack(slots, taken), name)) return;
    this.plan.destinationFixed.set('slot');
    this.plan.rackId.set(id);
  }

  private take(wish: Wish, from: string): boolean {
    if ('refused' in wish) {
      this.error.set(inUnits(wish.refused, this.about.household().units));
      return false;
    }
    this.error.set(null);
    this.plan.wanted.set({ plants: wish.plants, from });
    return true;
  }

  protected addRack(): void {
    this.rack.markAllAsTouched();
    if (this.rack.invalid) return;
    const { name, slots } = this.rack.getRawValue();
    this.api
      .addRack({ id: uuid(), name, slots: Number(slots) })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.error.set(null);
          this.adding.set(false);
          this.rack.reset();
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.rack, problem)),
      });
  }
}
