import betaln from '@stdlib/math-base-special-betaln';
import type { Prior } from './prior.js';

/** A few lots are duds whatever the packet says. */
const DUD = { chance: 0.04, a: 0.6, b: 15 } as const;
const DUD_SCALE = Math.log(DUD.chance) - betaln(DUD.a, DUD.b);

/** Log density of the living share's prior along its angle, at each node: a beta and the few duds. */
export function logShareDensities({ mean, weight }: Prior['share'], shares: Float64Array): Float64Array {
  const [a, b] = [mean * weight, (1 - mean) * weight];
  const lot = Math.log(1 - DUD.chance) - betaln(a, b);
  return shares.map((v) => {
    const [logV, logRest] = [Math.log(v), Math.log1p(-v)];
    const mixed = Math.exp(lot + (a - 1) * logV + (b - 1) * logRest) + Math.exp(DUD_SCALE + (DUD.a - 1) * logV + (DUD.b - 1) * logRest);
    // The angle's own measure: d(sin²) = 2 sin cos.
    return Math.log(mixed) + Math.LN2 + (logV + logRest) / 2;
  });
}
