import type { Judgement, Leave } from '../judging/index.js';
import type { Method } from '../method/index.js';
import type { BagMates } from '../parcel/index.js';
import { capital, chanceInWords, counted, type Words } from '../units/index.js';
import type { Advice } from './advice.js';
import { nextInWords } from './next.js';

/** What stays where it is, in words. */
export function leaveInWords(leave: Leave, next: Judgement['next'], method: Method, mates: BagMates | null, words: Words): Advice {
  const shown = 'Every seed has shown itself or been taken out.';
  const say = (lead: string, text: string, by: string | null = null): Advice => ({ kind: 'leave', lead, by, tone: 'waiting', text });
  if (!('quiet' in leave)) {
    return leave.what === 'nothing_more' ? say('Nothing more to come', `${shown} Close the batch.`) : say('No quiet seed left', shown);
  }
  const each = leave.quiet === 1 ? 'lives' : 'each live';
  const alive = `${counted(leave.quiet, 'quiet seed')} ${each} with ${chanceInWords(leave.alive)}.`;
  switch (leave.what) {
    case 'retuck':
      return say(method.bagged ? `Re-tuck ${counted(leave.quiet, 'quiet seed')}` : `Leave ${counted(leave.quiet, 'quiet seed')}`, alive);
    case 'look_now':
      return say('Look at it now', alive);
    case 'cold':
      return say('Keep it cold', alive, `until ${words.when(leave.untilMs)}`);
    case 'shut':
      return say(method.nouns.leave, `${capital(nextInWords(next, method, mates))}. ${alive}`, `until ${words.when(leave.untilMs)}`);
  }
}
