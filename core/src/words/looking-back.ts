import { group } from 'd3-array';
import { faultOf, paceBeside, pastSum, type Fault, type OwnCurve, type PastBatch, type PastFate, type PastSum } from '../trials/index.js';
import { capital, counted, numberWord } from '../units/index.js';

/** How far off a day was: 1.2 times is "by 20 %". */
export function offInWords(times: number): string {
  const off = times - 1;
  if (off < 0.05) return 'hardly at all';
  return `by ${Math.round(100 * off)} %`;
}

/** The page's leading sentence. */
export function backLead(whole: PastSum): string {
  if (whole.batches === 0) return 'Nothing to look back on yet';
  return `${capital(numberWord(whole.batches))} ${whole.batches === 1 ? 'batch' : 'batches'}: ${whole.came} of ${whole.seeds} seeds came`;
}

/** Batches from which on the forecast's own word is judged. */
const JUDGED_FROM = 10;

/** How the forecast did by its own word; empty where it was never judged. */
export function forecastInWords({ batches, asked, held, timesOff, packet, days, saidDays }: PastSum): string[] {
  if (asked < 4) return [];
  const share = Math.round((100 * held) / asked);
  // Forecasts of one batch stand or fall together: a few batches judge nobody.
  const verdict =
    batches < JUDGED_FROM ? '' : share > 88 ? ': it was shyer than it need be' : share < 72 ? ': it was too sure of itself' : '';
  const sentences = [`It says 8 times in 10, and that held ${share} times in 100, of ${asked} times it was put to the test${verdict}.`];
  if (timesOff !== null && days !== null && saidDays !== null) {
    const side = Math.abs(saidDays - days) < 0.05 * days ? 'to neither side' : saidDays > days ? 'mostly too late' : 'mostly too early';
    sentences.push(
      `Before the first look its day for the middle seed was off ${offInWords(timesOff)}, ${side}: day ${saidDays.toFixed(1)} was said, day ${days.toFixed(1)} it was.`,
    );
  }
  if (packet)
    sentences.push(
      `Of the ${counted(packet.batches, 'batch', 'batches')} whose packet prints its days, the packet was off ${offInWords(packet.timesOff)}, the forecast ${offInWords(packet.forecastTimesOff)}.`,
    );
  return sentences;
}

/** Where the seeds went that became no plant. */
export function lossesInWords(sum: PastSum): string[] {
  const { quiet, rotten, snapped, thrown, died, lived } = sum;
  return [
    quiet > 0 ? `${counted(quiet, 'seed')} stayed quiet to the end` : '',
    rotten > 0 ? `${rotten} rotted` : '',
    snapped > 0 ? `${counted(snapped, 'sprout')} broke at the move` : '',
    thrown > 0 ? `${counted(thrown, 'sprout')} came and ${thrown === 1 ? 'was' : 'were'} never planted, or went on the compost` : '',
    died > 0 ? `${died} of ${died + lived} seedlings were lost` : '',
  ].filter(Boolean);
}

/** What a change next year would be about; its figures are in the sentence. */
export interface NextYear {
  readonly text: string;
  /** How much it would save, in seeds, looks or days: for the order. */
  readonly worth: number;
  readonly crop: string;
  /** The packet that it is about, where it is about one. */
  readonly packet?: string;
}

const MOST_SENTENCES = 5;
/** Fewer batches or openings than this are no habit. */
const HABIT = { batches: 2, openings: 6, thrown: 5, seeds: 12 } as const;
/** A packet that gives no more than this is poor. */
const POOR = 0.4;

/**
 * What to change next year, the most worthwhile first: each a sentence with its figures
 * from the house's own batches, at most five, and no more than one on a crop and matter.
 *
 * @param nameOf names of crops, packets and places by id
 */
export function nextYearInWords(
  batches: readonly PastBatch[],
  fateOf: (id: string) => PastFate,
  nameOf: (id: string) => string,
): NextYear[] {
  const byCrop = group(batches, ({ crop }) => crop);
  const found: NextYear[] = [];
  for (const [crop, own] of byCrop) {
    const name = nameOf(crop);
    const sum = pastSum(own, fateOf);
    const opened = own.filter(({ openings }) => openings > 0);
    if (sum.tooSoon >= HABIT.openings && opened.length >= HABIT.batches) {
      const first = Math.min(...own.flatMap(({ score }) => (score.middle ? [score.middle.cameDays] : [])));
      const day = Number.isFinite(first) ? Math.max(1, Math.floor(first * 0.6)) : null;
      found.push({
        crop,
        worth: sum.tooSoon,
        text: `${name} was opened ${sum.tooSoon} times before a root was likely, of ${sum.openings} times in all, and nothing was there${day === null ? '' : `: leave it shut for the first ${counted(day, 'day')}`}.`,
      });
    }
    // Where no move was ever written down, nobody knows what became of them.
    if (sum.thrown >= HABIT.thrown && sum.moved > 0 && sum.thrown > 0.25 * sum.came) {
      found.push({
        crop,
        worth: sum.thrown,
        text: `Of ${sum.came} sprouts of ${name.toLowerCase()} ${sum.thrown} were never planted, or went on the compost: start about ${Math.max(1, Math.floor((sum.thrown / sum.came) * 10))} in 10 fewer.`,
      });
    }
    if (sum.snapped >= 3 && sum.snapped > 0.12 * (sum.moved + sum.snapped)) {
      found.push({
        crop,
        worth: 2 * sum.snapped,
        text: `${counted(sum.snapped, 'sprout')} of ${sum.moved + sum.snapped} of ${name.toLowerCase()} broke at the move: move them a day sooner, or cut the patch and plant it.`,
      });
    }
    found.push(...poorPackets(own, name, nameOf), ...slowPlaces(own, name, nameOf));
  }
  return found.sort((a, b) => b.worth - a.worth).slice(0, MOST_SENTENCES);
}

