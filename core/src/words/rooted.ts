import { counted } from '../units/index.js';

/** How sprouts of a crop that had rooted into the paper came out in this house, and how they fared. */
export interface RootedRecord {
  readonly freed: number;
  readonly patched: number;
  readonly snapped: number;
  readonly freedLived: number;
  readonly freedLost: number;
  readonly patchedLived: number;
  readonly patchedLost: number;
}

const fared = (lived: number, lost: number): string => (lived + lost === 0 ? '' : `, ${lived} of ${lived + lost} lived on`);

/** Freed against cut out with the paper, by own records; null where there are none. */
export function rootedInWords({ freed, patched, snapped, freedLived, freedLost, patchedLived, patchedLost }: RootedRecord): string | null {
  if (freed + patched + snapped === 0) return null;
  const free =
    freed + snapped > 0 ? `${counted(freed + snapped, 'root')} pulled free, ${snapped} snapped${fared(freedLived, freedLost)}` : '';
  const cut = patched > 0 ? `${patched} cut out with the paper${fared(patchedLived, patchedLost)}` : '';
  const few = freed + snapped < 8 || patched < 8 ? ' Too few yet to say which is better.' : '';
  return `Here so far: ${[free, cut].filter(Boolean).join('; ')}.${few}`;
}
