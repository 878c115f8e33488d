import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Destination } from '@fresh-tuck/core/moving';
import { Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { readBy, text } from '../kit/validators';
import { MixCard } from './mix-card';
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
  imports: [Choices, Field, MatButton, MatCheckbox, MixCard],
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
      @if (potMl(); as potMl) {
        <ft-mix-card class="mix" [pots]="numbers().length" [potMl]="potMl" [proposed]="mix()" />
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
    }
  `,
})
export class PotOn {
  private readonly service = inject(NurseryService);
  readonly numbers = input.required<readonly number[]>();
  /** The recipe that suits the crop. */
  readonly mix = input('peat_lite_b');
  readonly done = output();
  protected readonly into = INTO;
  protected readonly chosen = signal<Into>('pot');
  protected readonly last = signal(false);
  protected readonly holds = text(
    '',
    readBy((typed) => (typed.trim() === '' ? 0 : millilitres(typed))),
  );

  private readonly typed = toSignal(this.holds.valueChanges, { initialValue: '' });
  /** What one holds; null while nobody says, or where no mix goes in. */
  protected readonly potMl = computed(() => {
    const potMl = millilitres(this.typed());
    return potMl === null || this.chosen() === 'slot' || this.chosen() === 'bed' ? null : potMl;
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
