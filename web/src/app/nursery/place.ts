import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { NurseryPlace, Plant, Tray } from '@fresh-tuck/contract';
import { touchSays, type SeedlingStage } from '@fresh-tuck/core/nursing';
import { SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { SeedlingLines, seedlingOf } from '../kit/seedling-lines';
import { BedPlan } from './bed-plan';
import { CellTray } from './cell-tray';
import { LightStrip } from './light-strip';
import { RackBoard } from './rack';

/** So many pots are drawn one by one; more are a tray seen from above. */
const MOST_DRAWN = 12;

/** A vessel as wide as those that share it, drawn with the first of them; null for the others. */
function vesselFor({ number, pot }: Plant, { plants }: Tray): string | null {
  if (pot === null) return '';
  if (pot !== number && plants.some((other) => other.number === pot)) return null;
  const more = plants.filter((other) => other.pot === pot).length - 1;
  const wide = 1 + 0.75 * more;
  return `translate(${36 + 23 * more - 36 * wide} 0) scale(${wide} 1)`;
}

/** A seedling that was touched, and what that says of it. */
export interface Touched {
  readonly number: number;
  readonly stage: SeedlingStage;
}

/** A place of the nursery: its window or lamp, the wooden edge, and on it what stands there. */
@Component({
  selector: 'ft-nursery-place',
  imports: [BedPlan, CellTray, LightStrip, RackBoard, RouterLink, SeedlingLines],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './place.html',
  styleUrls: ['./place.scss', '../kit/plant-tag.scss'],
})
export class PlaceBoard {
  readonly place = input.required<NurseryPlace>();
  readonly nowHour = input.required<number>();
  /** Whether the hours are written under its light. */
  readonly axis = input(false);
  /** Labels that something is due of: they are ringed. */
  readonly due = input<ReadonlySet<number>>(new Set());
  readonly touched = output<Touched>();
  /** Labels that go into free slots of the rack. */
  readonly filled = output<{ readonly number: number; readonly slot: number }[]>();

  protected readonly drawnAs = computed(() =>
    this.place()
      .trays.map((tray) => ({
        tray,
        // In its rack it is drawn in its slot.
        plants: tray.plants
          .filter(({ slot }) => slot === null || this.place().rack === null)
          .map((plant) => ({ plant, vessel: vesselFor(plant, tray), drawn: seedlingOf(plant.stage, tray.blade, tray.destination) })),
        cells: tray.destination === 'cell' || tray.destination === 'plug' || tray.plants.length > MOST_DRAWN,
        flat: tray.destination === 'slot',
      }))
      .filter(({ plants }) => plants.length > 0),
  );
  protected readonly daylit = computed(() => this.place().setup?.daylit ?? null);
  protected readonly lamp = computed(() => this.place().setup?.lamp ?? null);

  protected aria(plant: Plant, tray: Tray): string {
    const next = touchSays(plant.stage, tray);
    const words = SEEDLING_WORDS[plant.stage].title.toLowerCase();
    return `${plant.number} ${tray.name}, ${tray.variety}: ${words}.${next ? ` Touch: ${SEEDLING_WORDS[next].title.toLowerCase()}` : ''}`;
  }

  protected touch(plant: Plant, tray: Tray): void {
    const stage = touchSays(plant.stage, tray);
    if (stage) this.touched.emit({ number: plant.number, stage });
  }
}
