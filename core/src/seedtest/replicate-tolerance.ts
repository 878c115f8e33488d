/**
 * Greatest allowed spread between four replicates of 100 seeds by their average,
 * percent: ISTA Table 5B after S. R. Miles, *Proc. ISTA* 28 (1963), from memory.
 * Lower averages mirror it; all or none leaves nothing to differ.
 */
const TOLERANCES: readonly (readonly [from: number, to: number, range: number])[] = [
  [99, 99, 5],
  [98, 98, 6],
  [97, 97, 7],
  [96, 96, 8],
  [95, 95, 9],
  [93, 94, 10],
  [91, 92, 11],
  [89, 90, 12],
  [87, 88, 13],
  [84, 86, 14],
  [81, 83, 15],
  [78, 80, 16],
  [73, 77, 17],
  [67, 72, 18],
  [56, 66, 19],
  [51, 55, 20],
];

/** @param average percent, 0 to 100, whole; @returns percent, or null for an average of 0 or 100, which the table leaves out */
export function toleranceOf(average: number): number | null {
  const mirrored = average < 51 ? 101 - average : average;
  return TOLERANCES.find(([from, to]) => mirrored >= from && mirrored <= to)?.[2] ?? null;
}
