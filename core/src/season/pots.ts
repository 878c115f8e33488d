import type { Crop } from '../crops/index.js';

/** The cell that room on a shelf is counted in, mm. */
export const CELL_MM = 40;
/** A cup and a cell as they are usual, mm across. Common practice, no source. */
const USUAL_MM = { cell: CELL_MM, pot: 90 } as const;

/** What a crop stands in: first, and after it was potted on; in cells of {@link CELL_MM}. */
export interface PotCells {
  readonly first: number;
  /** Null where it is not potted on before it goes out. */
  readonly second: number | null;
}

const cells = (mm: number): number => Math.max((mm / CELL_MM) ** 2, 0.2);

/**
 * The room that a crop's pots take, read from its own line ("cell 40 mm, then 90 mm pot"): pots
 * stand edge to edge.
 */
export function potCells({ moving }: Pick<Crop, 'moving'>): PotCells {
  const [first = '', second] = moving.pot.split(/,?\s+then\s+/);
  const size = (text: string, usual: number): number => {
    const found = /(\d+)(?:-(\d+))?\s*mm/.exec(text);
    // A deep pot is narrower than it is deep.
    const deep = /deep|tube/.test(text) ? 0.6 : 1;
    if (!found) return usual;
    const mm = (Number(found[1]) + Number(found[2] ?? found[1])) / 2;
    return mm >= 100 || /pot|tube/.test(text) ? Math.max(mm * deep, CELL_MM) : mm;
  };
  return { first: cells(size(first, USUAL_MM.cell)), second: second === undefined ? null : cells(size(second, USUAL_MM.pot)) };
}
