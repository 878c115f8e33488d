import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CarrierKind } from '@fresh-tuck/core/method';
import type { ParcelState, SeedStage } from '@fresh-tuck/core/parcel';
import { seedShapes, type SeedShape } from './seed';

interface Shown {
  readonly place: string;
  readonly shapes: readonly SeedShape[];
}

/** A seed's leaning, the same every time. */
export const leaning = (index: number): number => [-18, 10, 24, -8, 16, -26, 4][index % 7] ?? 0;

/** What to draw for each seed: touched ones as they are, counted tips on the first quiet ones. */
export function shownStages(state: ParcelState): { stage: SeedStage; moved: boolean }[] {
  let counted = state.counted.reduce((sum, { count }) => sum + count, 0);
  let movedUncounted = state.moved - state.seeds.filter(({ moved }) => moved).length;
  let rottenUntouched = state.rotten - state.seeds.filter(({ stage }) => stage === 'rotten').length;
  return state.seeds.map(({ stage, moved }) => {
    if (moved || (stage !== 'quiet' && stage !== 'swollen')) return { stage, moved };
    if (movedUncounted > 0) {
      movedUncounted--;
      return { stage: 'tip', moved: true };
    }
    if (counted > 0) {
      counted--;
      return { stage: 'tip', moved: false };
    }
    if (rottenUntouched > 0) {
      rottenUntouched--;
      return { stage: 'rotten', moved: false };
    }
    return { stage, moved };
  });
}

/** Roots first, so that what matters is drawn where not every seed can be. */
const URGENCY: Record<SeedStage, number> = { leaves: 0, root: 1, tip: 2, rotten: 3, swollen: 4, quiet: 5, lost: 6 };

/** A folded towel, or what else it lies in, with its number on a stub and its seeds inside. */
@Component({
  selector: 'ft-parcel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 136 66" [attr.width]="width()" aria-hidden="true">
      @switch (carrier()) {
        @case ('towel') {
          <path class="paper" d="M1.5 1.5h123.5l9 10v53h-132.5z" />
          @if (width() >= 100) {
            <path class="quilt" [attr.d]="quilt" />
          }
          <path class="fold" d="M125 1.5v10h9" />
        }
        @case ('glass') {
          <path class="paper" d="M1.5 1.5h133c-1 22-2 44-6 63h-121c-4-19-5-41-6-63z" />
          <path class="wet" d="M36 26h95.500c-.8 12-1.800 26-4 36.500h-91.500z" />
        }
        @case ('row') {
          <path class="soil" d="M1.5 10c22-8 44 6 66-2s44 6 67-1v57.500h-133z" />
          <path class="quilt" d="M36 45h96" stroke-dasharray="7 4" />
        }
        @case ('lid') {
          <path class="paper" d="M1.5 64.500v-45c0-11 8-18 20-18h93c12 0 20 7 20 18v45z" />
          <path class="soil" d="M36 42h98v22h-98z" />
        }
        @case ('slots') {
          <rect class="paper" x="1.5" y="1.5" width="133" height="63" rx="12" />
          @for (place of eight; track $index) {
            <circle class="hole" [attr.cx]="place.x" [attr.cy]="place.y" r="12.5" />
          }
        }
        @case ('pots') {
          <path class="paper" d="M1.5 1.5h133v11h-5l-8 52h-107l-8-52h-5z" />
          <path class="quilt" d="M6.500 12.500h123" />
        }
        @default {
          <rect class="paper" x="1.5" y="1.5" width="133" height="63" rx="4" />
          @for (place of eight; track $index) {
            @if (carrier() === 'cells') {
              <rect class="soil" [attr.x]="place.x - 11.5" [attr.y]="place.y - 13" width="23" height="26" rx="3" />
            } @else {
              <circle class="soil" [attr.cx]="place.x" [attr.cy]="place.y" r="12" stroke-dasharray="3 2" />
            }
          }
        }
      }
      <path class="stub" d="M34 3v60" />
      <text x="17.5" [attr.y]="33 + numberPx() * 0.36" text-anchor="middle" [style.font-size.px]="numberPx()">{{ number() }}</text>
      @for (seed of shown(); track $index) {
        <svg:g [attr.transform]="seed.place">
          @for (shape of seed.shapes; track $index) {
            <svg:path [attr.class]="shape.kind" [attr.d]="shape.d" [attr.stroke-width]="shape.wide" />
          }
        </svg:g>
      }
    </svg>
  `,
  styleUrls: ['./parcel.scss', './seed.scss'],
})
export class Parcel {
  readonly number = input.required<number>();
  readonly state = input.required<ParcelState>();
  readonly width = input(136);
  /** Seeds that are drawn at most: the most urgent. */
  readonly most = input(12);
  /** Its number: as large as its stub holds, where it is drawn small. */
  protected readonly numberPx = computed(() => (this.width() >= 100 ? 15 : ([26, 26, 23, 17][String(this.number()).length - 1] ?? 12)));
  /** What it lies in: the outline that it is drawn with. */
  readonly carrier = input<CarrierKind>('towel');
  /** Cells, slots or pellets, four to a row. */
  protected readonly eight = Array.from({ length: 8 }, (_, index) => ({ x: 48 + (index % 4) * 24.6, y: 18 + Math.floor(index / 4) * 30 }));

  protected readonly quilt = Array.from(
    { length: 11 },
    (_, i) => `M${35 + i * 9} 63l${Math.min(60, 98 - i * 9)} -${Math.min(60, 98 - i * 9)}`,
  ).join('');
  private readonly stages = computed(() => {
    const all = shownStages(this.state());
    const most = this.most();
    if (all.length <= most) return all;
    const order = all
      .map((seed, index) => ({ seed, index }))
      .sort((a, b) => Number(a.seed.moved) - Number(b.seed.moved) || URGENCY[a.seed.stage] - URGENCY[b.seed.stage]);
    return order
      .slice(0, most)
      .sort((a, b) => a.index - b.index)
      .map(({ seed }) => seed);
  });
  private readonly rows = computed(() => (this.stages().length <= 4 ? 1 : this.stages().length <= 8 ? 2 : 3));
  private readonly size = computed(() => [16, 13.5, 11][this.rows() - 1] ?? 11);
  protected readonly shown = computed<Shown[]>(() => {
    const stages = this.stages();
    const rows = this.rows();
    const perRow = Math.ceil(stages.length / rows);
    const size = this.size();
    return stages.map(({ stage, moved }, index) => {
      const row = Math.floor(index / perRow);
      const inRow = Math.min(perRow, stages.length - row * perRow);
      const x = 78 + ((index % perRow) - (inRow - 1) / 2) * (88 / perRow);
      const y = 33 + (row - (rows - 1) / 2) * (56 / rows);
      return {
        place: `translate(${x} ${y})rotate(${leaning(index)})`,
        shapes: seedShapes(stage, moved, size, size * (stage === 'tip' ? 0.45 : 0.85)),
      };
    });
  });
}
