import type { Batch, Today } from '@fresh-tuck/contract';
import { hoursWhereItLies, isChilling } from '@fresh-tuck/core/judging';
import { harmAhead, type Ahead } from '@fresh-tuck/core/looking';
import type { Words } from '@fresh-tuck/core/units';
import { alarmInWords, silentInWords, type AlarmedPlace } from '@fresh-tuck/core/words';
import type { ProbeStore } from '../spots/probes.js';

/** What is worst, first. */
const ORDER: readonly Ahead['kind'][] = ['hot', 'frozen', 'chilled', 'unchilled'];

/** The worst that the hours ahead do to any of some parcels, and to which; null where they are harmless. */
export function worstAhead(batches: readonly Batch[], nowMs: number): { readonly ahead: Ahead; readonly batches: Batch[] } | null {
  const found = batches
    // What its place kills already is said as a danger.
    .filter(({ answers }) => answers.heat === null && answers.state.quiet + answers.state.showing > 0)
    .map((batch) => ({
      batch,
      ahead: harmAhead(batch.facts.crop, hoursWhereItLies(batch.facts, nowMs), isChilling(batch.facts, nowMs), nowMs),
    }))
    .filter((each): each is { batch: Batch; ahead: Ahead } => each.ahead !== null)
    .sort((a, b) => ORDER.indexOf(a.ahead.kind) - ORDER.indexOf(b.ahead.kind) || a.ahead.fromMs - b.ahead.fromMs);
  const [worst] = found;
  return worst
    ? { ahead: worst.ahead, batches: found.filter(({ ahead }) => ahead.kind === worst.ahead.kind).map(({ batch }) => batch) }
    : null;
}

/** What will harm, before it does: by the hours that are foreseen at each place. */
export function alarmsOf(live: readonly Batch[], placeOf: (spotId: string) => AlarmedPlace, nowMs: number, words: Words): Today['alarms'] {
  const spotIds = [...new Set(live.map(({ holder }) => holder.spotId))];
  return spotIds
    .flatMap((spotId) => {
      const there = live.filter(({ holder }) => holder.spotId === spotId);
      const worst = worstAhead(there, nowMs);
      if (!worst) return [];
      const place = placeOf(spotId);
      const numbers = worst.batches.map(({ number }) => number).sort((a, b) => a - b);
      return [
        {
          spotId,
          spotName: place.name,
          atMs: worst.ahead.fromMs,
          ...alarmInWords(place, worst.ahead, numbers, words),
          batchIds: worst.batches.map(({ id }) => id),
        },
      ];
    })
    .sort((a, b) => a.atMs - b.atMs);
}

/** A thermometer that sends every few minutes is silent after so long, ms. */
export const SILENT_MS = 40 * 60_000;
/** After so long it has been given up, ms: it is no news any more. */
const GIVEN_UP_MS = 14 * 86_400_000;

/** Thermometers that were heard and are not any more. */
export function silentOf(
  probes: ReturnType<ProbeStore['all']>,
  nameOf: (spotId: string) => string,
  nowMs: number,
  words: Words,
): Today['silent'] {
  return probes.flatMap(({ id, name, spotId, last }) =>
    last && nowMs - last.atMs >= SILENT_MS && nowMs - last.atMs < GIVEN_UP_MS
      ? [{ probeId: id, spotId, text: silentInWords(name, nameOf(spotId), last, nowMs, words) }]
      : [],
  );
}
