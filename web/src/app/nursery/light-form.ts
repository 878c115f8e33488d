import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, output, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { v7 as uuid } from 'uuid';
import type { PlaceLight } from '@fresh-tuck/contract';
import { LUX_PER_MICROMOL } from '@fresh-tuck/core/nursing';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { readBy, text } from '../kit/validators';
import { When } from '../kit/when';
import { Word } from '../kit/word';
import { NurseryApi } from './nursery.api';

const DAYLIT = [
  { value: 'window' as const, text: 'through a window' },
  { value: 'roof' as const, text: 'under glass: a porch, a frame, a greenhouse' },
  { value: 'open' as const, text: 'out of doors' },
  { value: 'dark' as const, text: 'not at all' },
];
const FACINGS = [
  { value: 'noon' as const, text: 'towards the noon sun' },
  { value: 'side' as const, text: 'east or west' },
  { value: 'away' as const, text: 'away from the noon sun' },
];
const GLAZINGS = [
  { value: 'one' as const, text: 'one pane' },
  { value: 'two' as const, text: 'two panes' },
  { value: 'coated' as const, text: 'two panes, coated to save warmth' },
  { value: 'three' as const, text: 'three panes' },
];
const DEEP = [
  { value: 0 as const, text: 'right behind it' },
  { value: 0.5 as const, text: 'half a metre into the room' },
  { value: 1 as const, text: 'a metre into the room' },
];
const LAMPS = [
  { value: null, text: 'no lamp' },
  { value: 'tube' as const, text: 'fluorescent tubes' },
  { value: 'white' as const, text: 'white diodes, a board or strip' },
  { value: 'bulb' as const, text: 'one bright bulb' },
];
type LampKind = NonNullable<PlaceLight['lamp']>['kind'];

/** What a meter says of a lamp, µmol: "190", or "12000 lux" turned by its kind. */
export function readMicromol(typed: string, kind: LampKind): number | null {
  const found = /^(\d+(?:[.,]\d+)?) ?(lux|lx|µmol|umol)?$/i.exec(typed.trim());
  if (!found) return null;
  const lux = /^l/i.test(found[2] ?? '');
  const value = Number((found[1] ?? '').replace(',', '.')) / (lux ? LUX_PER_MICROMOL[kind === 'tube' ? 'tube' : 'white'] : 1);
  return value >= 1 && value <= 2500 ? value : null;
}
const within = (low: number, high: number) => (typed: string) => {
  const value = Number(typed.replace(',', '.'));
  return typed.trim() !== '' && value >= low && value <= high ? value : null;
};

