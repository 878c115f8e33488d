/**
 * Coverage of the middle 80 % that is fair to small counts: the share of [F(y-1), F(y)]
 * that lies inside [0.1, 0.9]. A forecast that tells the truth scores 0.8 on average,
 * whereas a stretch of whole seeds can hardly hold exactly 80 %.
 *
 * Source: the randomised probability integral transform of C. Czado, T. Gneiting and L.
 * Held, "Predictive model assessment for count data", *Biometrics* 65 (2009) 1254-1261,
 * without the drawing.
 *
 * @param distribution chances of 0, 1, 2 …; @param y what came
 */
export function fairCoverage(distribution: ArrayLike<number>, y: number): number {
  let below = 0;
  for (let k = 0; k < y; k++) below += distribution[k] ?? 0;
  const at = distribution[y] ?? 0;
  if (at <= 0) return 0;
  return Math.max(Math.min(below + at, 0.9) - Math.max(below, 0.1), 0) / at;
}

/** Log score of a forecast mixed with 1 % of anything, so that one surprise does not decide it all; nats. */
export const logScore = (distribution: ArrayLike<number>, y: number): number =>
  Math.log(0.99 * (distribution[y] ?? 0) + 0.01 / distribution.length);
