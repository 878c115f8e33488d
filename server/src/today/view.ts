import type { Batch, Card, Stop, Today } from '@fresh-tuck/contract';
import { paperByNow } from '@fresh-tuck/core/judging';
import { listed, spanInWords, type Words, wordsFor } from '@fresh-tuck/core/units';
import { drowning, hotPlace } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import { alarmsOf, silentOf } from './alarms.js';
import type { Told } from './said.js';

/** Minutes that a round takes: to fetch and open a bag, to look a parcel through, to plant a sprout. Guess. */
const MINUTES = { bag: 1, parcel: 0.5, sprout: 1 } as const;

/** Leaves out what Today does not draw. */
function cardOf({ facts: { seeds, wanted, startMs, looks }, answers: { curve: _, ...answers }, ...batch }: Batch): Card {
  return { ...batch, facts: { seeds, wanted, startMs, looks }, answers };
}

/** Opening a bag opens every parcel in it: the others come along and say why. */
function stopOf(batch: Batch): Stop {
  const along = batch.answers.next.reason === 'bag';
  const mates = listed(batch.bagMates);
  return { batch: cardOf(batch), dueNow: !along, bagReason: along ? `In the same bag as ${mates}: look while it is open.` : null };
}

/** Parcels of one bag one after another, the bags by their lowest number. */
function byBag(due: readonly Batch[]): Batch[] {
  const first = (batch: Batch): number => Math.min(...batch.holder.numbers);
  return [...due].sort((a, b) => first(a) - first(b) || a.holder.id.localeCompare(b.holder.id) || a.number - b.number);
}

/** Somebody has just looked and decided: what is due still is due again at the next looking time, ms. */
const JUST_MS = 90 * 60_000;
/** What does not wait, whoever has looked. */
const AT_ONCE: readonly Batch['answers']['next']['reason'][] = ['heat', 'soak', 'bag'];

const justSeen = ({ lastLookMs, answers }: Batch, nowMs: number): boolean =>
  lastLookMs !== null && lastLookMs <= nowMs && nowMs - lastLookMs < JUST_MS && !AT_ONCE.includes(answers.next.reason);
/** When a parcel is next looked at: one that was just looked at, no sooner than at the next looking time. */
const nextOf = ({ answers, facts }: Batch, nowMs: number): number =>
  answers.next.atMs > nowMs ? answers.next.atMs : (facts.lookTimesMs.find((ms) => ms > nowMs) ?? answers.next.atMs);

/** Begun longer ago than this when it was written down, a parcel was running already, ms. */
const RUNNING_MS = 12 * 3_600_000;
/** Nobody has looked for this long: somebody was away. */
const AWAY_MS = 36 * 3_600_000;

/** After an absence, what is due with a root in the paper, seen or by even chances; the longest first. */
function rescueOf(live: readonly Batch[], due: readonly Batch[], nowMs: number): Today['rescue'] {
  // One that was running when it was lately written down was not forgotten: somebody has just told of it.
  const known = live.filter(({ recordedMs, facts }) => recordedMs - facts.startMs < RUNNING_MS || nowMs - recordedMs >= AWAY_MS);
  const lastMs = Math.max(0, ...known.map(({ answers }) => answers.openedMs));
  if (known.length === 0 || nowMs - lastMs < AWAY_MS) return null;
  const batchIds = due
    .filter(({ answers, facts }) => paperByNow(facts, answers))
    .sort((a, b) => b.answers.longestMm / b.facts.crop.root.lateMm - a.answers.longestMm / a.facts.crop.root.lateMm)
    .map(({ id }) => id);
  return batchIds.length === 0 ? null : { away: spanInWords(nowMs - lastMs), batchIds };
}

