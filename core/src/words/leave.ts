import { aliveInWords } from './alive.js';
import type { Judgement, Leave } from '../judging/index.js';
import type { Method } from '../method/index.js';
import type { BagMates } from '../parcel/index.js';
import { capital, counted, DAY_MS, type Words } from '../units/index.js';
import type { Advice, Button } from './advice.js';
import { nextInWords } from './next.js';

/** Left alone for so long, a lot is one of months, ms. */
const LONG_MS = 5 * DAY_MS;
const CLOSE: Button = { label: 'Close the batch', act: { does: 'close', reason: 'all_moved' } };

/** What stays where it is, in words. */
export function leaveInWords(
  leave: Leave,
  next: Judgement['next'],
  method: Method,
  mates: BagMates | null,
  nowMs: number,
  words: Words,
): Advice {
  const shown = 'Every seed has shown itself or been taken out.';
  const say = (lead: string, text: string, by: string | null = null): Advice => ({
    kind: 'leave',
    lead,
    by,
    tone: 'waiting',
    text,
    button: null,
  });
  if (!('quiet' in leave)) {
    return leave.what === 'nothing_more' ? { ...say('Nothing more to come', shown), button: CLOSE } : say('No quiet seed left', shown);
  }
  const which = leave.quiet === 1 ? 'The quiet seed' : `Each of the ${leave.quiet} quiet seeds`;
  // Months lie ahead of it: what is felt and seen of it meanwhile matters more than what shows.
  const patient = leave.untilMs - nowMs > LONG_MS ? ' Moisture first; firm and pale is alive.' : '';
  const alive = `${which} ${aliveInWords(leave.alive)}.${patient}`;
  switch (leave.what) {
    case 'retuck':
      return say(method.bagged ? `Re-tuck ${counted(leave.quiet, 'quiet seed')}` : `Leave ${counted(leave.quiet, 'quiet seed')}`, alive);
    case 'look_now':
      return leave.unseenMm === null
        ? say('Look at it now', alive)
        : say(
            'Open it now, longest first',
            `A root that nobody has seen may be near ${words.length(leave.unseenMm)}: pots ready, and wet the paper before you pull at anything. ${alive}`,
          );
    case 'soak':
      return say('Leave it in the water', `Out then, dabbed dry and on to the towel. ${alive}`, `until ${words.when(leave.untilMs)}`);
    case 'cold':
      return say('Keep it cold', alive, `until ${words.when(leave.untilMs)}`);
    case 'shut':
      return say(method.nouns.leave, `${capital(nextInWords(next, method, mates))}. ${alive}`, `until ${words.when(leave.untilMs)}`);
  }
}