/** How light gets to a place, as a sentence. */
@Component({
  selector: 'ft-light-form',
  imports: [Choices, Field, MatButton, MatCheckbox, When, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="save($event)">
      <p class="sentence">
        Daylight comes
        <ft-word label="How daylight comes" [text]="textOf(daylit, light().daylit)" [fixed]="true"
          ><ft-choices label="How daylight comes" [choices]="daylit" [value]="light().daylit" (chosen)="set({ daylit: $event })"
        /></ft-word>
        @if (light().daylit === 'window') {
          that looks
          <ft-word label="Where the window looks" [text]="textOf(facings, light().facing)" [fixed]="true"
            ><ft-choices
              label="Where the window looks"
              [choices]="facings"
              [value]="light().facing"
              (chosen)="set({ facing: $event })" /></ft-word
          >, of
          <ft-word label="Its glass" [text]="textOf(glazings, light().glazing)" [fixed]="true"
            ><ft-choices label="Its glass" [choices]="glazings" [value]="light().glazing" (chosen)="set({ glazing: $event })" /></ft-word
          >; they stand
          <ft-word label="How far in" [text]="textOf(deep, light().metresIn)" [fixed]="true"
            ><ft-choices label="How far in" [choices]="deep" [value]="light().metresIn" (chosen)="set({ metresIn: $event })"
          /></ft-word>
        }
        and over them hangs
        <ft-word label="The lamp" [text]="textOf(lamps, lamp())" [fixed]="true"
          ><ft-choices label="The lamp" [choices]="lamps" [value]="lamp()" (chosen)="lamp.set($event)" /></ft-word
        >, so since <ft-when label="Since when" [(at)]="at" />.
      </p>
      @if (light().daylit === 'window') {
        <mat-checkbox [checked]="light().opposite" (change)="set({ opposite: $event.checked })"
          >a house or tree opposite fills half of its sky</mat-checkbox
        >
      }
      @if (lamp(); as kind) {
        <div class="fields">
          <ft-field
            label="Its strength at the leaves"
            hint="µmol per m² and s, or lux by a meter"
            [control]="strength"
            accepted="From 1 to 2500, like 190, or lux like 12000 lux."
          />
          <ft-field label="Lamp to leaves" mode="decimal" unit="cm" [control]="gap" accepted="From 1 to 300 cm." />
          <ft-field
            label="Its switch gives"
            mode="decimal"
            unit="h a day"
            hint="empty: we say how long"
            [control]="hours"
            accepted="From 0 to 24 hours a day, or empty."
          />
        </div>
        <p class="soft caution">
          Its maker’s distance comes first, and wiring belongs to an electrician. Off wet leaves; eyes off bare ultraviolet and very bright
          diodes. Lamps of red and blue light cannot be read in lux.
        </p>
      }
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <button matButton="outlined" type="submit" class="plain">The light is so</button>
    </form>
  `,
  styles: `
    .sentence {
      max-width: 900px;
      font: 400 19px/1.85 var(--heading);
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
      gap: 8px 14px;
      max-width: 760px;
      margin: 10px 0;
    }
    .caution {
      max-width: 80ch;
      margin-bottom: 10px;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class LightForm {
  private readonly api = inject(NurseryApi);
  private readonly destroyRef = inject(DestroyRef);
  readonly spotId = input.required<string>();
  readonly setup = input.required<PlaceLight>();
  readonly saved = output<string>();
  protected readonly daylit = DAYLIT;
  protected readonly facings = FACINGS;
  protected readonly glazings = GLAZINGS;
  protected readonly deep = DEEP;
  protected readonly lamps = LAMPS;
  protected readonly at = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  private readonly changed = signal<Partial<PlaceLight>>({});
  protected readonly light = computed((): PlaceLight => ({ ...this.setup(), ...this.changed() }));
  protected readonly lamp = signal<LampKind | null>(null);
  protected readonly strength = text(
    '',
    readBy((typed) => readMicromol(typed, this.lamp() ?? 'white')),
  );
  protected readonly gap = text('30', readBy(within(1, 300)));
  protected readonly hours = text('', readBy(within(0, 24)));

  constructor() {
    effect(() => {
      const { lamp } = this.setup();
      untracked(() => {
        this.lamp.set(lamp?.kind ?? null);
        this.strength.setValue(lamp ? String(Math.round(lamp.micromol)) : '');
        this.gap.setValue(String(lamp?.gapCm ?? 30));
        this.hours.setValue(lamp?.hours === null || lamp === null ? '' : String(lamp.hours));
      });
    });
  }

  protected textOf<T>(choices: readonly { readonly value: T; readonly text: string }[], value: T): string {
    return choices.find((choice) => choice.value === value)?.text ?? '';
  }
  protected set(part: Partial<PlaceLight>): void {
    this.changed.update((changed) => ({ ...changed, ...part }));
  }

  protected save(event: Event): void {
    event.preventDefault();
    const kind = this.lamp();
    const fields = kind === null ? [] : [this.strength, this.gap, this.hours];
    for (const field of fields) field.markAsTouched();
    if (fields.some((field) => field.invalid)) return;
    const micromol = kind && readMicromol(this.strength.value, kind);
    if (kind !== null && micromol === null) return this.error.set('Say how strong the lamp is at the leaves: a meter or its sheet knows.');
    const lamp =
      kind === null || micromol === null
        ? null
        : {
            ...{ kind, micromol, gapCm: within(1, 300)(this.gap.value) ?? 30 },
            ...{ watts: this.setup().lamp?.watts ?? null, hours: within(0, 24)(this.hours.value) },
          };
    this.api
      .light(this.spotId(), { id: uuid(), light: { ...this.light(), lamp }, at: this.at() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.error.set(null);
          this.changed.set({});
          this.saved.emit('Its light is noted.');
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
