import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { v7 as uuid } from 'uuid';
import type { CropSummary, Packet } from '@fresh-tuck/contract';
import { AboutService } from '../data/about.service';
import { Api, type ApiProblem } from '../data/api.service';
import { Changes } from '../data/changes.service';
import { fieldError, showProblem } from '../kit/field-errors';

const whole = Validators.pattern(/^\s*\d*\s*$/);

/** The seed box, as a plain list, with a form for a new packet. */
@Component({
  selector: 'ft-seeds',
  imports: [MatAutocompleteModule, MatCheckboxModule, MatFormFieldModule, MatInputModule, ReactiveFormsModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './seeds.html',
  styleUrl: './seeds.scss',
})
export class SeedsScreen {
  private readonly api = inject(Api);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  readonly add = input<string>();
  /** The packet that somebody came for. */
  readonly packet = input<string>();
  protected readonly came = this.packet;

  protected readonly packets = toSignal(inject(Changes).keep(() => this.api.packets()));
  protected readonly crops = toSignal(this.api.crops(), { initialValue: [] });
  protected readonly adding = linkedSignal(() => this.add() !== undefined);
  protected readonly error = signal<string | null>(null);
  protected readonly added = signal<{ id: string; text: string } | null>(null);
  protected readonly fieldError = fieldError;

  protected readonly form = new FormGroup({
    crop: new FormControl<string | CropSummary>('', { nonNullable: true, validators: Validators.required }),
    variety: new FormControl('', { nonNullable: true, validators: Validators.required }),
    year: new FormControl('', { nonNullable: true, validators: whole }),
    source: new FormControl('', { nonNullable: true }),
    printedRatePercent: new FormControl('', { nonNullable: true, validators: whole }),
    seedCount: new FormControl('', { nonNullable: true, validators: whole }),
    dressed: new FormControl(false, { nonNullable: true }),
  });
  private readonly typed = toSignal(this.form.controls.crop.valueChanges, { initialValue: '' });
  protected readonly matching = computed(() => {
    const typed = this.typed();
    const text = (typeof typed === 'string' ? typed : typed.name).trim().toLowerCase();
    return this.crops().filter(({ name, otherNames, latin }) =>
      [name, ...otherNames, latin].some((known) => known.toLowerCase().includes(text)),
    );
  });

  protected readonly advice = { use_up: 'use it up', test_first: 'test it first', short: 'nearly empty' } as const;

  protected inTen(share: number): string {
    const tenths = Math.round(share * 10);
    return tenths === 0 ? 'less than 1' : String(tenths);
  }

  protected rateInWords({ stock }: Packet): string {
    return `Expected to live: ${Math.round(stock.mean * 100)} of 100, between ${Math.round(stock.low * 100)} and ${Math.round(stock.high * 100)} 8 times in 10`;
  }

  protected readonly nameOf = (crop: string | CropSummary | null): string =>
    typeof crop === 'string' || crop === null ? (crop ?? '') : crop.name;

  constructor() {
    afterRenderEffect(() => {
      const id = this.packet();
      if (id && this.packets()) document.getElementById(id)?.scrollIntoView({ block: 'center' });
    });
  }

  protected save(): void {
    const { crop, variety, year, source, printedRatePercent, seedCount, dressed } = this.form.getRawValue();
    const name = this.nameOf(crop).trim().toLowerCase();
    const known =
      typeof crop === 'string'
        ? this.crops().find((other) => [other.name, ...other.otherNames].some((one) => one.toLowerCase() === name))
        : crop;
    if (!known) this.form.controls.crop.setErrors({ unknown: true });
    this.form.markAllAsTouched();
    if (this.form.invalid || !known) return;
    const number = (text: string): number | null => (text.trim() === '' ? null : Number(text));
    const id = uuid();
    this.api
      .addPacket({
        id,
        cropId: known.id,
        variety,
        year: number(year),
        source: source.trim() || null,
        printedRatePercent: number(printedRatePercent),
        seedCount: number(seedCount),
        dressed,
      })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: (packet) => {
          this.added.set({ id: packet.id, text: `${packet.cropName}, ${packet.variety}` });
          this.error.set(null);
          this.adding.set(false);
          this.form.reset();
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.form, problem, { crop: 'cropId' })),
      });
  }
}
