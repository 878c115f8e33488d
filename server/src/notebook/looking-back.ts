import { group } from 'd3-array';
import type { LookingBack } from '@fresh-tuck/contract';
import { ownCurve, pastSum, type Grouping, type PastBatch } from '@fresh-tuck/core/trials';
import { rateAt, responseOf } from '@fresh-tuck/core/warmth';
import { wallClock } from '@fresh-tuck/core/units';
import {
  backLead,
  curveInWords,
  forecastInWords,
  learntInWords,
  lossesInWords,
  METHOD_WORDS,
  nextYearInWords,
  spentInWords,
} from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import { pastBatches } from './past.js';

/** What is read while somebody waits, ms. */
const WAIT_MS = 120;
/** Rows that are shown at once, and batches named in one. */
const MOST_ROWS = 40;
/** What is learnt of crops, in sentences. */
const MOST_LEARNT = 6;

/** A curve is drawn so far beyond the warmth that batches had, °C, in so many points; slower than this it is not drawn. */
const [CURVE_MARGIN_C, CURVE_POINTS, SLOWEST] = [4, 33, 0.08];

const DAY_MS = 86_400_000;
/** Year of a moment where the house stands; the zone is asked only about the days around New Year. */
function yearHere(zone: string, ms: number): number {
  const [before, after] = [-DAY_MS, DAY_MS].map((by) => new Date(ms + by).getUTCFullYear()) as [number, number];
  return before === after ? before : wallClock(zone, ms).year;
}

/** What the house's finished batches tell. */
export function lookingBackView(reader: Reader) {
  const { crops, forecasts, household, packets, sittings, spots } = reader;
  const past = pastBatches(reader);
  const packetName = (id: string): string => {
    const { variety, year } = packets.get(id);
    return year === null ? variety : `${variety}, ${year}`;
  };
  const nameNow = (id: string): string => (packets.find(id) ? packetName(id) : spots.has(id) ? spots.get(id).name : crops.crop(id).name);
  /** Names that one answer asks for again and again are read once for it. */
  const namer = (): ((id: string) => string) => {
    const known = new Map<string, string>();
    return (id) => {
      const name = known.get(id) ?? nameNow(id);
      known.set(id, name);
      return name;
    };
  };

  /** Minutes and money of batches, where they were written down. */
  function spentOn(batches: readonly PastBatch[]): string[] {
    const ids = new Set(batches.map(({ id }) => id));
    const lines = sittings.timed().filter(({ batchId }) => ids.has(batchId));
    const used = new Set(batches.map(({ packet }) => packet));
    const prices = packets.prices().flatMap(({ id, price }) => (used.has(id) ? [price] : []));
    return spentInWords(
      { batches: lines.length, seconds: lines.reduce((sum, { seconds }) => sum + seconds, 0) },
      { packets: prices.length, paid: prices.reduce((sum, price) => sum + price, 0) },
    );
  }

  /** A crop's days by warmth: the book's, and the house's own over it. */
  function curveOf(cropId: string, batches: readonly PastBatch[]): LookingBack['curve'] {
    if (batches.length === 0) return null;
    const crop = crops.crop(cropId);
    const response = responseOf(crop.temperature);
    const own = ownCurve(batches);
    const temperatures = batches.map(({ meanC }) => meanC);
    const [low, high] = [Math.min(...temperatures) - CURVE_MARGIN_C, Math.max(...temperatures) + CURVE_MARGIN_C];
    const points = Array.from({ length: CURVE_POINTS }, (_, nth) => low + ((high - low) * nth) / (CURVE_POINTS - 1)).flatMap((celsius) => {
      const rate = rateAt(response, celsius);
      const book = crop.days.tipAtOptimum / rate;
      const { times, low: least, high: most } = own.timesAt(celsius);
      return rate > SLOWEST ? [{ celsius, book, own: book * times, low: book * least, high: book * most }] : [];
    });
    const { median } = forecasts.bookSpread(cropId);
    return {
      points,
      batches: batches.flatMap(({ id, number, meanC, score }) =>
        score.middle ? [{ batchId: id, number, celsius: meanC, days: score.middle.cameDays }] : [],
      ),
      told: curveInWords(own, median, batches.length),
    };
  }

  return {
    judge: (budgetMs: number): number => {
      const home = household.find();
      return home ? past.all(home, budgetMs).left : 0;
    },
    view(by: Grouping, year: number | null, cropId: string | null): LookingBack {
      const home = household.get();
      const nameOf = namer();
      const { past: every, left } = past.all(home, WAIT_MS);
      const yearOf = ({ startMs }: PastBatch): number => yearHere(home.zone, startMs);
      const years = [...new Set(every.map(yearOf))].sort((a, b) => b - a);
      const found = every.filter((one) => (year === null || yearOf(one) === year) && (cropId === null || one.crop === cropId));
      const fateOf = past.fates();
      const whole = pastSum(found, fateOf);
      const keyOf: Record<Grouping, (batch: PastBatch) => string> = {
        crop: ({ crop }) => crop,
        packet: ({ packet }) => packet,
        method: ({ method }) => method,
        spot: ({ spot }) => spot,
        year: (batch) => String(yearOf(batch)),
      };
      const titled: Record<Grouping, (key: string) => string> = {
        crop: (key) => crops.crop(key).name,
        packet: (key) => `${crops.crop(packets.get(key).crop_id).name}, ${packetName(key)}`,
        method: (key) => METHOD_WORDS[key as PastBatch['method']],
        spot: nameOf,
        year: (key) => key,
      };
      const rows = [...group(found, keyOf[by])]
        .map(([key, its]) => ({ key, sum: pastSum(its, fateOf) }))
        .sort((a, b) => (by === 'year' ? b.key.localeCompare(a.key) : b.sum.seeds - a.sum.seeds));
      const learnt = [...group(found, ({ crop }) => crop)]
        .sort((a, b) => b[1].length - a[1].length)
        .flatMap(([crop, its]) => learntInWords(its, crops.crop(crop).name) ?? []);
      return {
        lead: backLead(whole),
        left,
        by,
        year,
        years,
        cropId,
        whole,
        forecast: forecastInWords(whole),
        losses: lossesInWords(whole),
        learnt: learnt.slice(0, MOST_LEARNT),
        next: nextYearInWords(found, fateOf, nameOf).map(({ text, crop, packet = null }) => ({ text, cropId: crop, packetId: packet })),
        rows: rows.slice(0, MOST_ROWS).map(({ key, sum }) => ({ key, title: titled[by](key), sum, losses: lossesInWords(sum) })),
        spent: spentOn(found),
        curve: cropId === null ? null : curveOf(cropId, found),
        more: Math.max(rows.length - MOST_ROWS, 0),
        middles: found
          .flatMap(({ id, number, crop, score }) =>
            score.middle ? [{ batchId: id, number, title: crops.crop(crop).name, ...score.middle }] : [],
          )
          .slice(0, 200),
      };
    },
  };
}
