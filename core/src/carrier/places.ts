/** A place on the towel, mm from the left and the top of the folded pane. */
export interface Spot {
  readonly xMm: number;
  readonly yMm: number;
}

/** Least distance between any two places, mm; Infinity for one. */
export function nearestDistance(spots: readonly Spot[]): number {
  let nearest = Infinity;
  spots.forEach((a, i) => {
    for (const b of spots.slice(i + 1)) nearest = Math.min(nearest, Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm));
  });
  return nearest;
}
