import type { Crop } from '../crops/index.js';
import type { Isolation, Stock } from '../seedbox/index.js';
import { capital, listed, rangeInWords } from '../units/index.js';
import { ISOLATION_WORDS } from './vocabulary.js';

/** A packet that ages within so much of a dry drawer's pace is told as one. */
const LIKE_A_DRAWER = 0.1;

/** What a packet is good for and what to do with it first, in one line. */
export function packetHeadline({ mean, advice }: Pick<Stock, 'mean' | 'advice'>, seedsLeft: number | null): string {
  const tenths = Math.round(mean * 10);
  const live = tenths === 0 ? 'hardly any still live' : tenths === 10 ? 'nearly all live' : `about ${tenths} in 10 live`;
  if (advice.includes('empty')) return 'It is used up';
  if (advice.includes('test_first')) return `Test it before you count on it: ${live}`;
  if (advice.includes('use_up')) return `Use it up: ${live}, fewer each year`;
  if (advice.includes('short')) return `Nearly empty: ${seedsLeft} left, ${live}`;
  return capital(live);
}

/** What stands on it: "80 %, 6 to 10 days"; null where nothing does. */
export function printedInWords(ratePercent: number | null, days: readonly [number, number] | null): string | null {
  const parts = [ratePercent === null ? '' : `${ratePercent} %`, days === null ? '' : `${rangeInWords(...days)} days`].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : null;
}

/** How fast it ages where it is kept. @param pace years of a dry drawer that a year there adds */
export function paceInWords(pace: number): string {
  if (Math.abs(pace - 1) < LIKE_A_DRAWER) return 'it ages as in a dry drawer';
  return pace < 1
    ? `it ages ${(1 / pace).toFixed(0)} times slower than in a dry drawer`
    : `it ages ${pace.toFixed(1)} times faster than in a dry drawer`;
}

/** Whether a plant's seed would come true where it stands. @param kin other varieties of its crop that stand there too */
export function seedSavingInWords({ growing: { isolationM } }: Pick<Crop, 'growing'>, variety: string, kin: readonly string[]): string {
  const crossed = /\bF ?1\b/i.test(variety) ? ' It is a first cross: its seed comes as a mixture.' : '';
  if (isolationM === null) return `No distance is known that keeps its kind true.${crossed}`;
  if (kin.length > 0)
    return `${capital(listed(kin))} ${kin.length === 1 ? 'stands' : 'stand'} here too: nearer than ${isolationM} m they cross. Bag a flower before it opens and pollinate it by hand, or let only one of them bloom at a time.${crossed}`;
  return `No other variety of it stands here. Its pollen may come from ${isolationM} m away: look over the fence before you trust its seed.${crossed}`;
}

/** How its kin were kept away, and whether that was far enough. @param neededM what its kind asks for, m */
export function isolationInWords(isolation: Isolation, metres: number | null, neededM: number | null): string {
  const far = metres === null ? '' : `, ${metres} m`;
  const close = isolation === 'distance' && metres !== null && neededM !== null && metres < neededM;
  return `${ISOLATION_WORDS[isolation]}${far}${close ? ` (its kind asks for ${neededM} m: it may have crossed)` : ''}`;
}
