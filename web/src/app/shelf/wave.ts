import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { line, curveBasis } from 'd3-shape';

/** Every board's wave is drawn to this: so many degrees are a pixel. */
const PX_A_DEGREE = 1.6;
const HEIGHT = 22;

/** The last day of a place as a line: flat where it is steady. */
@Component({
  selector: 'ft-wave',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg viewBox="0 0 140 22" width="140" height="22" aria-hidden="true"><path [attr.d]="path()" [class.cold]="cold()" /></svg>`,
  styles: `
    :host {
      display: block;
      line-height: 0;
    }
    path {
      fill: none;
      stroke: var(--trouble);
      stroke-width: 1.8;
    }
    path.cold {
      stroke: var(--water);
    }
  `,
})
export class Wave {
  readonly hours = input.required<readonly number[]>();
  private readonly mean = computed(() => this.hours().reduce((sum, celsius) => sum + celsius, 0) / Math.max(this.hours().length, 1));
  protected readonly cold = computed(() => this.mean() < 10);
  protected readonly path = computed(() => {
    const points = this.hours().map((celsius, hour): [number, number] => [
      (hour / Math.max(this.hours().length - 1, 1)) * 140,
      HEIGHT / 2 - Math.max(Math.min((celsius - this.mean()) * PX_A_DEGREE, HEIGHT / 2 - 1), 1 - HEIGHT / 2),
    ]);
    return line().curve(curveBasis)(points) ?? '';
  });
}
