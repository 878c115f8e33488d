import { ChangeDetectionStrategy, Component, ElementRef, inject, input, ViewEncapsulation, type OnChanges } from '@angular/core';
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

function lineOf(kind: string, d: string, moved = ''): SVGPathElement[] {
  if (d === '') return [];
  const path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
  path.setAttribute('class', kind);
  path.setAttribute('d', d);
  if (moved !== '') path.setAttribute('transform', moved);
  return [path];
}
const drawings = new WeakMap<Seedling, Map<string | null, DocumentFragment>>();
/** Its lines, made once for all that look alike. */
function drawingOf(seedling: Seedling, vessel: string | null): DocumentFragment {
  const own = drawings.get(seedling) ?? new Map<string | null, DocumentFragment>();
  drawings.set(seedling, own);
  let drawing = own.get(vessel);
  if (!drawing) {
    own.set(vessel, (drawing = document.createDocumentFragment()));
    const { stands, plant } = seedling;
    if (vessel !== null) drawing.append(...lineOf('mix', stands.mix, vessel), ...lineOf('wall', stands.wall, vessel));
    drawing.append(...lineOf('water', stands.water));
    if (plant) {
      const { roots, stem, leaves, veins, wind, coat } = plant;
      const husk = coat ? `M${coat.x - 5} ${coat.y}a5 3.6 0 1 0 10 0a5 3.6 0 1 0 -10 0` : '';
      drawing.append(...lineOf('roots', roots), ...lineOf('stem', stem), ...lineOf('leaf', leaves), ...lineOf('vein', veins));
      drawing.append(...lineOf('wind', wind), ...lineOf('coat', husk));
    }
  }
  return drawing;
}

/**
 * The lines of a seedling and of what it stands in, in the drawing that asks for them.
 * A board draws two hundred: as few lines as tell it apart, each a copy of lines that were made once.
 */
@Component({
  selector: 'svg[ftSeedling]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  // Its styles name it themselves: its lines bear no mark of this component.
  encapsulation: ViewEncapsulation.None,
  host: { class: 'seedling', viewBox: '0 0 72 118', 'aria-hidden': 'true' },
  template: '<ng-content />',
  styleUrl: './seedling-lines.scss',
})
export class SeedlingLines implements OnChanges {
  readonly ftSeedling = input.required<Seedling>();
  /** How what it stands in is drawn out for those that share it; null where another has drawn it. */
  readonly vessel = input<string | null>('');

  private readonly svg = inject<ElementRef<SVGSVGElement>>(ElementRef).nativeElement;
  private lines: readonly ChildNode[] = [];

  ngOnChanges(): void {
    for (const line of this.lines) line.remove();
    const drawing = drawingOf(this.ftSeedling(), this.vessel()).cloneNode(true);
    this.lines = [...drawing.childNodes];
    this.svg.prepend(drawing);
  }
}
