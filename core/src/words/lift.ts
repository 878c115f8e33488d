import type { Lengths, Lift } from '../judging/index.js';
import type { Crop } from '../crops/index.js';
import type { Method } from '../method/index.js';
import { about, before, counted, HOUR_MS, listed, type Words } from '../units/index.js';
import type { Advice, Button } from './advice.js';
import { mixInWords } from './sheet.js';

/** A deadline nearer than this is written in the ink of trouble, ms. */
export const PRESSING_MS = 14 * HOUR_MS;

const OPEN: Button = { label: 'Open it', act: { does: 'open' } };

function lengths({ measuredMm, longestMm }: Lengths, words: Words): string {
  if (measuredMm === null) return `The longest about ${words.length(longestMm)} by now.`;
  const list = measuredMm.map((mm) => words.length(mm));
  return `${list.length > 1 ? 'Roots' : 'A root'} of about ${listed(list)}.`;
}

function moveText({ moving, root }: Crop, words: Words): string {
  const { depthMm, surfaceSown, pot } = moving;
  const place = surfaceSown ? 'On the surface, pressed in' : `Root down, ${words.told(`${Math.round(depthMm)} mm`)} deep`;
  const hold = root.shy === 2 ? 'It hates being moved: go gently, hold it by the coat.' : 'Hold it by the coat, never the root.';
  return `${place}, into damp ${mixInWords(moving)} (${words.told(pot)}). ${hold}`;
}

/** What freeing a late root means, by what it has grown into. */
const rescued = ({ late }: Method): string =>
  late === 'in_paper' ? 'Longest first. A root in the paper stays there: wet it, tear the patch away and plant both. ' : 'Longest first. ';

/** Seedlings that are up where they were sown: light, and nothing is lifted. */
function shootsInWords(lift: Extract<Lift, { what: 'lift' }>, nowMs: number, words: Words): Advice {
  const rescue = lift.kind === 'rescue';
  return {
    kind: lift.kind,
    lead: rescue ? `Light now for ${counted(lift.count, 'seedling')}` : `Bring ${counted(lift.count, 'seedling')} into the light`,
    by: rescue ? 'now' : `before ${words.when(before(lift.byMs))}`,
    tone: rescue || lift.byMs < nowMs + PRESSING_MS ? 'trouble' : 'growth',
    text: rescue
      ? 'Without light they have stretched by now: as bright as you have it, cooler than before, the lid off. Leggy ones are set deeper when they are potted up.'
      : 'A seedling that is up stretches in the dark: as bright as you have it, the lid propped, no direct sun behind a lid.',
    button: null,
  };
}

/** What is to be done with what has shown, in words. */
export function liftInWords(lift: Lift, crop: Crop, method: Method, nowMs: number, words: Words): Advice {
  const { young, event } = method.nouns;
  if (lift.what === 'tips') {
    return {
      kind: 'retuck',
      lead: `Re-tuck ${counted(lift.count, event.one, event.many)}`,
      by: `ready about ${words.when(about(lift.readyMs))}`,
      tone: 'waiting',
      text:
        method.late === 'in_paper'
          ? lift.lateMm > crop.root.lateMm
            ? `Move at ${words.length(lift.readyMm)}, before ${words.length(lift.lateMm)}: from ${words.length(crop.root.lateMm)} on roots grow into the paper.`
            : `Move at ${words.length(lift.readyMm)}; roots enter the paper near ${words.length(lift.lateMm)}.`
          : `Move at ${words.length(lift.readyMm)}.`,
      button: null,
    };
  }
  if (lift.grows === 'shoot') return shootsInWords(lift, nowMs, words);
  const rescue = lift.kind === 'rescue';
  const leaves = lift.leavesOpen ? 'Where seed leaves are open it is overdue: into light as soon as it is planted. ' : '';
  return {
    kind: lift.kind,
    lead: `${rescue ? 'Rescue' : 'Move'} ${counted(lift.count, young)}`,
    by: rescue ? 'now' : `before ${words.when(before(lift.byMs))}`,
    tone: rescue || lift.byMs < nowMs + PRESSING_MS ? 'trouble' : 'growth',
    text: rescue
      ? `${lengths(lift.lengths, words)} ${leaves}${rescued(method)}${moveText(crop, words)}`
      : `${lengths(lift.lengths, words)} ${moveText(crop, words)}`,
    button: OPEN,
  };
}
