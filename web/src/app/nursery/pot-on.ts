import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Destination } from '@fresh-tuck/core/moving';
import { inSpoons, MIXES, scaleMix } from '@fresh-tuck/core/nursing';
import { AboutService } from '../data/household/about.service';
import { Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { readBy, text } from '../kit/validators';
import { Word } from '../kit/word';
import { NurseryService } from './nursery.service';

const INTO = [
  { value: 'cup', text: 'a cup' },
  { value: 'pot', text: 'a pot' },
  { value: 'slot', text: 'a net cup, with clay pebbles' },
  { value: 'terrarium', text: 'a glass case' },
  { value: 'bed', text: 'the bed' },
] as const satisfies readonly { value: Destination; text: string }[];
type Into = (typeof INTO)[number]['value'];

const LITRES_MOST = 60;
/** Millilitres from "0.7 l", "700 ml" or "2"; null where it says nothing of the kind. */
function millilitres(typed: string): number | null {
  const found = /^(\d+(?:[.,]\d+)?) ?(ml|l)?$/i.exec(typed.trim());
  if (!found) return null;
  const value = Number((found[1] ?? '').replace(',', '.')) * (found[2]?.toLowerCase() === 'ml' ? 1 : 1000);
  return value >= 5 && value <= LITRES_MOST * 1000 ? value : null;
}

/** Into which larger thing seedlings go, and whether they stay in it. */
@Component({
  selector: 'ft-pot-on',
  imports: [Choices, Field, MatButton, MatCheckbox, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="pot-on" role="group" aria-label="Potting up">
      <ft-choices label="Into what" [choices]="into" [value]="chosen()" (chosen)="chosen.set($event)" />
      <ft-field
        label="It holds"
        hint="litres; empty: not measured"
        [control]="holds"
        accepted="Litres up to 60, like 0.7 or 700 ml, or empty."
      />
      <mat-checkbox [checked]="last()" (change)="last.set($event.checked)">It stays in this one for good</mat-checkbox>
      @if (mixed(); as mixed) {
        <div class="mix">
          <p>
            Of&ngsp;<ft-word label="The mix" [text]="recipe().name" [fixed]="true"
              ><ft-choices label="The mix" [choices]="mixes" [value]="recipe().id" (chosen)="mixId.set($event)" /></ft-word
            >, for {{ numbers().length === 1 ? 'one pot' : numbers().length + ' pots' }} with a tenth to spare, in this order:
          </p>
          <ol>
            @for (one of mixed; track one.what) {
              <li>
                <b>{{ one.text }}</b> {{ one.what }}
              </li>
            }
          </ol>
          <p class="soft">{{ recipe().note }}</p>
          <p class="trouble">
            Damp peat, perlite, vermiculite and compost before you stir: their dust harms lungs, and compost can carry Legionella. Gloves;
            wash your hands.
          </p>
        </div>
      }
      <button matButton="filled" type="button" class="do" (click)="pot()">
        {{ numbers().length === 1 ? 'It is' : 'They are' }} potted up
      </button>
    </div>
  `,
  styles: `
    .pot-on {
      display: flex;
      flex-wrap: wrap;
      gap: 12px 18px;
      align-items: center;
      padding: 12px 0;
    }
    .mix {
      flex-basis: 100%;
      max-width: 70ch;
    }
    .mix ol {
      margin: 4px 0;
      padding-left: 22px;
    }
  `,
})
export class PotOn {
  private readonly service = inject(NurseryService);
  private readonly about = inject(AboutService);
  readonly numbers = input.required<readonly number[]>();
  readonly done = output();
  protected readonly into = INTO;
  protected readonly chosen = signal<Into>('pot');
  protected readonly last = signal(false);
  protected readonly holds = text(
    '',
    readBy((typed) => (typed.trim() === '' ? 0 : millilitres(typed))),
  );

  private readonly typed = toSignal(this.holds.valueChanges, { initialValue: '' });
  protected readonly mixes = MIXES.map(({ id, name, use }) => ({ value: id, text: name, follows: use }));
  protected readonly mixId = signal('peat_lite_b');
  protected readonly recipe = computed(() => MIXES.find(({ id }) => id === this.mixId()) ?? MIXES[0]!);
  /** What to measure for so many pots of that size; null while nobody says how large they are. */
  protected readonly mixed = computed(() => {
    const potMl = millilitres(this.typed());
    if (potMl === null || this.chosen() === 'slot' || this.chosen() === 'bed') return null;
    const us = this.about.household().units === 'us';
    const volume = (ml: number): string =>
      us ? inSpoons(ml) : ml < 995 ? `${Math.round(ml / 5) * 5} ml` : `${(ml / 1000).toFixed(ml < 9950 ? 1 : 0)} l`;
    return scaleMix(this.recipe(), this.numbers().length, potMl).measured.map(({ what, amount, unit }) => ({
      what,
      text: unit === 'ml' ? volume(amount) : `${amount < 10 ? amount.toFixed(1) : Math.round(amount)} g`,
    }));
  });

  protected pot(): void {
    this.holds.markAsTouched();
    if (this.holds.invalid) return;
    const destination = this.chosen();
    const label = INTO.find(({ value }) => value === destination)?.text ?? '';
    const last = this.last() || destination === 'bed';
    this.service.say(
      this.numbers(),
      { kind: 'potted', destination, millilitres: millilitres(this.holds.value), last },
      `potted up into ${label}`,
    );
    this.done.emit();
  }
}
