import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Plant } from '@fresh-tuck/contract';
import type { Cover } from '@fresh-tuck/core/nursing';
import { cellShape } from '../kit/plant-shapes';

const CELL = { width: 20, height: 18, gap: 2 } as const;
/** A tray is so much wider than it is deep. */
const WIDER = 2;

/** A tray of cells seen from above: each cell with what has come up in it. */
@Component({
  selector: 'ft-cell-tray',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'-8 -22 ' + (width() + 16) + ' ' + (height() + 30)" [style.width.px]="(width() + 16) * scale" aria-hidden="true">
      @if (cover() !== 'off') {
        <path class="lid" [attr.d]="lid()" />
      }
      <rect class="rim" x="-5" y="-5" [attr.width]="width() + 10" [attr.height]="height() + 10" rx="4" />
      <path class="cells" [attr.d]="cells()" />
      <path class="seeds" [attr.d]="seeds()" />
      <path class="plants" [attr.d]="green()" />
    </svg>
  `,
  styleUrl: './cell-tray.scss',
})
export class CellTray {
  readonly plants = input.required<readonly Plant[]>();
  readonly blade = input(false);
  readonly cover = input<Cover>('off');
  /** A board holds several: a cell is as large as a thumb's nail only close up. */
  protected readonly scale = 0.82;

  private readonly columns = computed(() => Math.max(Math.ceil(Math.sqrt(this.plants().length * WIDER)), 1));
  private readonly seats = computed(() =>
    this.plants().map((plant, index) => ({
      plant,
      x: (index % this.columns()) * (CELL.width + CELL.gap),
      y: Math.floor(index / this.columns()) * (CELL.height + CELL.gap),
    })),
  );
  protected readonly width = computed(() => this.columns() * (CELL.width + CELL.gap) - CELL.gap);
  protected readonly height = computed(() => Math.ceil(this.plants().length / this.columns()) * (CELL.height + CELL.gap) - CELL.gap);
  // One path for all cells and one for all that is green: two hundred of them are as quick to draw as one.
  protected readonly cells = computed(() =>
    this.seats()
      .map(({ x, y }) => `M${x} ${y}h${CELL.width}v${CELL.height}h-${CELL.width}z`)
      .join(''),
  );
  protected readonly seeds = computed(() =>
    this.seats()
      .filter(({ plant }) => plant.stage === 'moved')
      .map(({ x, y }) => `M${x + 7} ${y + 9}a3 2.2 0 1 0 6 0a3 2.2 0 1 0 -6 0`)
      .join(''),
  );
  protected readonly green = computed(() =>
    this.seats()
      .map(({ plant, x, y }) => `M${x} ${y}${cellShape(plant.stage, this.blade())}`)
      .join(''),
  );
  protected readonly lid = computed(() => {
    const lift = this.cover() === 'propped' ? 8 : 0;
    return `M-8 ${-7 - lift}L-2 -19H${this.width() + 2}L${this.width() + 8} -7Z`;
  });
}
