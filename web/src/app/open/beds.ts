import { readNumber } from '@fresh-tuck/core/seedbox';
import { readBy, text, wholeFrom } from '../kit/validators';
import { showProblem } from '../kit/field-errors';
import { Field } from '../kit/field';
import { FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, model, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { v7 as uuid } from 'uuid';
import type { Crop } from '@fresh-tuck/core/crops';
import { bedGate } from '@fresh-tuck/core/moving';
import { bedAskedBack, bedInWords } from '@fresh-tuck/core/words';
import { formatTemperature, parseCelsius, parseMetres } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { HouseholdApi } from '../data/household/household.api';
import { OpenApi } from './open.api';

/** Which bed, and whether its soil is warm enough; where it is not, plugs and the days they buy. */
@Component({
  selector: 'ft-beds',
  imports: [Field, MatButtonToggleModule, ReactiveFormsModule, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset class="ask-for">
      <legend>Which bed?</legend>
      <mat-button-toggle-group
        class="choices"
        aria-label="Which bed?"
        hideSingleSelectionIndicator
        [value]="bedId()"
        (change)="bedId.set($event.value)"
      >
        @for (bed of beds(); track bed.id) {
          <mat-button-toggle class="choice" [value]="bed.id">{{ bed.name }}</mat-button-toggle>
        }
      </mat-button-toggle-group>
      <button matButton="outlined" type="button" class="choice" [attr.aria-expanded]="adding()" (click)="adding.set(!adding())">
        Another bed
      </button>
    </fieldset>
    @if (adding()) {
      <form [formGroup]="form" (ngSubmit)="add()">
        <ft-field class="name" label="What it is called" [most]="60" [control]="form.controls.name" accepted="A name." />
        <ft-field [label]="'Wide, ' + unit()" mode="decimal" [control]="form.controls.widthM" [accepted]="side" />
        <ft-field [label]="'Long, ' + unit()" mode="decimal" [control]="form.controls.lengthM" [accepted]="side" />
        <ft-field label="Made in (year)" mode="numeric" [control]="form.controls.madeYear" accepted="A year like 2024, or nothing." />
        <button matButton="outlined" type="submit" class="plain">Add this bed</button>
      </form>
    }
    @if (gate(); as gate) {
      <p [class]="gate.tone" role="status">{{ gate.text }}</p>
      @if (standing()) {
        <p class="soft">{{ standing() }}</p>
      }
      @if (askAge()) {
        <form class="soil" (submit)="$event.preventDefault(); tellAge()">
          <ft-field label="Made in (year)" mode="numeric" [control]="age" accepted="A year like 2024." />
          <button matButton="outlined" type="submit" class="plain">Keep its age</button>
        </form>
      }
      <form class="soil" (submit)="$event.preventDefault(); read('soil')">
        <ft-field label="Its soil now" [placeholder]="warmth(12)" [control]="soil" accepted="A temperature like 12, 12.5 C or 54F." />
        <button matButton="outlined" type="submit" class="plain">In the soil</button>
        <button matButton="outlined" type="button" class="plain" (click)="read('air')">Mean of the air</button>
      </form>
    }
    <p class="error" role="alert">{{ error() ?? '' }}</p>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
      gap: 10px;
      align-items: start;
      margin-bottom: 14px;
    }
    .name {
      grid-column: 1 / -1;
    }
    form .plain {
      margin-top: 4px;
    }
    p {
      margin-bottom: 10px;
    }
  `,
})
export class Beds {
  private readonly api = inject(OpenApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  readonly crop = input.required<Crop>();
  readonly bedId = model<string | null>(null);
  protected readonly beds = toSignal(
    inject(Changes).keep(() => this.householdApi.beds()),
    { initialValue: [] },
  );
  protected readonly adding = signal(false);
  protected readonly error = signal<string | null>(null);
  protected readonly unit = computed(() => (this.about.household().units === 'us' ? 'ft' : 'm'));
  protected readonly side = 'A length like 1.2, 80 cm or 4 ft.';
  private readonly metres = (words: string): number | null => parseMetres(words, this.about.household().units);
  private readonly celsius = (words: string): number | null => parseCelsius(words, this.about.household().units);
  protected readonly form = new FormGroup({
    name: text('', Validators.required),
    widthM: text('', Validators.required, readBy(this.metres)),
    lengthM: text('', Validators.required, readBy(this.metres)),
    madeYear: text('', wholeFrom(1950, 2100)),
  });
  protected readonly age = text('', wholeFrom(1950, 2100));
  protected readonly soil = text('', Validators.required, readBy(this.celsius));

  protected readonly bed = computed(() => this.beds().find(({ id }) => id === this.bedId()) ?? null);
  private readonly known = computed(() => {
    const bed = this.bed();
    return bed && bedGate(this.crop(), { ...bed, takenM2: bed.taken.areaM2 }, bed.soil, this.year());
  });
  protected readonly gate = computed(() => {
    const known = this.known();
    return known && bedInWords(known, this.about.household().units);
  });
  protected readonly askAge = computed(() => this.known()?.askAge ?? false);

  /** What is asked back before so many are planted here; null where nothing is. */
  askedBack(plants: number): string | null {
    const known = this.known();
    return known && bedAskedBack(known, plants);
  }

  /** What stands in it, in words. */
  protected readonly standing = computed(() => {
    const { plants, crops } = this.bed()?.taken ?? { plants: 0, crops: [] };
    return plants === 0 ? '' : `In it stand ${crops.map(({ name, plants: count }) => `${count} ${name}`).join(', ')}.`;
  });

  protected tellAge(): void {
    const bed = this.bed();
    this.age.markAsTouched();
    if (!bed || this.age.invalid || this.age.value.trim() === '') return;
    const { id: bedId, name, widthM, lengthM, version } = bed;
    this.api
      .changeBed(bedId, { id: uuid(), name, widthM, lengthM, version, madeYear: readNumber(this.age.value) })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: () => this.error.set(null), error: (problem: ApiProblem) => this.error.set(problem.message) });
  }

  private year(): number {
    return Number(this.about.moments().field(this.about.nowMs()).slice(0, 4));
  }

  protected warmth(celsius: number): string {
    return formatTemperature(celsius, this.about.household().units);
  }

  protected add(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { name, widthM, lengthM, madeYear } = this.form.getRawValue();
    const id = uuid();
    this.api
      .addBed({
        id,
        name,
        widthM: this.metres(widthM) ?? 0,
        lengthM: this.metres(lengthM) ?? 0,
        madeYear: madeYear.trim() === '' ? null : readNumber(madeYear),
      })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.error.set(null);
          this.adding.set(false);
          this.form.reset();
          this.bedId.set(id);
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.form, problem)),
      });
  }

  protected read(source: 'soil' | 'air'): void {
    const bedId = this.bedId();
    this.soil.markAsTouched();
    const celsius = this.celsius(this.soil.value);
    if (bedId === null || celsius === null) return;
    this.api
      .addSoil(bedId, { id: uuid(), day: this.about.moments().field(this.about.nowMs()).slice(0, 10), celsius, source })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: () => this.error.set(null), error: (problem: ApiProblem) => this.error.set(problem.message) });
  }
}
