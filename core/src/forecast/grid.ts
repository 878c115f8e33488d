/** A stretch of one parameter with its nodes at the middles of equal steps. */
export interface Axis {
  readonly low: number;
  readonly step: number;
  readonly count: number;
}

export const axis = (low: number, high: number, count: number): Axis => ({ low, step: (high - low) / count, count });
export const node = ({ low, step }: Axis, index: number): number => low + (index + 0.5) * step;

/** The axes of the quadrature; the living share is laid out as sin², which gives both ends of its beta their due. */
export interface Grid {
  readonly angle: Axis;
  readonly logMedian: Axis;
  readonly logSpread: Axis;
}

/** The living share at an angle. */
export const shareOf = (angle: number): number => Math.sin(angle) ** 2;
