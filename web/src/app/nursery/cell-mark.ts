import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SeedlingStage } from '@fresh-tuck/core/nursing';
import { cellShape } from '../kit/plant-shapes';

/** One cell from above, close enough for a thumb. */
@Component({
  selector: 'ft-cell-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 20 18" aria-hidden="true">
      <rect class="cells" width="20" height="18" rx="1.5" />
      @if (stage() === 'moved') {
        <ellipse class="seeds" cx="10" cy="9" rx="3.4" ry="2.5" />
      } @else {
        <path class="plants" [attr.d]="'M0 0' + shape()" />
      }
    </svg>
  `,
  styleUrl: './cell-tray.scss',
  styles: ':host { --stroke: 1.6; }',
})
export class CellMark {
  readonly stage = input.required<SeedlingStage>();
  readonly blade = input(false);
  protected readonly shape = computed(() => cellShape(this.stage(), this.blade()));
}
