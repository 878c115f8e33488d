import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Destination } from '@fresh-tuck/core/moving';
import type { SeedlingStage } from '@fresh-tuck/core/nursing';
import { plantShape, vesselOf } from './plant-shapes';

/** A seedling in what it stands in, cut open so that its roots show, its number on its label. */
@Component({
  selector: 'ft-plant',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 72 118" aria-hidden="true">
      @if (vessel().water) {
        <path class="water" [attr.d]="vessel().water" />
      }
      <path class="mix" [attr.d]="vessel().mix" />
      <path class="roots" [attr.d]="shape().roots" />
      <path class="wall" [attr.d]="vessel().wall" />
      <path class="rim" [attr.d]="vessel().rim" />
      <path class="stem" [attr.d]="shape().stem" />
      <path class="leaf" [attr.d]="shape().leaves" />
      <path class="vein" [attr.d]="shape().veins" />
      <path class="wind" [attr.d]="shape().wind" />
      @if (shape().coat; as coat) {
        <ellipse class="coat" [attr.cx]="coat.x" [attr.cy]="coat.y" rx="5" ry="3.6" />
      }
      @if (number() !== null) {
        <path class="stake" d="M45 74L52 50" />
        <rect class="tag" [attr.x]="tagX()" y="36" [attr.width]="tagWidth()" height="18" rx="1.5" />
        <text class="number" [attr.x]="tagX() + tagWidth() / 2" y="49.5" text-anchor="middle">{{ number() }}</text>
      }
    </svg>
  `,
  styleUrl: './plant.scss',
})
export class PlantDrawing {
  readonly stage = input.required<SeedlingStage>();
  readonly destination = input<Destination>('cup');
  readonly blade = input(false);
  /** Of its label; null where it is drawn for itself. */
  readonly number = input<number | null>(null);
  protected readonly shape = computed(() => plantShape(this.stage(), this.blade()));
  protected readonly vessel = computed(() => vesselOf(this.destination()));
  protected readonly tagWidth = computed(() => 8 + String(this.number() ?? '').length * 8);
  protected readonly tagX = computed(() => 71 - this.tagWidth());
}