/** What to do about few of a packet's seed, by what kept the rest from coming: the packet is blamed last. */
const MEND_WORDS: Readonly<Record<Exclude<Fault, 'seed'>, string>> = {
  cooked: 'it was hot enough to kill seed there: sow it again where it stays cooler before you blame the packet',
  drowned: 'it lay in water past what its kind stands: take it out in time before you blame the packet',
  asleep: 'much of it still slept for want of cold: give it its weeks of cold first, then count again',
  too_warm: 'its place kept part of it quiet, not dead: try it somewhere cooler',
  too_cold: 'its place kept part of it quiet, not dead: try it somewhere warmer',
  rotted: 'most of the rest rotted: dead seed does, and any that lies too wet. Try a dozen, wrung drier, before you sow it again',
  given_up_early: 'many of the quiet ones were likely alive when it was closed: give it longer',
};

/** A packet of which two in five came, or fewer. */
function poorPackets(own: readonly PastBatch[], name: string, nameOf: (id: string) => string): NextYear[] {
  return [...group(own, ({ packet }) => packet)].flatMap(([packet, its]) => {
    const [seeds, came] = [its.reduce((sum, one) => sum + one.seeds, 0), its.reduce((sum, one) => sum + one.came, 0)];
    if (seeds < HABIT.seeds || came / seeds > POOR) return [];
    const fault = faultOf(its);
    const each = Math.min(9, Math.max(2, Math.round(seeds / Math.max(came, 1))));
    return [
      {
        crop: its[0]?.crop ?? '',
        packet,
        worth: seeds - came,
        text: `Of ${name.toLowerCase()} (${nameOf(packet)}) ${came} of ${seeds} seeds came${
          fault === 'seed' ? `: get new seed, or start ${each} for each plant` : `, and ${MEND_WORDS[fault]}`
        }.`,
      },
    ];
  });
}

/** Places are told apart by half as long again and two days, where no fewer came in the quicker one but for chance. */
const SLOWER = { times: 1.5, days: 2, fewer: 0.1 } as const;

/** A place where the crop took half as long again as in another of the house, seen by the same sign. */
function slowPlaces(own: readonly PastBatch[], name: string, nameOf: (id: string) => string): NextYear[] {
  return [...group(own, ({ event }) => event)].flatMap(([, alike]) => {
    const places = [...group(alike, ({ spot }) => spot)].flatMap(([spot, its]) => {
      const days = its.flatMap(({ score }) => (score.middle ? [score.middle.cameDays] : []));
      const share = its.reduce((sum, { came }) => sum + came, 0) / its.reduce((sum, { seeds }) => sum + seeds, 0);
      return days.length === 0 ? [] : [{ spot, share, days: days.reduce((sum, day) => sum + day, 0) / days.length }];
    });
    places.sort((a, b) => a.days - b.days);
    const [quick, slow] = [places[0], places.at(-1)];
    if (!quick || !slow || slow.days < SLOWER.times * quick.days || slow.days - quick.days < SLOWER.days) return [];
    if (quick.share < slow.share - SLOWER.fewer) return [];
    return [
      {
        crop: own[0]?.crop ?? '',
        worth: 3 * (slow.days - quick.days),
        text: `${name} took ${slow.days.toFixed(0)} days at ${nameOf(slow.spot)} and ${quick.days.toFixed(0)} at ${nameOf(quick.spot)}, where no fewer came: start it there.`,
      },
    ];
  });
}

/** What the house's own batches of a crop say beside the book; null where they say nothing that differs. */
export function learntInWords(batches: readonly PastBatch[], name: string): string | null {
  if (batches.length < HABIT.batches) return null;
  const { times, low, high } = paceBeside(batches);
  if (low <= 1.05 && high >= 0.95) return null;
  const side = times > 1 ? 'longer' : 'less long';
  const off = Math.round(100 * Math.abs(times - 1));
  const range = [low, high].map((one) => Math.round(100 * Math.abs(one - 1))).sort((a, b) => a - b);
  return `${name} takes ${off} % ${side} here than the book has it, likely ${range[0]} to ${range[1]} %, by ${counted(batches.length, 'batch', 'batches')}.`;
}

/** Minutes at the worktop and money for seed, where they were written down. */
export function spentInWords(
  minutes: { readonly batches: number; readonly seconds: number },
  money: { readonly packets: number; readonly paid: number },
): string[] {
  const sentences: string[] = [];
  if (minutes.batches > 0) {
    const all = minutes.seconds / 60;
    sentences.push(
      `${counted(Math.max(Math.round(all), 1), 'minute')} at the worktop for the ${counted(minutes.batches, 'batch', 'batches')} that were timed, ${(all / minutes.batches).toFixed(1)} each.`,
    );
  }
  if (money.packets > 0)
    sentences.push(`The ${counted(money.packets, 'packet')} whose price was written down cost ${money.paid.toFixed(2)}.`);
  return sentences;
}

/** What the house's own curve of a crop says beside the book's. */
export function curveInWords({ spread, outweighs }: Pick<OwnCurve, 'spread' | 'outweighs'>, book: number, batches: number): string[] {
  const weigh = outweighs
    ? `${capital(numberWord(batches))} batches outweigh the book: forecasts begin with this house's pace.`
    : `The book still weighs more: ${counted(batches, 'batch', 'batches')} of this house say too little by themselves.`;
  if (spread === null) return [weigh];
  const how = spread > 1.25 * book ? 'further apart than' : spread < 0.8 * book ? 'closer together than' : 'about as far apart as';
  return [weigh, `Its seeds come ${how} the book has it.`];
}
