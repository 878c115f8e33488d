import type { PacketIdea } from '@fresh-tuck/contract';
import { lastFrostNear, startWindow } from '@fresh-tuck/core/season';
import { wordsFor, yearAt } from '@fresh-tuck/core/units';
import { ideaInWords, type Idea } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import { ageOf } from '../packets/rows.js';

const DAY_MS = 86_400_000;
/** A start of another year this near to today is one of these days. */
const NEAR_MS = 8 * DAY_MS;
const YEAR_MS = 365.25 * DAY_MS;
/** A packet past this share of its storage life is to be used up: as the box has it. */
const NEARLY_OVER = 0.75;
/** Ideas of each kind that are named, and of all. */
const MOST_OF_KIND = 3;
const MOST = 8;
/** The dearest first. */
const ORDER: readonly Idea['why'][] = ['second', 'short', 'due', 'last_year', 'use_up'];

/** What could be started now, and why: where nobody has chosen a packet yet. */
export function ideasView({ crops, forecasts, household, packets }: Reader) {
  return (nowMs: number): PacketIdea[] => {
    const home = household.get();
    const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
    const dated = (ms: number): string => words.moment(ms).replace(/,.*$/, '');
    const found: { readonly packetId: string; readonly idea: Idea; readonly seeds: number | null }[] = [];
    for (const { packetId, otherPacketId, number, judgement, facts } of forecasts.at(home, nowMs).live()) {
      const act = judgement.advice.map(({ button }) => button?.act).find((one) => one?.does === 'start');
      if (act?.does !== 'start') continue;
      const second = facts.secondStep && facts.secondStep.atMs <= nowMs;
      found.push({
        packetId: act.packet === 'other' ? (otherPacketId ?? packetId) : packetId,
        idea: { why: second ? 'second' : 'short', number, seeds: act.seeds },
        seeds: act.seeds,
      });
    }
    const box = packets.list().filter(({ seedsLeft }) => seedsLeft !== 0);
    const running = new Set(box.flatMap(({ cropId, batches }) => (batches.some(({ live }) => live) ? [cropId] : [])));
    for (const { id, cropId, batches } of box) {
      const crop = crops.crop(cropId);
      const { frost } = home;
      const window = frost && startWindow(crop, frost, nowMs);
      if (frost && window && nowMs >= window.fromMs && nowMs <= window.toMs && !running.has(cropId)) {
        const idea: Idea = { why: 'due', frostMs: lastFrostNear(frost, window.toMs), untilMs: window.toMs, guessed: frost.guessed };
        found.push({ packetId: id, idea, seeds: null });
      }
      const before = batches
        .map(({ startMs }) => startMs)
        .findLast((ms) => nowMs - ms > NEAR_MS && Math.abs(((nowMs - ms + YEAR_MS / 2) % YEAR_MS) - YEAR_MS / 2) < NEAR_MS);
      if (before !== undefined && !running.has(cropId)) found.push({ packetId: id, idea: { why: 'last_year', atMs: before }, seeds: null });
      const { aged } = ageOf(packets.get(id), yearAt(home.zone, nowMs));
      if (aged !== null && aged >= NEARLY_OVER * crop.viability.storageYears)
        found.push({ packetId: id, idea: { why: 'use_up', years: aged }, seeds: null });
    }
    // What ends soonest is named first.
    found.sort((a, b) => (a.idea.why === 'due' ? a.idea.untilMs : 0) - (b.idea.why === 'due' ? b.idea.untilMs : 0));
    const named = new Set<string>();
    return ORDER.flatMap((why) => found.filter(({ idea }) => idea.why === why).slice(0, MOST_OF_KIND))
      .filter(({ packetId }) => !named.has(packetId) && named.add(packetId))
      .slice(0, MOST)
      .map(({ packetId, idea, seeds }) => {
        const { id, cropName, variety, seedsLeft } = packets.packet(packetId);
        return { id, cropName, variety, seedsLeft, why: ideaInWords(idea, dated), seeds };
      });
  };
}
