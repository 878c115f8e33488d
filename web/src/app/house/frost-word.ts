import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { debounceTime } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Household } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import { dayMs } from '../data/household/moments';
import { type ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { Word } from '../kit/word';
import { HouseApi } from './house.api';

/** A short wait for the next figure, ms. */
const TYPED_MS = 700;
type Frost = NonNullable<Household['frost']>;
/** Usual last frosts by kind of place, north of the equator. Common practice, no source: guesses, and said to be such. */
const REGIONS: readonly { readonly text: string; readonly monthDay: string; readonly giveDays: number }[] = [
  { text: 'by a mild coast', monthDay: '03-25', giveDays: 18 },
  { text: 'in a lowland with cool winters', monthDay: '04-25', giveDays: 14 },
  { text: 'inland, or in a cold hollow', monthDay: '05-12', giveDays: 12 },
  { text: 'high up, or far from the equator', monthDay: '05-30', giveDays: 14 },
];
/** Zones whose spring is in October. */
const SOUTH =
  /^(?:Australia|Antarctica)\/|^Pacific\/(?:Auckland|Chatham|Fiji|Tongatapu)|^Africa\/(?:Johannesburg|Harare|Windhoek|Maputo|Gaborone|Lusaka)|^America\/(?:Argentina|Santiago|Montevideo|Asuncion|Sao_Paulo|Punta_Arenas|La_Paz)|^Indian\/(?:Mauritius|Reunion)/;

/** Half a year on: the same spring on the other side. */
const turned = (monthDay: string): string => {
  const month = ((Number(monthDay.slice(0, 2)) + 5) % 12) + 1;
  return `${String(month).padStart(2, '0')}-${monthDay.slice(3)}`;
};

/** When the last frost is: said once, or taken as the usual of such a place until somebody says better. */
@Component({
  selector: 'ft-frost-word',
  imports: [Choices, Field, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      {{ frost() ? 'The last frost is' : 'When is the last frost where you are? It is' }}
      <ft-word label="The last frost" [text]="said()" [fixed]="frost() !== null && !frost()?.guessed" [missing]="frost() === null">
        <ft-field label="Around (any year)" type="date" [control]="day" accepted="A date of the spring." />
        <ft-field label="Give or take, days" mode="numeric" [control]="give" accepted="A whole number of days from 0 to 60." />
        <p class="soft">Nobody has written it down? Then the usual of such a place, and it says that it is a guess:</p>
        <ft-choices label="The usual of such a place" [choices]="regions()" [value]="null" (chosen)="guess($event)" /> </ft-word
      >.
      <span class="error" role="alert">{{ error() ?? '' }}</span>
    </p>
  `,
})
export class FrostWord {
  private readonly api = inject(HouseApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly error = signal<string | null>(null);
  protected readonly frost = computed(() => this.about.household().frost);
  protected readonly day = text('');
  protected readonly give = text('', wholeFrom(0, 60));
  private readonly south = computed(() => SOUTH.test(this.about.household().zone));
  protected readonly regions = computed((): Choice<string>[] =>
    REGIONS.map(({ text: words, monthDay }) => {
      const here = this.south() ? turned(monthDay) : monthDay;
      return { value: monthDay, text: words, follows: `about ${this.dated(here)}` };
    }),
  );
  protected readonly said = computed(() => {
    const frost = this.frost();
    if (!frost) return 'not said yet';
    return `about ${this.dated(frost.monthDay)}, give or take ${frost.giveDays} days${frost.guessed ? ' (a guess)' : ''}`;
  });

  constructor() {
    for (const control of [this.day, this.give])
      control.valueChanges.pipe(debounceTime(TYPED_MS), takeUntilDestroyed()).subscribe(() => {
        control.markAsTouched();
        if (this.day.value === '' || this.give.invalid) return;
        const giveDays = this.give.value.toString().trim() === '' ? (this.frost()?.giveDays ?? 10) : Number(this.give.value);
        this.save({ monthDay: this.day.value.slice(5, 10), giveDays, guessed: false });
      });
  }

  protected guess(region: string): void {
    const found = REGIONS.find(({ monthDay }) => monthDay === region);
    if (found) this.save({ monthDay: this.south() ? turned(found.monthDay) : found.monthDay, giveDays: found.giveDays, guessed: true });
  }

  private dated(monthDay: string): string {
    const year = this.about.moments().field(this.about.nowMs()).slice(0, 4);
    return this.about
      .moments()
      .day(dayMs(`${year}-${monthDay}`))
      .replace(/^\w+ /, '');
  }

  private save(frost: Frost): void {
    const { name, zone, units, lookingTimes, millilitresPerSpray, version } = this.about.household();
    this.api
      .saveHousehold({ id: uuid(), name, zone, units, lookingTimes, millilitresPerSpray, frost, version })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: (about) => {
          this.error.set(null);
          this.about.take(about);
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
