import { ChangeDetectionStrategy, Component, ViewEncapsulation, input } from '@angular/core';
import type { Destination } from '@fresh-tuck/core/moving';
import type { SeedlingStage } from '@fresh-tuck/core/nursing';
import { plantShape, vesselOf, type PlantShape, type Vessel } from './plant-shapes';

/** What is drawn of one seedling: it, and what it stands in. */
export interface Seedling {
  readonly stands: Vessel;
  /** Null where nothing stands in it. */
  readonly plant: PlantShape | null;
}
const known = new Map<string, Seedling>();
/** A seedling to be drawn, the same one for all that look alike. @param blade onion kin and grasses */
export function seedlingOf(stage: SeedlingStage | null, blade: boolean, destination: Destination): Seedling {
  const key = `${stage} ${blade} ${destination}`;
  const found = known.get(key) ?? { stands: vesselOf(destination), plant: stage && plantShape(stage, blade) };
  known.set(key, found);
  return found;
}

/**
 * The lines of a seedling and of what it stands in, in the drawing that asks for them.
 * A board draws two hundred: as few lines as tell it apart, and no copies by reference, which cost more than the lines.
 */
@Component({
  selector: 'svg[ftSeedling]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  // Its styles name it themselves: a mark on each line for its component would be a quarter of the work.
  encapsulation: ViewEncapsulation.None,
  host: { class: 'seedling', viewBox: '0 0 72 118', 'aria-hidden': 'true' },
  template: `
    @let stands = ftSeedling().stands;
    @let at = vessel();
    @if (at !== null) {
      <svg:path class="mix" [attr.d]="stands.mix" [attr.transform]="at || null" />
      <svg:path class="wall" [attr.d]="stands.wall" [attr.transform]="at || null" />
    }
    @if (stands.water) {
      <svg:path class="water" [attr.d]="stands.water" />
    }
    @if (ftSeedling().plant; as plant) {
      <svg:path class="roots" [attr.d]="plant.roots" />
      <svg:path class="stem" [attr.d]="plant.stem" />
      <svg:path class="leaf" [attr.d]="plant.leaves" />
      @if (plant.veins) {
        <svg:path class="vein" [attr.d]="plant.veins" />
      }
      @if (plant.wind) {
        <svg:path class="wind" [attr.d]="plant.wind" />
      }
      @if (plant.coat; as coat) {
        <svg:ellipse class="coat" [attr.cx]="coat.x" [attr.cy]="coat.y" rx="5" ry="3.6" />
      }
    }
    <ng-content />
  `,
  styleUrl: './seedling-lines.scss',
})
export class SeedlingLines {
  readonly ftSeedling = input.required<Seedling>();
  /** How what it stands in is drawn out for those that share it; null where another has drawn it. */
  readonly vessel = input<string | null>('');
}
