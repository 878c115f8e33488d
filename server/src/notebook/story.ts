import { storyDrawing, type StorySide } from '@fresh-tuck/core/drawing';
import { basicsFor, type ParcelFacts } from '@fresh-tuck/core/parcel';
import { tipsByDay } from '@fresh-tuck/core/trials';
import { counted, DAY_MS, wordsFor } from '@fresh-tuck/core/units';
import { QUESTION_WORDS, storyLines, storySetting } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import { closedAt } from '../journal/read.js';
import { trialViews } from '../trials/view.js';

/** One page of a story: as it is drawn on paper, and as SVG. */
export interface Story {
  readonly title: string;
  readonly intro: string;
  readonly drawing: ReturnType<typeof storyDrawing>;
  readonly lines: readonly string[];
}

/** A side's count from look to look, all its batches together. */
function sideOf(name: string, all: readonly ParcelFacts[]): StorySide {
  let came = 0;
  const looks = tipsByDay(all).map(({ day, count }) => ({ day, came: (came += count) }));
  return { name, seeds: all.reduce((sum, { seeds }) => sum + seeds, 0), looks: looks.length > 0 ? looks : [{ day: 1, came: 0 }] };
}

/**
 * The one-page story of a batch or a trial, for showing to others: nobody's name, no
 * place of the house, no seller and nothing that was written by hand stands in it.
 */
export function storyView(reader: Reader) {
  const { batches, crops, forecasts, household, journal, packets, spots } = reader;
  const trials = trialViews(reader);
  const wordsAt = (nowMs: number) => {
    const { zone, units, millilitresPerSpray } = household.get();
    return wordsFor(zone, units, nowMs, millilitresPerSpray);
  };
  const settingOf = (facts: ParcelFacts, untilMs: number, nowMs: number): string =>
    storySetting(facts, basicsFor(facts, Math.max(untilMs, facts.startMs + DAY_MS / 24), 0).toll.meanC, wordsAt(nowMs));

  return {
    batch(id: string, nowMs: number): Story {
      const row = batches.get(id);
      const { facts } = forecasts.at(household.get(), nowMs).batch(id);
      const closedMs = closedAt(journal.entries(id));
      const { variety } = packets.get(row.packet_id);
      const side = sideOf(`${facts.crop.name}, ${variety}`, [facts]);
      const came = side.looks.at(-1)?.came ?? 0;
      const days = Math.max(1, Math.round(((closedMs ?? nowMs) - facts.startMs) / DAY_MS));
      return {
        title: `${side.name}: ${came} of ${side.seeds} came in ${counted(days, 'day')}`,
        intro: settingOf(facts, closedMs ?? nowMs, nowMs),
        drawing: storyDrawing([{ ...side, name: 'came' }]),
        lines: storyLines(facts, closedMs),
      };
    },
    trial(trialId: string, nowMs: number): Story {
      const { words, arms } = trials.whole(trialId, nowMs);
      // A place is named by its kind alone.
      const nameless = (name: string, setting: string | null): string =>
        words.question === 'spot' && setting !== null
          ? setting
              .split(', ')
              .map((one) => (spots.has(one) ? spots.get(one).kind.replace('_', ' ') : 'a place'))
              .join(', then ')
          : name;
      const sides = arms.map(({ name, setting, batches: its }, nth) => ({
        side: sideOf(
          words.plan === null && setting === null ? `Side ${nth + 1}` : nameless(name, setting),
          its.flatMap(({ facts }) => facts ?? []),
        ),
        its,
      }));
      const crop = crops.crop(packets.get(arms[0]?.batches[0]?.packetId ?? words.plan?.packetId ?? '').crop_id);
      const lines = sides.flatMap(({ side, its }) => [
        `${side.name}: ${side.looks.at(-1)?.came ?? 0} of ${side.seeds} came.`,
        ...its.flatMap(({ facts, closedMs }) => (facts && closedMs !== null ? [settingOf(facts, closedMs, nowMs)] : [])),
      ]);
      const read = words.question === 'spot' ? null : words.read;
      return {
        title: read ?? `${crop.name}: ${QUESTION_WORDS[words.question]}`,
        intro: `A trial of ${QUESTION_WORDS[words.question]} on ${crop.name.toLowerCase()}.`,
        drawing: storyDrawing(sides.map(({ side }) => side)),
        lines,
      };
    },
  };
}
