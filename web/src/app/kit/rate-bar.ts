import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Stock } from '@fresh-tuck/core/seedbox';

/** The living share expected of a packet, with the stretch that holds 8 times in 10. */
@Component({
  selector: 'ft-rate-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 120 24" role="img" [attr.aria-label]="inWords()">
      <path class="axis" d="M2 12H118M60 9v6" />
      <rect class="stretch" [attr.x]="2 + low() * 116" y="6" [attr.width]="(high() - low()) * 116" height="12" rx="4" />
      <path class="mean" [attr.d]="'M' + (2 + stock().mean * 116) + ' 3v18'" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
      line-height: 0;
    }
    svg {
      width: 100%;
      height: auto;
    }
    .axis {
      fill: none;
      stroke: var(--edge);
      stroke-width: 1.2;
    }
    .stretch {
      fill: var(--growth-pale);
      stroke: var(--growth);
      stroke-width: 1.2;
    }
    .mean {
      stroke: var(--growth-word);
      stroke-width: 2.4;
    }
  `,
})
export class RateBar {
  readonly stock = input.required<Pick<Stock, 'mean' | 'low' | 'high'>>();
  protected readonly low = computed(() => this.stock().low);
  protected readonly high = computed(() => this.stock().high);
  protected readonly inWords = computed(() => {
    const { mean, low, high } = this.stock();
    const of = (share: number): number => Math.round(share * 100);
    return `Expected to live: ${of(mean)} of 100, between ${of(low)} and ${of(high)} 8 times in 10`;
  });
}
