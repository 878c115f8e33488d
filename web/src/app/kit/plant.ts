import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Destination } from '@fresh-tuck/core/moving';
import type { SeedlingStage } from '@fresh-tuck/core/nursing';
import { SeedlingLines, seedlingOf } from './seedling-lines';

/** A seedling in what it stands in, cut open so that its roots show, its number on its label. */
@Component({
  selector: 'ft-plant',
  imports: [SeedlingLines],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [ftSeedling]="drawn()">
      @if (number() !== null) {
        <svg:path class="stake" d="M45 74L52 50" />
        <svg:rect class="tag" [attr.x]="tagX()" y="36" [attr.width]="tagWidth()" height="18" rx="1.5" />
        <svg:text class="number" [attr.x]="tagX() + tagWidth() / 2" y="49.5" text-anchor="middle">{{ number() }}</svg:text>
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
  protected readonly drawn = computed(() => seedlingOf(this.stage(), this.blade(), this.destination()));
  protected readonly tagWidth = computed(() => 8 + String(this.number() ?? '').length * 8);
  protected readonly tagX = computed(() => 71 - this.tagWidth());
}
