import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SeedStage } from '@fresh-tuck/core/parcel';

/** Waves a radicle of a length in mm from a point on the seed's narrow end. */
export function rootPath(fromX: number, lengthMm: number): string {
  const x = (share: number): number => fromX + lengthMm * share;
  const sway = Math.min(lengthMm * 0.2, 2.4);
  return `M${fromX} 0C${x(0.3)} ${-sway} ${x(0.42)} ${sway * 1.5} ${x(0.62)} ${sway * 1.2}S${x(0.8)} ${-sway * 0.3} ${x(0.94)} ${sway}`;
}

/**
 * One seed, drawn in millimetres around its own middle. Its state is told by
 * shape first: plain oval, round with a split, a nib, a tail to scale, two lobes,
 * hatched with a broken edge, an empty dimple.
 */
@Component({
  selector: 'svg:g[ftSeed]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg:g [attr.transform]="'rotate(' + angle() + ')'">
      @if (moved() || stage() === 'lost') {
        <svg:circle class="dimple" [attr.r]="half() * 0.85" />
        @if (stage() === 'lost' && !moved()) {
          <svg:path class="gone" [attr.d]="'M' + -half() * 0.6 + ' ' + half() * 0.6 + 'L' + half() * 0.6 + ' ' + -half() * 0.6" />
        }
      } @else {
        @if (root(); as path) {
          <svg:path class="root-edge" [attr.d]="path" [attr.stroke-width]="rootWidth() * 1.9" />
          <svg:path class="root" [attr.d]="path" [attr.stroke-width]="rootWidth()" />
        }
        @if (stage() === 'leaves') {
          <svg:path class="leaf" [attr.d]="leaves()" />
        }
        <svg:ellipse class="body" [class.rotten]="stage() === 'rotten'" [attr.rx]="rx()" [attr.ry]="ry()" />
        @if (stage() === 'swollen') {
          <svg:path class="split" [attr.d]="split()" />
        }
        @if (stage() === 'rotten') {
          <svg:path class="hatch" [attr.d]="hatch()" />
        }
      }
    </svg:g>
  `,
  styles: `
    .body {
      fill: var(--seed);
      stroke: var(--seed-edge);
      stroke-width: 0.55;
    }
    .body.rotten {
      fill: var(--trouble-pale);
      stroke: var(--trouble);
      stroke-dasharray: 1.3 0.8;
    }
    .root,
    .root-edge,
    .split,
    .hatch {
      fill: none;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .root {
      stroke: var(--radicle);
    }
    .root-edge {
      stroke: var(--seed-edge);
    }
    .split {
      stroke: var(--seed-edge);
      stroke-width: 0.7;
    }
    .hatch {
      stroke: var(--trouble);
      stroke-width: 0.45;
    }
    .leaf {
      fill: var(--growth);
      stroke: var(--growth-word);
      stroke-width: 0.4;
    }
    .gone {
      stroke: var(--edge);
      stroke-width: 0.7;
    }
    .dimple {
      fill: none;
      stroke: var(--edge);
      stroke-width: 0.5;
      stroke-dasharray: 0.9 0.9;
    }
    @media (prefers-color-scheme: dark) {
      .root-edge {
        stroke: #5f5230;
      }
    }
  `,
})
export class SeedDrawing {
  readonly stage = input.required<SeedStage>();
  readonly moved = input(false);
  /** Length of the seed's body as drawn, mm. */
  readonly lengthMm = input.required<number>();
  readonly rootMm = input<number | null>(null);
  readonly angle = input(0);

  protected readonly half = computed(() => this.lengthMm() / 2);
  protected readonly rx = computed(() => this.half() * (this.stage() === 'swollen' ? 1.02 : 1));
  protected readonly ry = computed(() => this.half() * (this.stage() === 'swollen' ? 0.92 : 0.62));
  protected readonly rootWidth = computed(() => Math.max(0.55, this.lengthMm() * 0.13));
  protected readonly root = computed(() => {
    const stage = this.stage();
    if (stage !== 'tip' && stage !== 'root' && stage !== 'leaves') return null;
    const usual = { tip: 0.45, root: 1.5, leaves: 2.2 }[stage] * this.lengthMm();
    return rootPath(this.half() * 0.9, Math.max(this.rootMm() ?? usual, this.lengthMm() * 0.4));
  });
  protected readonly split = computed(() => {
    const x = this.half() * 0.8;
    return `M${-x} ${this.half() * 0.1}C${-x / 3} ${-this.half() * 0.5} ${x / 3} ${-this.half() * 0.5} ${x} ${this.half() * 0.1}`;
  });
  protected readonly hatch = computed(() => {
    const s = this.half() * 0.5;
    return [-0.6, 0, 0.6].map((x) => `M${x * this.half() - s * 0.5} ${s * 0.7}L${x * this.half() + s * 0.5} ${-s * 0.7}`).join('');
  });
  protected readonly leaves = computed(() => {
    const h = this.half();
    return `M${-h * 0.2} ${-h * 0.4}C${-h * 1.5} ${-h * 0.8} ${-h * 1.4} ${-h * 2.1} ${-h * 0.2} ${-h * 0.5}C${-h * 0.1} ${-h * 2.2} ${h * 1.1} ${-h * 2} ${-h * 0.2} ${-h * 0.4}Z`;
  });
}
