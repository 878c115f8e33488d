import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { PlantingLaid } from '@fresh-tuck/contract';
import { formatMetres, uncapital } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';

/** Pixels of the drawing to a centimetre of the bed are what fits this width; a small bed is not drawn larger than life would be. */
const WIDE = 720;
const MOST_SCALE = 6;
/** A plant is drawn so much of its spacing wide, and never too small to be seen. */
const ROSETTE = { share: 0.36, least: 3.2, most: 15 } as const;

/** A rosette of leaves seen from above, round (x, y). */
function rosette(x: number, y: number, r: number): string {
  return [0, 1, 2, 3]
    .map((quarter) => {
      const angle = (quarter * Math.PI) / 2 + Math.PI / 4;
      const at = (turn: number, far: number): string =>
        `${(x + Math.cos(angle + turn) * r * far).toFixed(1)} ${(y + Math.sin(angle + turn) * r * far).toFixed(1)}`;
      return `M${x.toFixed(1)} ${y.toFixed(1)}C${at(-0.7, 0.6)} ${at(-0.45, 1)} ${at(0, 1)}C${at(0.45, 1)} ${at(0.7, 0.6)} ${x.toFixed(1)} ${y.toFixed(1)}Z`;
    })
    .join('');
}

/** A bed to scale, seen from above: what stands in it, and where more would go. */
@Component({
  selector: 'ft-bed-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'-6 -6 ' + (width() + 12) + ' ' + (height() + 12)"
      [style.max-width.px]="width() + 12"
      role="img"
      [attr.aria-label]="inWords()"
    >
      <rect class="board" x="-4" y="-4" [attr.width]="width() + 8" [attr.height]="height() + 8" rx="3" />
      <rect class="earth" x="0" y="0" [attr.width]="width()" [attr.height]="height()" />
      <path class="furrows" [attr.d]="furrows()" />
      @for (one of drawn(); track $index) {
        <path [class]="one.proposed ? 'to-be' : 'plant'" [attr.d]="one.d" />
      }
    </svg>
    <p class="names" [style.max-width.px]="width() + 12" aria-hidden="true">
      @for (one of drawn(); track $index) {
        <b>{{ one.name }}</b>
      }
      <span class="soft">{{ sides().long }} × {{ sides().short }}</span>
    </p>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: auto;
    }
    .board {
      fill: var(--wood);
      stroke: var(--wood-edge);
      stroke-width: 1.5;
    }
    .earth {
      fill: var(--soil);
      stroke: var(--wood-edge);
      stroke-width: 1;
    }
    .furrows {
      fill: none;
      stroke: var(--soil-speck);
      stroke-width: 1;
      stroke-dasharray: 2 5;
    }
    .plant {
      fill: var(--growth-pale);
      stroke: var(--growth);
      stroke-width: 1.4;
      stroke-linejoin: round;
    }
    .to-be {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.4;
      stroke-dasharray: 3 3;
    }
    .names {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 18px;
      font-size: 14px;
    }
    .names .soft {
      margin-left: auto;
    }
  `,
})
export class BedPlan {
  private readonly about = inject(AboutService);
  readonly widthM = input.required<number>();
  readonly lengthM = input.required<number>();
  readonly plantings = input.required<readonly PlantingLaid[]>();
  readonly proposed = input<PlantingLaid | null>(null);

  private readonly long = computed(() => Math.max(this.widthM(), this.lengthM()) * 100);
  private readonly short = computed(() => Math.min(this.widthM(), this.lengthM()) * 100);
  private readonly scale = computed(() => Math.min(WIDE / this.long(), MOST_SCALE));
  protected readonly width = computed(() => this.long() * this.scale());
  protected readonly height = computed(() => this.short() * this.scale());
  protected readonly sides = computed(() => {
    const { units } = this.about.household();
    return { long: formatMetres(this.long() / 100, units), short: formatMetres(this.short() / 100, units) };
  });
  private readonly all = computed(() => [
    ...this.plantings().map((planting) => ({ planting, proposed: false })),
    ...(this.proposed() ? [{ planting: this.proposed() as PlantingLaid, proposed: true }] : []),
  ]);
  protected readonly drawn = computed(() =>
    this.all()
      .filter(({ planting }) => planting.spots.length > 0)
      .map(({ planting: { name, spots }, proposed }) => {
        const scale = this.scale();
        const r = Math.min(Math.max(nearest(spots) * scale * ROSETTE.share, ROSETTE.least), ROSETTE.most);
        const ring = (x: number, y: number): string => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
        const d = spots.map(({ alongCm, acrossCm }) => (proposed ? ring : rosette)(alongCm * scale, acrossCm * scale, r)).join('');
        return { d, name: `${spots.length} ${uncapital(name)}${proposed ? ' to be planted' : ''}`, proposed };
      }),
  );
  protected readonly furrows = computed(() => {
    const scale = this.scale();
    const rows = new Set(this.all().flatMap(({ planting: { spots } }) => spots.map(({ alongCm }) => alongCm)));
    return [...rows].map((alongCm) => `M${(alongCm * scale).toFixed(1)} 3V${(this.height() - 3).toFixed(1)}`).join('');
  });
  protected readonly inWords = computed(() => {
    const named = this.all().map(({ planting: { name, spots }, proposed }) => `${spots.length} ${name}${proposed ? ' to be planted' : ''}`);
    return `The bed from above, ${this.sides().long} by ${this.sides().short}: ${named.join(', ') || 'empty'}.`;
  });
}

/** The least distance between neighbours in the order in which they are laid, cm. */
function nearest(spots: PlantingLaid['spots']): number {
  const apart = spots.slice(1).map(({ alongCm, acrossCm }, nth) => {
    const before = spots[nth] ?? { alongCm, acrossCm };
    return Math.hypot(alongCm - before.alongCm, acrossCm - before.acrossCm);
  });
  return apart.length === 0 ? 30 : Math.min(...apart);
}
