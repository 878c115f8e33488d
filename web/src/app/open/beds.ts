import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, model, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { v7 as uuid } from 'uuid';
import type { Bed } from '@fresh-tuck/contract';
import type { Crop } from '@fresh-tuck/core/crops';
import { bedGate } from '@fresh-tuck/core/moving';
import { chanceInWords, formatTemperature, parseCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { HouseholdApi } from '../data/household/household.api';
import { OpenApi } from './open.api';

/** Which bed, and whether its soil is warm enough; where it is not, plugs and the days they buy. */
@Component({
  selector: 'ft-beds',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset class="ask-for">
      <legend>Which bed?</legend>
      @for (bed of beds(); track bed.id) {
        <button matButton="outlined" type="button" class="choice" [attr.aria-pressed]="bedId() === bed.id" (click)="bedId.set(bed.id)">
          {{ bed.name }}
        </button>
      }
      <button matButton="outlined" type="button" class="choice" [attr.aria-expanded]="adding()" (click)="adding.set(!adding())">
        Another bed
      </button>
    </fieldset>
    @if (adding()) {
      <form (submit)="$event.preventDefault(); add(name.value, width.value, length.value, year.value)">
        <label>What it is called <input #name class="entry" maxlength="60" /></label>
        <label>Wide, m <input #width class="entry" inputmode="decimal" /></label>
        <label>Long, m <input #length class="entry" inputmode="decimal" /></label>
        <label>Made in (year) <input #year class="entry" inputmode="numeric" /></label>
        <button matButton="outlined" type="submit" class="plain">Add this bed</button>
      </form>
    }
    @if (gate(); as gate) {
      <p [class]="gate.tone" role="status">{{ gate.text }}</p>
      <form class="soil" (submit)="$event.preventDefault(); read(soil.value, 'soil')">
        <label>Its soil now <input #soil class="entry" [placeholder]="warmth(12)" /></label>
        <button matButton="outlined" type="submit" class="plain">In the soil</button>
        <button matButton="outlined" type="button" class="plain" (click)="read(soil.value, 'air')">Mean of the air</button>
      </form>
    }
    <p class="error" role="alert">{{ error() ?? '' }}</p>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
      gap: 10px;
      align-items: end;
      margin-bottom: 14px;
    }
    label {
      display: grid;
      gap: 4px;
      font-weight: 700;
    }
    .entry {
      width: 100%;
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

  protected readonly gate = computed(() => {
    const bed = this.beds().find(({ id }) => id === this.bedId());
    return bed ? this.say(bed) : null;
  });

  private say(bed: Bed): { tone: string; text: string } {
    const crop = this.crop();
    const { ready, chanceWarm, soilC, soilSd, minC, places, plugDays } = bedGate(crop, bed, bed.soil);
    const fits = places === null ? '' : places === 0 ? ' Not one fits at its spacing.' : ` ${places} fit at its spacing.`;
    const young = bed.madeYear !== null && crop.preparation.steps.includes('inoculate') && this.year() - bed.madeYear < 3;
    const inoculate = young ? ' The bed is young: roll the roots in rhizobium powder.' : '';
    if (minC === null) return { tone: 'growth', text: `It asks for no warmth of the soil.${fits}${inoculate}` };
    if (soilC === null || chanceWarm === null) {
      return { tone: 'waiting', text: `It wants ${this.warmth(minC)} of soil; say what the bed has.${fits}${inoculate}` };
    }
    const said = `${this.warmth(soilC)} give or take ${Math.max(Math.round(soilSd), 1)}°, wanted ${this.warmth(minC)}: ${chanceInWords(chanceWarm)} that it is warm enough.`;
    return ready
      ? { tone: 'growth', text: `${said}${fits}${inoculate}` }
      : { tone: 'trouble', text: `${said} Not ready: put them into plugs, that buys about ${plugDays} days on a cool sill.${fits}` };
  }

  private year(): number {
    return Number(this.about.moments().field(this.about.nowMs()).slice(0, 4));
  }

  protected warmth(celsius: number): string {
    return formatTemperature(celsius, this.about.household().units);
  }

  protected add(name: string, width: string, length: string, year: string): void {
    const number = (text: string): number => Number(text.replace(',', '.'));
    const id = uuid();
    this.api
      .addBed({ id, name, widthM: number(width), lengthM: number(length), madeYear: year.trim() === '' ? null : number(year) })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.error.set(null);
          this.adding.set(false);
          this.bedId.set(id);
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected read(text: string, source: 'soil' | 'air'): void {
    const bedId = this.bedId();
    const celsius = parseCelsius(text, this.about.household().units);
    if (bedId === null) return;
    if (celsius === null) {
      this.error.set('A temperature like 12, 12.5 C or 54F.');
      return;
    }
    this.api
      .addSoil(bedId, { id: uuid(), day: this.about.moments().field(this.about.nowMs()).slice(0, 10), celsius, source })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: () => this.error.set(null), error: (problem: ApiProblem) => this.error.set(problem.message) });
  }
}
