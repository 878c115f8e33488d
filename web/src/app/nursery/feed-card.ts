import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { dilution, inSpoons } from '@fresh-tuck/core/nursing';
import { AboutService } from '../data/household/about.service';
import { Field } from '../kit/field';
import { readBy, text } from '../kit/validators';

const ML_PER_LITRE = 1000;
const ML_PER_US_QUART = 946.352946;
const within = (low: number, high: number) => (typed: string) => {
  const value = Number(typed.replace(',', '.'));
  return typed.trim() !== '' && value >= low && value <= high ? value : null;
};

/** How much of a liquid feed goes into how much water, from what its label gives and how weak it is to be. */
@Component({
  selector: 'ft-feed-card',
  imports: [Field],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="card">
      <ft-field label="The label gives" mode="decimal" unit="ml a litre" [control]="label" accepted="From 0.1 to 200 ml a litre." />
      <ft-field label="You make" mode="decimal" [unit]="us() ? 'quarts' : 'l'" [control]="volume" accepted="From 0.1 to 100." />
      <p role="status">
        @if (mixed(); as mixed) {
          <b>{{ mixed.stock }}</b> of feed in {{ mixed.water }} of water.
        }
      </p>
    </div>
    <p class="soft">Its label comes first; never stronger than it says. Keep it from children, animals and fish ponds.</p>
  `,
  styles: `
    .card {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 14px;
      align-items: center;
      margin-top: 8px;
    }
  `,
})
export class FeedCard {
  private readonly about = inject(AboutService);
  /** Share of the label's dose. */
  readonly strength = input.required<number>();
  protected readonly label = text('5', readBy(within(0.1, 200)));
  protected readonly volume = text('2', readBy(within(0.1, 100)));
  private readonly labelText = toSignal(this.label.valueChanges, { initialValue: '5' });
  private readonly volumeText = toSignal(this.volume.valueChanges, { initialValue: '2' });
  protected readonly us = computed(() => this.about.household().units === 'us');
  protected readonly mixed = computed(() => {
    const [gives, makes] = [within(0.1, 200)(this.labelText()), within(0.1, 100)(this.volumeText())];
    if (gives === null || makes === null) return null;
    const ml = makes * (this.us() ? ML_PER_US_QUART : ML_PER_LITRE);
    // Feed as it comes is a thousand millilitres of itself in a litre.
    const { stockMl, waterMl } = dilution(ML_PER_LITRE, gives * this.strength(), ml);
    const metric = (value: number): string =>
      value < 10 ? `${value.toFixed(1)} ml` : value < 995 ? `${Math.round(value)} ml` : `${(value / 1000).toFixed(2)} l`;
    return { stock: this.us() ? inSpoons(stockMl) : metric(stockMl), water: this.us() ? inSpoons(waterMl) : metric(waterMl) };
  });
}
