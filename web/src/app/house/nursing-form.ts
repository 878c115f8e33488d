import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { v7 as uuid } from 'uuid';
import type { NursingRequest } from '@fresh-tuck/contract';
import { SCHOOLS } from '@fresh-tuck/core/crops';
import { MOST_LATITUDE } from '@fresh-tuck/core/nursing';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { readBy, text } from '../kit/validators';
import { Word } from '../kit/word';
import { HouseApi } from './house.api';

type Ways = NursingRequest['schools'];
/** The questions of the nursery in one sentence: what stands before each word. */
const ASKED = [
  { id: 'set', before: 'A sprout is set', after: ',' },
  { id: 'firm', before: 'the mix', after: ',' },
  { id: 'pot', before: '', after: ' to a pot;' },
  { id: 'watered', before: 'watered', after: '.' },
  { id: 'cover', before: 'The lid comes off', after: '.' },
] as const satisfies readonly { id: keyof Ways; before: string; after: string }[];

/** Degrees north from "55.6", "33.9 S" or "-33.9"; null where it says nothing of the kind. */
export function readLatitude(typed: string): number | null {
  const found = /^(-?\d+(?:[.,]\d+)?) ?°? ?([NS])?$/i.exec(typed.trim());
  if (!found) return null;
  const value = Number((found[1] ?? '').replace(',', '.')) * (found[2]?.toUpperCase() === 'S' ? -1 : 1);
  return Math.abs(value) <= MOST_LATITUDE ? value : null;
}
const readPercent = (typed: string): number | null => {
  const value = Number(typed.replace(',', '.').replace('%', ''));
  return typed.trim() !== '' && value >= 0 && value <= 100 ? value / 100 : null;
};
/** Of a day in a cloudy spring, %. Guess. */
const USUAL_SUNSHINE = '40';

/** How this house raises what it moved, and under which sky. */
@Component({
  selector: 'ft-nursing-form',
  imports: [Choices, Field, MatButton, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="save($event)">
      <p class="sentence">
        @for (one of asked; track one.id) {
          {{ one.before }}
          <ft-word [label]="one.school.question" [text]="wordOf(one.id)" [fixed]="true">
            <ft-choices
              [label]="one.school.question"
              [choices]="one.choices"
              [value]="ways()[one.id]"
              (chosen)="set(one.id, $event)"
            /> </ft-word
          >{{ one.after }}
        }
      </p>
      <p class="soft">What a crop asks for comes first: fine seed is laid on top, a big one on its side.</p>
      <div class="fields">
        <ft-field
          label="How far north the house lies"
          unit="°"
          hint="for the hours of daylight; 33.9 S in the south"
          [control]="latitude"
          accepted="Degrees from 65 S to 65 N, like 55.6 or 33.9 S, or empty."
        />
        <ft-field
          label="Sunshine, of the day’s hours"
          unit="%"
          hint="overcast is near 0, a clear week 80"
          [control]="sunshine"
          accepted="A share from 0 to 100 %."
        />
      </div>
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <button matButton="outlined" type="submit" class="plain">Save how they are raised</button>
      <p class="growth" role="status">{{ said() }}</p>
    </form>
  `,
  styles: `
    .sentence {
      max-width: 900px;
      font: 400 19px/1.85 var(--heading);
      text-wrap: pretty;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
      gap: 8px 14px;
      max-width: 700px;
      margin: 12px 0;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class NursingForm {
  private readonly api = inject(HouseApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly asked = ASKED.map((one) => {
    const school = SCHOOLS.find(({ id }) => id === one.id) ?? { question: '', choices: [] };
    return { ...one, school, choices: school.choices.map(({ id, label, reason }) => ({ value: id, text: label, follows: reason })) };
  });
  protected readonly ways = signal<Ways>(this.about.household().nursing.schools);
  protected readonly latitude = text('', readBy(readLatitude));
  protected readonly sunshine = text(USUAL_SUNSHINE, readBy(readPercent));
  protected readonly error = signal<string | null>(null);
  protected readonly said = signal('');
  private touched = false;
  private readonly version = computed(() => this.about.household().version);

  constructor() {
    effect(() => {
      const { schools, sky } = this.about.household().nursing;
      // What is being said is never overwritten by what comes in.
      if (this.touched || this.latitude.dirty || this.sunshine.dirty) return;
      this.ways.set(schools);
      this.latitude.setValue(sky ? `${Math.abs(sky.latitude)}${sky.latitude < 0 ? ' S' : ''}` : '');
      this.sunshine.setValue(sky ? String(Math.round(sky.sunshine * 100)) : USUAL_SUNSHINE);
    });
  }

  protected wordOf(id: keyof Ways): string {
    return this.asked.find((one) => one.id === id)?.choices.find(({ value }) => value === this.ways()[id])?.text ?? '';
  }
  protected set(id: keyof Ways, value: string): void {
    this.touched = true;
    this.ways.update((ways) => ({ ...ways, [id]: value }));
  }

  protected save(event: Event): void {
    event.preventDefault();
    this.latitude.markAsTouched();
    this.sunshine.markAsTouched();
    if (this.latitude.invalid || this.sunshine.invalid) return;
    const latitude = readLatitude(this.latitude.value);
    const kept = this.about.household().nursing.sky;
    const sky =
      latitude === null
        ? null
        : { latitude, longitude: kept?.latitude === latitude ? kept.longitude : null, sunshine: readPercent(this.sunshine.value) ?? 0 };
    this.api
      .saveNursing({ id: uuid(), version: this.version(), schools: this.ways(), sky })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: (about) => {
          this.touched = false;
          this.latitude.markAsPristine();
          this.sunshine.markAsPristine();
          this.error.set(null);
          this.about.take(about);
          this.said.set('Saved. The Nursery follows it at once.');
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
