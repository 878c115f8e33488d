import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { NurseryPlace, Plant, Tray } from '@fresh-tuck/contract';
import { nextStage, type SeedlingStage } from '@fresh-tuck/core/nursing';
import { SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { plantOnSheet } from '../kit/plant-sheet';
import { CellTray } from './cell-tray';
import { LightStrip } from './light-strip';

/** So many pots are drawn one by one; more are a tray seen from above. */
const MOST_DRAWN = 12;

/** A seedling that was touched, and what that says of it. */
export interface Touched {
  readonly number: number;
  readonly stage: SeedlingStage;
}

/** What one touch says of a seedling: in its last pot it goes from true leaves straight to hardening. */
export function touchSays({ stage }: Plant, { finalPot }: Pick<Tray, 'finalPot'>): SeedlingStage | null {
  const next = nextStage(stage);
  return next === 'roots_out' && finalPot ? 'hardening' : next;
}

/** A place of the nursery: its window or lamp, the wooden edge, and on it what stands there. */
@Component({
  selector: 'ft-nursery-place',
  imports: [CellTray, LightStrip, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './place.html',
  styleUrl: './place.scss',
})
export class PlaceBoard {
  readonly place = input.required<NurseryPlace>();
  readonly nowHour = input.required<number>();
  /** Whether the hours are written under its light. */
  readonly axis = input(false);
  /** Labels that something is due of: they are ringed. */
  readonly due = input<ReadonlySet<number>>(new Set());
  readonly touched = output<Touched>();

  protected readonly drawnAs = computed(() =>
    this.place().trays.map((tray) => ({
      tray,
      cells: tray.destination === 'cell' || tray.destination === 'plug' || tray.plants.length > MOST_DRAWN,
      flat: tray.destination === 'slot',
    })),
  );
  protected readonly daylit = computed(() => this.place().setup?.daylit ?? null);
  protected readonly lamp = computed(() => this.place().setup?.lamp ?? null);

  protected readonly drawing = plantOnSheet;

  protected aria(plant: Plant, tray: Tray): string {
    const next = touchSays(plant, tray);
    const words = SEEDLING_WORDS[plant.stage].title.toLowerCase();
    return `${plant.number} ${tray.name}, ${tray.variety}: ${words}.${next ? ` Touch: ${SEEDLING_WORDS[next].title.toLowerCase()}` : ''}`;
  }

  protected touch(plant: Plant, tray: Tray): void {
    const stage = touchSays(plant, tray);
    if (stage) this.touched.emit({ number: plant.number, stage });
  }
}
