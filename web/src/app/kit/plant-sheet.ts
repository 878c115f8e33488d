import { ChangeDetectionStrategy, Component } from '@angular/core';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { SEEDLING_STAGES, type SeedlingStage } from '@fresh-tuck/core/nursing';
import { plantShape, vesselOf } from './plant-shapes';

/** The name of a stage on the sheet. @param blade onion kin and grasses */
export const plantOnSheet = (stage: SeedlingStage, blade: boolean): string => `#plant-${blade ? 'blade' : 'leaf'}-${stage}`;

/** Every seedling and every vessel drawn once: two hundred on a board point to them. */
@Component({
  selector: 'ft-plant-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg class="sheet" aria-hidden="true" width="0" height="0">
      <defs>
        @for (vessel of vessels; track vessel.id) {
          <g [attr.id]="'vessel-' + vessel.id">
            <path class="mix" [attr.d]="vessel.mix" />
            <path class="wall" [attr.d]="vessel.wall" />
            <path class="rim" [attr.d]="vessel.rim" />
          </g>
        }
        @for (plant of plants; track plant.id) {
          <g [attr.id]="plant.id">
            @for (line of plant.lines; track line.class) {
              <path [class]="line.class" [attr.d]="line.d" />
            }
          </g>
        }
      </defs>
    </svg>
  `,
  styleUrl: './plant.scss',
})
export class PlantSheet {
  protected readonly vessels = DESTINATIONS.map((id) => ({ id, ...vesselOf(id) }));
  protected readonly plants = [false, true].flatMap((blade) =>
    SEEDLING_STAGES.map((stage) => {
      const { roots, stem, leaves, veins, wind, coat } = plantShape(stage, blade);
      const husk = coat ? `M${coat.x - 5} ${coat.y}a5 3.6 0 1 0 10 0a5 3.6 0 1 0 -10 0` : '';
      const lines = [
        { class: 'roots', d: roots },
        { class: 'stem', d: stem },
        { class: 'leaf', d: leaves },
        { class: 'vein', d: veins },
        { class: 'wind', d: wind },
        { class: 'coat', d: husk },
        { class: 'stake', d: 'M45 74L52 50' },
      ];
      return { id: plantOnSheet(stage, blade).slice(1), lines: lines.filter(({ d }) => d !== '') };
    }),
  );
}
