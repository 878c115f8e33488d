import type { Batch, Elsewhere, ShelfView } from '@fresh-tuck/contract';
import { carriedTo, goesOn, isChilling } from '@fresh-tuck/core/judging';
import { offsetHours, wordsFor } from '@fresh-tuck/core/units';
import { assumedHours, type Stay } from '@fresh-tuck/core/warmth';
import { lastIsCold } from '@fresh-tuck/core/preparing';
import { aheadInWords, boardInWords, readyInWords, shelfLead } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import { Problem } from '../http/problem.js';
import { worstAhead } from '../today/alarms.js';
import { boardParcel, byReady } from './board-parcel.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** The boards with what stands on them, and what another board would do to a bag. */
export function shelfQuestions({ forecasts, holders, household, spots, warm }: Reader) {
  /** The last day of a place, hour by hour. */
  const waveOf = (spotId: string, nowMs: number, offset: number): number[] => {
    const fromMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS - DAY_MS;
    const { readings, guess } = warm.record(spotId, fromMs, Infinity);
    return assumedHours({ fromMs, readings, guess }, fromMs, 24, offset).map(({ celsius }) => Math.round(celsius * 10) / 10);
  };

  return {
    shelf(nowMs: number): ShelfView {
      const home = household.get();
      const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
      const offset = offsetHours(home.zone, nowMs);
      const live = forecasts.at(home, nowMs).live();
      const boards = spots.list(home.zone, home.units, nowMs).map((spot) => {
        const here = live.filter(({ holder }) => holder.spotId === spot.id);
        const ahead = worstAhead(here, nowMs)?.ahead ?? null;
        return {
          spot,
          room: spot.holds === null ? null : Math.max(spot.holds - spot.taken, 0),
          wave: waveOf(spot.id, nowMs, offset),
          alarm: ahead && aheadInWords(ahead, words),
          parcels: here.map((batch) => boardParcel(batch, nowMs, words)).sort(byReady),
        };
      });
      const [first = null, second = null] = boards
        .flatMap(({ parcels }) => parcels)
        .filter(({ stands }) => stands.readyMs !== null)
        .sort(byReady)
        .map(({ id, number, title, stands }) => ({ id, number, title, readyMs: stands.readyMs ?? 0 }));
      const edge = first && first.readyMs <= nowMs ? { id: first.id, number: first.number } : null;
      return { nowMs, lead: shelfLead(first, second, nowMs, live.length), edge, boards };
    },

    elsewhere(nowMs: number, holderId: string): Elsewhere {
      const home = household.get();
      const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
      const offset = offsetHours(home.zone, nowMs);
      const holder = holders.holder(holderId);
      const all = forecasts.at(home, nowMs);
      const batches = holders
        .batchesIn(holderId)
        .map(({ batchId }) => all.batch(batchId))
        .filter(({ closed }) => !closed);
      if (batches.length === 0) throw new Problem(409, 'Nothing in it', 'Nothing that still goes on lies in this bag.');
      const here = new Map(batches.map((batch) => [batch.id, goesOn(batch.facts, nowMs)]));
      const boards = spots.list(home.zone, home.units, nowMs).map((spot) => {
        const place = warm.place(spot.id, nowMs, offset);
        const isHere = spot.id === holder.spotId;
        const coldThere = lastIsCold([{ fromMs: nowMs, ...place }]);
        const parcels = batches.map((batch) => there(batch, isHere ? null : place, coldThere));
        return {
          ...{ spotId: spot.id, name: spot.name, inWords: spot.inWords, here: isHere },
          refused: isHere ? null : (parcels.find(({ refused }) => refused !== null)?.refused ?? null),
          parcels: parcels.map(({ refused: _, ...rest }) => rest),
        };
      });
      return {
        holderId,
        parcels: batches.map(({ id, number, title, answers }) => ({
          id,
          number,
          title,
          ready: readyInWords(answers.window, nowMs, words),
        })),
        boards,
      };

      function there(batch: Batch, place: Omit<Stay, 'fromMs'> | null, coldThere: boolean) {
        const stays = here.get(batch.id) ?? goesOn(batch.facts, nowMs);
        const goes = place ? goesOn(carriedTo(batch.facts, place, nowMs), nowMs) : stays;
        const chillDays = isChilling(batch.facts, nowMs) ? ((batch.facts.chillUntilMs ?? nowMs) - nowMs) / DAY_MS : null;
        const { lead, ...told } = boardInWords(stays, goes, { nowMs, chillDays, coldThere }, words);
        const { readyMs, lowMs, highMs } = goes.window;
        return {
          ...{ id: batch.id, number: batch.number, comes: goes.comes, stands: { readyMs, lowMs, highMs } },
          ...told,
          lead: place ? lead : 'as it is',
          notes: [...told.notes],
        };
      }
    },
  };
}
