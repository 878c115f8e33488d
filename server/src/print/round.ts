import { ROUND_CAUTIONS, roundRowInWords } from '@fresh-tuck/core/words';
import { counted, listed, wordsFor } from '@fresh-tuck/core/units';
import type { Reader } from '../forecasts/reader.js';
import type { RoundJob } from './jobs.js';

/** A round for whoever walks it with a pencil: by spot in walking order, each parcel with boxes to fill in. */
export function roundSheet({ forecasts, household, spots }: Reader) {
  return (nowMs: number, batchIds: readonly string[] | null): RoundJob => {
    const home = household.get();
    const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
    const asked = batchIds === null ? null : new Set(batchIds);
    const live = forecasts
      .at(home, nowMs)
      .live()
      .filter(({ id }) => asked === null || asked.has(id));
    const stations = spots
      .list(home.zone, home.units, nowMs)
      .map((spot) => ({
        name: spot.name,
        warmth: spot.inWords,
        rows: live
          .filter(({ holder }) => holder.spotId === spot.id)
          // What shares a bag is opened together.
          .sort((a, b) => Math.min(...a.holder.numbers) - Math.min(...b.holder.numbers) || a.number - b.number)
          .map(({ number, title, facts, answers, bagMates }) => {
            const told = roundRowInWords(facts, answers, home.units, words);
            const mates = bagMates.length > 0 ? ` In one bag with ${bagMates.join(', ')}.` : '';
            return { ...told, number, title, seeds: facts.seeds, last: `${told.last}${mates}` };
          }),
      }))
      .filter(({ rows }) => rows.length > 0);
    return {
      kind: 'round',
      page: home.paper?.page ?? 'a4',
      title: `${home.name}: the round`,
      intro: `${counted(live.length, 'parcel')} in ${counted(stations.length, 'place')}, as of ${words.moment(nowMs)}. Write the time you look, and what you see; leave blank what you did not look at. Looking times here: ${listed(home.lookingTimes)}.`,
      stations,
      cautions: ROUND_CAUTIONS,
    };
  };
}
