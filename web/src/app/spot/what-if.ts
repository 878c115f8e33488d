import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { catchError, debounceTime, EMPTY, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { SpotSetup, SpotSheet, WhatIfRequest } from '@fresh-tuck/contract';
import { formatTemperature, parseCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Field } from '../kit/field';
import { Parcel } from '../kit/parcel';
import { readBy, text } from '../kit/validators';
import { Word } from '../kit/word';
import { SpotApi } from './spot.api';
import { Twin } from './twin';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
type Occurrence = WhatIfRequest['occurrences'][number];
/** What may come over a place, as one would say it. */
const COMING = ['nothing', 'warm', 'sunny', 'cold', 'power_cut', 'thermostat_off', 'lid_off'] as const;
type Coming = (typeof COMING)[number];

/** What a change or an event would do to every parcel of a place, before it happens. */
@Component({
  selector: 'ft-what-if',
  imports: [Choices, Field, MatButton, Parcel, Twin, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="said">
      If
      @if (sheet().setup.mat) {
        the thermostat is set to
        <ft-word label="Thermostat" [text]="setText()" [fixed]="setC() !== null">
          <ft-field
            label="Set to"
            mode="decimal"
            [unit]="unit()"
            [control]="typed"
            accepted="A temperature from 5 to 45 °C, like 27 or 80F."
          />
        </ft-word>
        and
        <ft-word label="Cloths between mat and bags" [text]="clothText()" [fixed]="cloths() !== null">
          <ft-choices
            label="Cloths between mat and bags"
            [choices]="clothChoices"
            [value]="wished().cloths"
            (chosen)="cloths.set($event)"
          />
        </ft-word>
        between, and
      }
      <ft-word label="Lid" [text]="wished().lidded ? 'the lid on' : 'no lid'" [fixed]="lidded() !== null">
        <ft-choices label="Lid" [choices]="lidChoices" [value]="wished().lidded" (chosen)="lidded.set($event)" />
      </ft-word>
      and
      <ft-word label="What comes over it" [text]="comingText()" [fixed]="coming() !== 'nothing'" after=":">
        <ft-choices label="What comes over it" [choices]="comingChoices()" [value]="coming()" (chosen)="coming.set($event)" />
      </ft-word>
    </h2>
    @if (answer(); as answer) {
      <p class="answer" role="status">{{ answer.text }}</p>
      @if (answer.parcels.length > 0) {
        <p class="soft">Dashed as it goes now, filled as it would be, each for as long as it is worth waiting; eight days, a line a day.</p>
      } @else {
        <p class="soft">Nothing stands here now.</p>
      }
      <ul>
        @for (one of answer.parcels; track one.id) {
          <li>
            <ft-parcel [number]="one.number" [state]="one.state" [carrier]="one.carrier" [width]="82" [most]="6" />
            <b>{{ one.title }}</b>
            <ft-twin [nowMs]="sheet().nowMs" [before]="one.before" [after]="one.after" />
            <p>
              <b [class]="touched() ? one.tone : 'soft'">{{ touched() ? one.lead : 'as it goes' }}</b>
              @for (note of one.notes; track note) {
                <br />{{ note }}
              }
            </p>
          </li>
        }
      </ul>
      @if (touched()) {
        <p class="acts">
          @if (changed()) {
            <button matButton="outlined" type="button" class="plain" (click)="setSo()">It is set so now</button>
          }
          @if (coming() !== 'nothing') {
            <button matButton="outlined" type="button" class="plain" (click)="note()">Reckon with it</button>
          }
          <button matButton="text" type="button" class="quiet" (click)="asItIs()">As it is</button>
        </p>
      }
    }
    <p class="error" role="alert">{{ error() ?? '' }}</p>
  `,
  styleUrl: './what-if.scss',
})
export class WhatIfSection {
  private readonly api = inject(SpotApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  readonly sheet = input.required<SpotSheet>();
  readonly saved = output<string>();
  protected readonly error = signal<string | null>(null);

  protected readonly setC = signal<number | null>(null);
  protected readonly cloths = signal<number | null>(null);
  protected readonly lidded = signal<boolean | null>(null);
  protected readonly coming = signal<Coming>('nothing');
  private readonly celsius = (words: string): number | null => {
    const value = parseCelsius(words, this.about.household().units);
    return value !== null && value >= 5 && value <= 45 ? value : null;
  };
  protected readonly typed = text('', Validators.required, readBy(this.celsius));
  protected readonly unit = computed(() => (this.about.household().units === 'us' ? '°F' : '°C'));

  protected readonly wished = computed((): SpotSetup => {
    const { setup } = this.sheet();
    return {
      ...setup,
      lidded: this.lidded() ?? setup.lidded,
      cloths: this.cloths() ?? setup.cloths,
      mat: setup.mat && { ...setup.mat, setC: this.setC() ?? setup.mat.setC },
    };
  });
  protected readonly changed = computed(() => JSON.stringify(this.wished()) !== JSON.stringify(this.sheet().setup));
  protected readonly touched = computed(() => this.changed() || this.coming() !== 'nothing');
  protected readonly setText = computed(() => {
    const setC = this.wished().mat?.setC ?? null;
    return setC === null ? 'always on' : formatTemperature(setC, this.about.household().units);
  });
  protected readonly clothChoices: readonly Choice<number>[] = [
    { value: 0, text: 'nothing lies' },
    { value: 1, text: 'a folded cloth lies', follows: 'evens the heat; never over the mat’s own cover where its maker forbids it' },
    { value: 2, text: 'two cloths lie' },
  ];
  protected readonly clothText = computed(
    () => this.clothChoices.find(({ value }) => value === this.wished().cloths)?.text ?? `${this.wished().cloths} cloths lie`,
  );
  protected readonly lidChoices: readonly Choice<boolean>[] = [
    { value: true, text: 'the lid on' },
    { value: false, text: 'no lid' },
  ];
  protected readonly comingChoices = computed((): readonly Choice<Coming>[] =>
    COMING.filter((kind) =>
      kind === 'sunny' ? this.sheet().setup.sun !== null : kind !== 'thermostat_off' || this.sheet().setup.mat !== null,
    ).map((value) => ({
      value,
      text: this.textOf(value),
    })),
  );
  protected readonly comingText = computed(() => this.textOf(this.coming()));
  private textOf(kind: Coming): string {
    const by = this.about.household().units === 'us' ? '14°' : '8°';
    return {
      nothing: 'nothing comes over it',
      warm: `a warm day tomorrow, ${by} more`,
      sunny: 'a clear sky tomorrow',
      cold: `a cold night, ${by} less`,
      power_cut: 'a power cut of six hours from now',
      thermostat_off: 'the thermostat off for a day',
      lid_off: 'the lid forgotten off for a day',
    }[kind];
  }
  private readonly occurrence = computed((): Occurrence | null => {
    const { field } = this.about.moments();
    const { nowMs } = this.sheet();
    const on = (days: number, clock: string): string => `${field(nowMs + days * DAY_MS).slice(0, 10)}T${clock}`;
    const inHours = (hours: number): string => field(nowMs + hours * HOUR_MS);
    switch (this.coming()) {
      case 'nothing':
        return null;
      case 'warm':
        return { kind: 'warm', begins: on(1, '09:00'), ends: on(1, '21:00'), byC: 8 };
      case 'cold':
        return { kind: 'cold', begins: on(0, '21:00') > inHours(0) ? on(0, '21:00') : inHours(0), ends: on(1, '09:00'), byC: 8 };
      case 'sunny':
        return { kind: 'sunny', begins: on(1, '06:00'), ends: on(1, '21:00'), byC: null };
      case 'power_cut':
        return { kind: 'power_cut', begins: inHours(0), ends: inHours(6), byC: null };
      default:
        return { kind: this.coming() as 'thermostat_off' | 'lid_off', begins: inHours(0), ends: inHours(24), byC: null };
    }
  });
  private readonly asked = computed(() => {
    const one = this.occurrence();
    const asked: WhatIfRequest = { setup: this.changed() ? this.wished() : null, occurrences: one ? [one] : [] };
    return { id: this.sheet().spot.id, asked };
  });
  protected readonly answer = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(120),
      switchMap(({ id, asked }) =>
        this.api.whatIf(id, asked).pipe(
          catchError((problem: ApiProblem) => {
            this.error.set(problem.message);
            return EMPTY;
          }),
        ),
      ),
    ),
  );
  constructor() {
    this.typed.valueChanges.pipe(takeUntilDestroyed()).subscribe((words) => {
      this.typed.markAsTouched();
      const value = this.celsius(words);
      if (value !== null) this.setC.set(value);
    });
  }

  protected asItIs(): void {
    this.setC.set(null);
    this.cloths.set(null);
    this.lidded.set(null);
    this.coming.set('nothing');
    this.typed.reset('');
  }

  protected setSo(): void {
    this.api
      .setUp(this.sheet().spot.id, { id: uuid(), at: null, setup: this.wished() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          const coming = this.coming();
          this.asItIs();
          this.coming.set(coming);
          this.saved.emit('Set up so from now on.');
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected note(): void {
    const one = this.occurrence();
    if (!one) return;
    this.api
      .event(this.sheet().spot.id, { id: uuid(), note: null, ...one, byC: one.byC ?? null })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.coming.set('nothing');
          this.saved.emit('Reckoned with: the forecasts of all that stands here follow it.');
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
