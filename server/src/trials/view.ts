import type { Trial, TrialBatchShown, TrialCandidate, TrialCandidates, TrialInShort } from '@fresh-tuck/contract';
import { soakEnd } from '@fresh-tuck/core/preparing';
import { DAY_MS, HOUR_MS } from '@fresh-tuck/core/units';
import { stoodAt } from '../forecasts/facts.js';
import type { Reader } from '../forecasts/reader.js';
import { closedAt, countingOf, isUntucked, looksOf, seedsOf } from '../journal/read.js';
import { ageOf } from '../packets/rows.js';
import type { TrialSaid } from './store.js';

/** Batches of a crop to choose from. */
const MOST_CANDIDATES = 80;
const yearOf = (ms: number): number => new Date(ms).getUTCFullYear();

/** Trials with their batches, and what could be put into one. */
export function trialViews(reader: Reader) {
  const { batches, crops, forecasts, holders, household, journal, packets, spots, trials } = reader;
  const nameOf = (spotId: string): string => spots.get(spotId).name;

  /** Names of the places that a batch stood in, in their order. */
  const placesOf = (id: string, untilMs: number): string[] => [
    ...new Set(stoodAt(batches.get(id), { batches, holders }, untilMs).map(({ spotId }) => nameOf(spotId))),
  ];
  /** Batches of a trial that are still in the books: one whose tuck-in was taken back is not. */
  const standingOf = (batchIds: readonly string[]): string[] => batchIds.filter((id) => !isUntucked(journal.entries(id)));

  /** Whose seed it is of: of its first batch, or of the packet that it was planned for. */
  function cropOf({ words }: TrialSaid): string | null {
    const [first] = words.arms.flatMap(({ batchIds }) => standingOf(batchIds));
    const packetId = first === undefined ? words.plan?.packetId : batches.get(first).packet_id;
    return packetId === undefined ? null : (packets.find(packetId)?.crop_id ?? null);
  }
  function betterOf({ words }: TrialSaid): TrialInShort['better'] {
    const arm = words.read === null || (words.better ?? null) === null ? undefined : words.arms[words.better as number];
    return arm && arm.setting !== null ? { name: arm.name, setting: arm.setting } : null;
  }

  function stateOf({ words }: TrialSaid): Trial['state'] {
    if (words.read !== null) return 'read';
    const sides = words.arms.map(({ batchIds }) => standingOf(batchIds));
    if (sides.every((ids) => ids.length === 0)) return 'planned';
    const done = sides.every((ids) => ids.length > 0 && ids.every((id) => closedAt(journal.entries(id)) !== null));
    return done ? 'closed' : 'running';
  }

  function shown(id: string, nowMs: number): TrialBatchShown {
    const { facts, answers, closed, number, title } = forecasts.at(household.get(), nowMs).batch(id);
    const row = batches.get(id);
    const entries = journal.entries(id);
    const packet = packets.get(row.packet_id);
    const closedMs = closed ? closedAt(entries) : null;
    // What only Today asks of a parcel says nothing of one that is over.
    const { priorSteps: _, otherPackets: __, mates: ___, lookTimesMs, ...rest } = facts;
    return {
      id,
      number,
      title,
      startMs: facts.startMs,
      closedMs,
      seeds: facts.seeds,
      came: answers.state.tipped,
      spots: placesOf(id, closedMs ?? Infinity),
      packetId: packet.id,
      variety: packet.year === null ? packet.variety : `${packet.variety}, ${packet.year}`,
      ageYears: ageOf(packet, yearOf(facts.startMs)).aged,
      people: [...new Set(countingOf(entries, 'look').flatMap(({ who }) => (who === null ? [] : [who])))],
      facts: closed ? { ...rest, lookTimesMs: lookTimesMs.slice(0, 1) } : null,
      ...trials.fates(id),
    };
  }

  function candidate(id: string): TrialCandidate | null {
    const row = batches.get(id);
    const entries = journal.entries(id);
    const closedMs = closedAt(entries);
    if (closedMs === null) return null;
    const packet = packets.get(row.packet_id);
    const stood = stoodAt(row, { batches, holders }, closedMs);
    const { medium, damped, wet, light } = batches.setupOf(row);
    const holderId = stood[0]?.holderId ?? '';
    const steps = JSON.parse(row.prepared) as string[];
    // Soaked before it was laid: as long as its kind is soaked, as nobody wrote it down.
    const before = steps.includes('soak') ? soakEnd(crops.crop(packet.crop_id), 0, null) : 0;
    const soak = Math.round((row.soak_until_ms === null ? before : row.soak_until_ms - row.start_ms) / HOUR_MS);
    const { aged } = ageOf(packet, yearOf(row.start_ms));
    const prepared = steps
      .filter((step) => step !== 'soak')
      .sort()
      .join(', ');
    return {
      id,
      number: row.number,
      title: `${crops.crop(packet.crop_id).name}, ${packet.variety}`,
      startMs: row.start_ms,
      closedMs,
      seeds: seedsOf(row, entries),
      came: Math.max(0, ...looksOf(entries).map(({ tipped }) => tipped ?? 0)),
      spots: [...new Set(stood.map(({ spotId }) => nameOf(spotId)))],
      cropId: packet.crop_id,
      packetId: packet.id,
      method: row.method,
      settings: {
        packet: packet.id,
        age: aged === null ? '' : String(Math.round(aged)),
        method: row.method,
        medium: row.method === 'towel' ? medium : '',
        wet: wet,
        damped: damped,
        closure: holderId === '' ? '' : holders.get(holderId).closure,
        light: light ?? '',
        soak: String(soak),
        // Weeks: a day more or less is the same cold.
        chill: String(Math.round((row.chilled_days + Math.max((row.chill_until_ms ?? 0) - row.start_ms, 0) / DAY_MS) / 7)),
        prepared,
        spot: [...new Set(stood.map(({ spotId }) => spotId))].join(', '),
      },
    };
  }

  return {
    list: (): TrialInShort[] =>
      trials.list().map((said) => {
        const rows = said.words.arms.map(({ batchIds }) => standingOf(batchIds).map((id) => batches.get(id)));
        const starts = rows.flat().map(({ start_ms }) => start_ms);
        return {
          id: said.trialId,
          name: said.words.name,
          question: said.words.question,
          cropId: cropOf(said),
          better: betterOf(said),
          state: stateOf(said),
          read: said.words.read,
          arms: said.words.arms.map(({ name }, nth) => ({ name, numbers: (rows[nth] ?? []).map(({ number }) => number) })),
          fromMs: starts.length > 0 ? Math.min(...starts) : null,
        };
      }),
    whole(trialId: string, nowMs: number): Trial {
      const said = trials.get(trialId);
      return {
        id: trialId,
        words: said.words,
        state: stateOf(said),
        saidMs: said.saidMs,
        arms: said.words.arms.map(({ name, setting, batchIds }) => ({
          name,
          setting,
          batches: standingOf(batchIds).map((id) => shown(id, nowMs)),
        })),
      };
    },
    /** Crops that have closed batches, and those of one of them with their settings. */
    candidates(cropId: string | null, _nowMs: number): TrialCandidates {
      const known = trials
        .crops()
        .map(({ id, batches: count }) => ({ id, name: crops.crop(id).name, batches: count }))
        .sort((a, b) => a.name.localeCompare(b.name));
      const found = cropId === null ? [] : trials.closedOf(cropId, MOST_CANDIDATES).flatMap((id) => candidate(id) ?? []);
      const names: Record<string, string> = {};
      for (const { packetId, settings } of found) {
        const packet = packets.get(packetId);
        names[packetId] = packet.year === null ? packet.variety : `${packet.variety}, ${packet.year}`;
        for (const spotId of (settings.spot ?? '').split(', ').filter(Boolean)) names[spotId] = nameOf(spotId);
      }
      return { crops: known, batches: found, names };
    },
  };
}
