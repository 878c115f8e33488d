import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import type { WhyPanel } from '@fresh-tuck/contract';

const WIDTH = 220;
const EDGE = 8;

/** What a judgement rests on: each thing with and without it, drawn as the stretch of tips in the end. */
@Component({
  selector: 'ft-why-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="key soft">
      <svg viewBox="0 0 34 14" width="34" aria-hidden="true"><rect class="without" x="1" y="3" width="32" height="8" rx="4" /></svg>
      without it
      <svg viewBox="0 0 34 14" width="34" aria-hidden="true"><rect class="with" x="1" y="3" width="32" height="8" rx="4" /></svg>
      with it: tips in the end, 8 times in 10, of {{ panel().seeds }}
    </p>
    <ol>
      @for (row of rows(); track row.id) {
        <li>
          <p>
            {{ row.text }}. <b>{{ row.moved }}.</b>
          </p>
          <svg viewBox="0 0 220 26" width="220" role="img" [attr.aria-label]="row.drawn">
            <path class="axis" d="M8 13H212" />
            @if (row.without; as band) {
              <rect class="without" [attr.x]="band.x" y="4" [attr.width]="band.width" height="18" rx="5" />
            }
            <rect class="with" [attr.x]="row.with.x" y="8" [attr.width]="row.with.width" height="10" rx="5" />
          </svg>
        </li>
      }
    </ol>
    <p class="soft">{{ panel().sure }}</p>
  `,
  styles: `
    :host {
      display: block;
      container-type: inline-size;
      margin: 8px 0 4px;
      padding: 10px 0 6px 14px;
      border-left: 2px solid var(--hairline);
      font-size: 14px;
      line-height: 1.4;
    }
    .key {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 2px 7px;
    }
    ol {
      margin: 4px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 220px;
      gap: 4px 18px;
      align-items: center;
      padding: 5px 0;
      border-top: 1px solid var(--hairline);
    }
    .axis {
      stroke: var(--hairline);
      stroke-width: 1.5;
    }
    .without {
      fill: none;
      stroke: var(--edge);
      stroke-width: 1.4;
      stroke-dasharray: 3 3;
    }
    .with {
      fill: var(--growth);
    }
    @container (max-width: 560px) {
      li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class WhyPanelView {
  readonly panel = input.required<WhyPanel>();
  protected readonly rows = computed(() => {
    const { contributions, seeds } = this.panel();
    const x = scaleLinear()
      .domain([0, seeds])
      .range([EDGE, WIDTH - EDGE]);
    const band = ({ low, high }: { low: number; high: number }) => ({ x: x(low) - 4, width: x(high) - x(low) + 8 });
    return contributions.map((one) => ({
      id: one.id,
      text: one.text,
      moved: one.moved,
      without: one.without ? band(one.without) : null,
      with: band(one.with),
      drawn: `${one.without ? `Without it ${one.without.low} to ${one.without.high}, with` : 'With'} it ${one.with.low} to ${one.with.high}`,
    }));
  });
}
