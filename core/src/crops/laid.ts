/** What seed lies in where it lies on a towel, or in loose stuff in a bag. */
export const MEDIA = ['paper', 'tissue', 'cloth', 'pad', 'perlite', 'vermiculite'] as const;
export type Medium = (typeof MEDIA)[number];
/** What the water is: plain, or with a little household peroxide. */
export const DAMPINGS = ['water', 'peroxide'] as const;
export type Damping = (typeof DAMPINGS)[number];
/** How wet: wrung out, a little free water in the fold, or a pool in one corner. */
export const WETNESSES = ['wrung', 'free', 'pool'] as const;
export type Wetness = (typeof WETNESSES)[number];
