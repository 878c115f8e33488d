import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SeedStage } from '@fresh-tuck/core/parcel';

/** One line or area of a seed's drawing, around the seed's own middle. */
export interface SeedShape {
  readonly kind: 'dimple' | 'gone' | 'root-edge' | 'root' | 'leaf' | 'body' | 'rotten' | 'split' | 'hatch';
  readonly d: string;
  /** Width of its line, mm; null where it has always the same. */
  readonly wide: number | null;
}

/** Waves a radicle of a length in mm from a point on the seed's narrow end. */
export function rootPath(fromX: number, lengthMm: number): string {
  const x = (share: number): number => fromX + lengthMm * share;
  const sway = Math.min(lengthMm * 0.2, 2.4);
  return `M${fromX} 0C${x(0.3)} ${-sway} ${x(0.42)} ${sway * 1.5} ${x(0.62)} ${sway * 1.2}S${x(0.8)} ${-sway * 0.3} ${x(0.94)} ${sway}`;
}

const oval = (rx: number, ry: number): string => `M${-rx} 0A${rx} ${ry} 0 1 1 ${rx} 0A${rx} ${ry} 0 1 1 ${-rx} 0Z`;
/** How long a root is drawn where nobody has measured it, in lengths of its seed. */
const USUAL_ROOT: Partial<Record<SeedStage, number>> = { tip: 0.45, root: 1.5, leaves: 2.2 };

/**
 * One seed in millimetres around its own middle. Its state is told by shape first: plain oval, round with a
 * split, a nib, a tail to scale, two lobes, hatched with a broken edge, an empty dimple.
 * @param lengthMm of the seed's body as drawn, above 0
 * @param rootMm of its radicle as drawn; null: as long as is usual at its stage
 */
export function seedShapes(stage: SeedStage, moved: boolean, lengthMm: number, rootMm: number | null): SeedShape[] {
  const half = lengthMm / 2;
  const shape = (kind: SeedShape['kind'], d: string, wide: number | null = null): SeedShape => ({ kind, d, wide });
  if (moved || stage === 'lost') {
    const across = half * 0.6;
    return [
      shape('dimple', oval(half * 0.85, half * 0.85)),
      ...(moved ? [] : [shape('gone', `M${-across} ${across}L${across} ${-across}`)]),
    ];
  }
  const usual = USUAL_ROOT[stage];
  const root = usual === undefined ? null : rootPath(half * 0.9, Math.max(rootMm ?? usual * lengthMm, lengthMm * 0.4));
  const wide = Math.max(0.55, lengthMm * 0.13);
  const swollen = stage === 'swollen';
  return [
    ...(root === null ? [] : [shape('root-edge', root, wide * 1.9), shape('root', root, wide)]),
    ...(stage === 'leaves' ? [shape('leaf', leaves(half))] : []),
    shape(stage === 'rotten' ? 'rotten' : 'body', oval(half * (swollen ? 1.02 : 1), half * (swollen ? 0.92 : 0.62))),
    ...(swollen ? [shape('split', split(half))] : []),
    ...(stage === 'rotten' ? [shape('hatch', hatch(half))] : []),
  ];
}

function split(h: number): string {
  const x = h * 0.8;
  return `M${-x} ${h * 0.1}C${-x / 3} ${-h * 0.5} ${x / 3} ${-h * 0.5} ${x} ${h * 0.1}`;
}
function hatch(h: number): string {
  const s = h * 0.5;
  return [-0.6, 0, 0.6].map((x) => `M${x * h - s * 0.5} ${s * 0.7}L${x * h + s * 0.5} ${-s * 0.7}`).join('');
}
function leaves(h: number): string {
  return `M${-h * 0.2} ${-h * 0.4}C${-h * 1.5} ${-h * 0.8} ${-h * 1.4} ${-h * 2.1} ${-h * 0.2} ${-h * 0.5}C${-h * 0.1} ${-h * 2.2} ${h * 1.1} ${-h * 2} ${-h * 0.2} ${-h * 0.4}Z`;
}

/** A seed on the towel to scale, as {@link seedShapes} has it. */
@Component({
  selector: 'svg:g[ftSeed]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg:g [attr.transform]="'rotate(' + angle() + ')'">
      @for (shape of shapes(); track $index) {
        <svg:path [attr.class]="shape.kind" [attr.d]="shape.d" [attr.stroke-width]="shape.wide" />
      }
    </svg:g>
  `,
  styleUrl: './seed.scss',
})
export class SeedDrawing {
  readonly stage = input.required<SeedStage>();
  readonly moved = input(false);
  /** Length of the seed's body as drawn, mm. */
  readonly lengthMm = input.required<number>();
  readonly rootMm = input<number | null>(null);
  readonly angle = input(0);

  protected readonly shapes = computed(() => seedShapes(this.stage(), this.moved(), this.lengthMm(), this.rootMm()));
}