/** What kills: hot places with all that stands there, and seed that lies in water past its limit. */
function dangersOf(live: readonly Batch[], nowMs: number, words: Words): Today['dangers'] {
  const hot = live.filter(({ answers }) => answers.heat !== null);
  const places = [...new Set(hot.map(({ holder }) => holder.spotId))].map((spotId) => {
    const there = hot.filter(({ holder }) => holder.spotId === spotId);
    const spotName = there[0]?.holder.spotName ?? '';
    const peakC = Math.max(...there.map(({ answers }) => answers.heat?.peakC ?? 0));
    const dies = Math.max(...there.map(({ answers }) => answers.heat?.dies ?? 0));
    const numbers = there.map(({ number }) => number).sort((a, b) => a - b);
    return { spotId, spotName, ...hotPlace(spotName, peakC, dies, numbers, words), batchIds: there.map(({ id }) => id) };
  });
  const drowned = live
    .filter(({ answers: { drownsMs, state } }) => drownsMs !== null && drownsMs <= nowMs && state.quiet + state.showing > 0)
    .map(({ id, number, title, holder, answers }) => ({
      spotId: holder.spotId,
      spotName: holder.spotName,
      ...drowning(number, title, answers.state.quiet + answers.state.showing),
      batchIds: [id],
    }));
  return [...places, ...drowned];
}

/** Stops where something kills come first, each kind in walking order. */
const deadlyFirst = ({ batch }: Stop): number => (batch.answers.heat === null ? 1 : 0);

function minutesFor(due: readonly Batch[], nowMs: number): number {
  const bags = new Set(due.map(({ holder }) => holder.id)).size;
  const sprouts = due
    .flatMap(({ answers }) => answers.roots)
    .filter(({ readyMs }) => readyMs <= nowMs)
    .reduce((sum, { count }) => sum + count, 0);
  return Math.ceil(MINUTES.bag * bags + MINUTES.parcel * due.length + MINUTES.sprout * sprouts);
}

/** The walk round the home: what to open now and what to leave shut. */
export function todayView({ batches, forecasts, household, probes, rounds, said, spots, warm }: Reader) {
  return {
    whole(nowMs: number): Today {
      const home = household.get();
      const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
      const live = forecasts.at(home, nowMs).live();
      const due = live.filter((batch) => batch.answers.next.atMs <= nowMs && !justSeen(batch, nowMs));
      const stops = byBag(due).map(stopOf);
      const told = said.first(nowMs, home.zone);
      const stations = spots
        .list(home.zone, home.units, nowMs)
        .map((spot) => ({
          spot,
          stops: stops.filter(({ batch }) => batch.holder.spotId === spot.id).sort((a, b) => deadlyFirst(a) - deadlyFirst(b)),
        }))
        .filter((station) => station.stops.length > 0)
        .sort((a, b) => Math.min(...a.stops.map(deadlyFirst)) - Math.min(...b.stops.map(deadlyFirst)));
      return {
        nowMs,
        stations,
        dangers: dangersOf(live, nowMs, words),
        alarms: alarmsOf(live, (id) => warm.alarmed(id, nowMs), nowMs, words),
        silent: silentOf(probes.all(), (id) => spots.get(id).name, nowMs, words),
        shut: live
          .filter((batch) => !due.includes(batch))
          .map((batch) => ({ batch, nextMs: nextOf(batch, nowMs) }))
          .map(({ batch, nextMs }) => ({ batch: cardOf(batch), nextMs, nextInWords: words.when(nextMs) }))
          .sort((a, b) => a.nextMs - b.nextMs),
        batchCount: batches.count(),
        minutes: minutesFor(due, nowMs),
        changes: said.changes(live, nowMs, home.zone, words),
        rescue: rescueOf(live, due, nowMs),
        round: rounds.current(nowMs, new Set(live.map(({ id }) => id))),
        told: live.every(({ id }) => told.has(id)),
      };
    },
    /** What is told now of every batch, to be kept. */
    told: (nowMs: number): Told[] =>
      forecasts
        .at(household.get(), nowMs)
        .live()
        .map(({ id, answers, judgement }) => ({
          batchId: id,
          verdict: judgement.verdict,
          nextMs: answers.next.atMs,
          lead: judgement.headline.lead,
        })),
  };
}
