import type { Spot } from './places.js';

/** Layouts begun at random; the same ones every time. */
const STARTS = 14;
/** Repulsion steepens by squaring from stage to stage, until only the nearest two matter. */
const STAGES = 8;
const STEPS_A_STAGE = 9;
const FIRST_STEP = 0.13;
/** The best is shaken and settled again so many times, a few of its points harder than the rest. */
/** Larger sets take longer and gain less: the hops share a budget. */
const HOPS = 26;
const HOPS_BY_PAIRS = 3400;
const SHAKE = 0.3;
const HOP_FROM_STAGE = 2;
const POLISH_STEPS = 160;

/** A small multiplicative generator with its seed given (Park and Miller, 1988). */
function generator(): () => number {
  let state = 87_109;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/**
 * Spreads points in a rectangle so that the nearest two lie as far apart as can be:
 * repelling points with a force that steepens, from several starts, the best one
 * shaken on. Not proved best; held against published packings by its spec.
 *
 * @param count 1 to a few dozen
 * @param known layouts to begin from beside those
 */
export function spreadOut(count: number, widthMm: number, heightMm: number, known: readonly (readonly Spot[])[] = []): Spot[] {
  if (count === 1) return [{ xMm: widthMm / 2, yMm: heightMm / 2 }];
  const unit = Math.sqrt((widthMm * heightMm) / count);
  const next = generator();
  const hops = Math.min(HOPS, Math.ceil(HOPS_BY_PAIRS / (count * count)));
  const settle = (points: Float64Array, fromStage: number): void => {
    const stages = STAGES - fromStage;
    let near = nearestSquare(points);
    for (let step = 0; step < stages * STEPS_A_STAGE; step++) {
      const part = step / (stages * STEPS_A_STAGE);
      near = repel(points, widthMm, heightMm, fromStage + Math.floor(part * stages), unit * FIRST_STEP * (1 - part) ** 1.6, near);
    }
  };
  const polish = (points: Float64Array): number => {
    let near = nearestSquare(points);
    for (let step = 0; step < POLISH_STEPS; step++)
      near = repel(points, widthMm, heightMm, STAGES + 1, unit * 0.02 * (1 - step / POLISH_STEPS) ** 2, near);
    return nearestOf(points);
  };
  let best: { points: Float64Array; nearest: number } = { points: new Float64Array(2 * count), nearest: -1 };
  const keepBetter = (points: Float64Array): void => {
    const nearest = nearestOf(points);
    if (nearest > best.nearest * (1 + 1e-9)) best = { points, nearest };
  };
  for (let start = 0; start < STARTS + known.length; start++) {
    const points = Float64Array.from({ length: 2 * count }, (_, index) => next() * (index % 2 === 0 ? widthMm : heightMm));
    // A layout that is known is shaken a little: symmetric points cannot leave their balance.
    known[start - STARTS]?.forEach(({ xMm, yMm }, i) => {
      points[2 * i] = xMm + (next() - 0.5) * 0.15 * unit;
      points[2 * i + 1] = yMm + (next() - 0.5) * 0.15 * unit;
    });
    settle(points, 0);
    keepBetter(points);
  }
  polish(best.points);
  best = { ...best, nearest: nearestOf(best.points) };
  for (let hop = 0; hop < hops; hop++) {
    const points = best.points.map((value) => value + (next() - 0.5) * unit * (next() < 0.3 ? 4 * SHAKE : SHAKE));
    settle(points, HOP_FROM_STAGE);
    if (nearestOf(points) > best.nearest * 0.94) polish(points);
    keepBetter(points);
  }
  polish(best.points);
  return Array.from({ length: count }, (_, i) => ({ xMm: best.points[2 * i] as number, yMm: best.points[2 * i + 1] as number }));
}

function nearestSquare(points: Float64Array): number {
  let nearest = Infinity;
  for (let i = 0; i < points.length; i += 2) {
    for (let j = i + 2; j < points.length; j += 2) {
      const dx = (points[i] as number) - (points[j] as number);
      const dy = (points[i + 1] as number) - (points[j + 1] as number);
      nearest = Math.min(nearest, dx * dx + dy * dy);
    }
  }
  return nearest;
}
const nearestOf = (points: Float64Array): number => Math.sqrt(nearestSquare(points));

/**
 * Moves each point along the push of its neighbours, the most pushed by `reach`; the walls hold them.
 *
 * @param scale about the square of the nearest distance, so that no power overflows
 * @returns the square of the nearest distance before the step
 */
function repel(points: Float64Array, width: number, height: number, squarings: number, reach: number, scale: number): number {
  const near = Math.max(scale, reach * reach * 1e-6);
  let nearest = Infinity;
  const force = new Float64Array(points.length);
  for (let i = 0; i < points.length; i += 2) {
    for (let j = i + 2; j < points.length; j += 2) {
      const dx = (points[i] as number) - (points[j] as number);
      const dy = (points[i + 1] as number) - (points[j + 1] as number);
      const square = Math.max(dx * dx + dy * dy, near * 1e-6);
      if (square < nearest) nearest = square;
      let push = Math.min(near / square, 1.5);
      for (let s = 0; s < squarings && push > 1e-12; s++) push *= push;
      push /= square;
      force[i] = (force[i] as number) + dx * push;
      force[i + 1] = (force[i + 1] as number) + dy * push;
      force[j] = (force[j] as number) - dx * push;
      force[j + 1] = (force[j + 1] as number) - dy * push;
    }
  }
  let most = 1e-300;
  for (let i = 0; i < points.length; i += 2) most = Math.max(most, Math.hypot(force[i] as number, force[i + 1] as number));
  const step = reach / most;
  for (let i = 0; i < points.length; i += 2) {
    points[i] = Math.min(Math.max((points[i] as number) + step * (force[i] as number), 0), width);
    points[i + 1] = Math.min(Math.max((points[i + 1] as number) + step * (force[i + 1] as number), 0), height);
  }
  return nearest;
}
