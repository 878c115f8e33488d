import type { Season, SeasonChain, SeasonDue, SeasonSources } from '@fresh-tuck/contract';
import { isoOf, killedBy, newYear, roomYears, shiftedBy, successions, yieldOf } from '@fresh-tuck/core/season';
import { latenessOf } from '@fresh-tuck/core/sowing';
import { counted, formatTemperature, listed } from '@fresh-tuck/core/units';
import { CHAIN_WORDS, dayInWords, seasonLead, stageWhen, startShiftInWords, startsInWords } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import { Problem } from '../http/problem.js';
import type { PacketView } from '../views/packet.js';
import { fitQuestionOf } from './fit.js';
import { SEASON, seasonLots } from './lots.js';
import { dueOf, frostShown, lotShown, roomShown } from './shown.js';

/** A week and two, both ways. */
const SHIFTS = [-14, -7, 0, 7, 14] as const;

/** The year between the frosts: what is wished, what becomes of it and what room it takes. */
export function seasonView(reader: Reader, packetView: PacketView) {
  const { season } = reader;
  const all = seasonLots(reader, packetView);
  const { anyWished, worked, roomsOf } = all;
  return {
    whole(nowMs: number, asked: number | null): Season {
      const { home, year, frost, today, lots, open, lamps, ...rest } = worked(nowMs, asked);
      const standing = rest.standing();
      const shown = lots.map((lot) => lotShown(lot, year));
      const first = Math.min(newYear(year), ...shown.map(({ start }) => start)) - 1;
      const last = Math.max(newYear(year) + 364, ...shown.flatMap(({ stages }) => stages.map(({ at90 }) => Math.ceil(at90))));
      const span = { first, days: Math.min(last, newYear(year) + SEASON.after + 60) - first + 1 };
      const { rooms, uses, porches } = roomsOf(home, nowMs, [...lots, ...standing], lamps);
      const years = roomYears(rooms, uses, span);
      const due = dueOf(shown, today, year);
      const next = shown.filter(({ state, start }) => state === 'planned' && start >= today).sort((a, b) => a.start - b.start)[0] ?? null;
      const ahead = years.flatMap(({ room, overflows }) =>
        overflows.filter(({ to }) => to >= today).map(({ from }) => ({ name: room.name, from })),
      );
      const full = ahead.sort((a, b) => a.from - b.from)[0] ?? null;
      const frostTold = frostShown(frost, home, year);
      return {
        nowMs,
        today,
        year,
        sureness: home.ways.sureness,
        lead: seasonLead({ due: due.length, wishes: shown.length, next, full }, year),
        text: frostTold.inWords,
        frost: frostTold,
        span,
        lots: shown,
        due,
        rooms: roomShown(year, [...lots, ...standing], years, new Set(porches.map(({ id }) => id))),
        unwished: open.map(({ batchId, number, packetId, cropId, variety, wanted, seeds }) => ({
          ...{ batchId, number, packetId, cropId, plants: wanted ?? seeds },
          title: `${reader.crops.crop(cropId).name}, ${variety}`,
        })),
        before: season.years().filter((one) => one.year < year),
      };
    },
    /** One lot with every stage, and what a week sooner or later does. @throws Problem where it is not wished */
    chain(nowMs: number, wishId: string, asked: number | null): SeasonChain {
      const { home, year, lots, today } = worked(nowMs, asked);
      const lot = lots.find(({ wish }) => wish.wishId === wishId);
      if (!lot) throw Problem.unknown('wish of this season');
      const shown = lotShown(lot, year);
      const { question, year: own, planned } = lot;
      const what = yieldOf(planned.crop);
      const shifts =
        question && own && !lot.sowing ? shiftedBy(question, own.countedFrom, SHIFTS).filter(({ start }) => start >= today) : [];
      const { high } = killedBy(planned.crop);
      const temperature = formatTemperature(high, home.units);
      return {
        lot: shown,
        lead: `${shown.title}: ${shown.endInWords}`,
        text:
          own && !lot.sowing
            ? startsInWords(own.starts, home.ways.sureness, year, own.start < today ? { ...own, chosen: question?.chosen !== null } : null)
            : '',
        steps: (own?.stages ?? []).map(({ stage, at10, at50, at90 }) => ({
          stage,
          name: CHAIN_WORDS[stage],
          when: stageWhen(at10, at50, at90, year),
          text: '',
        })),
        shifts: shifts.map((one) => ({
          ...{ days: one.days, start: one.start, chance: one.chance },
          text: startShiftInWords(one, what, year, planned.outdoors),
        })),
        reasons: [
          ...(shown.late ? [shown.late] : []),
          ...(question?.gate ? [`It goes out from ${dayInWords(question.gate, year)}; nights of ${temperature} kill it.`] : []),
        ],
      };
    },
    /** Starts of further lots of a wish for an even harvest, the first among them. @throws Problem where its days are not known */
    successions(nowMs: number, wishId: string, asked: number, every: number, times: number): string[] {
      const { lots } = worked(nowMs, asked);
      const lot = lots.find(({ wish }) => wish.wishId === wishId);
      if (!lot) throw Problem.unknown('wish of this season');
      const { question, year: own } = lot;
      if (!question || !own) throw Problem.field('times', 'times must be left out: too few of it would ever come to count its days');
      return successions(question, own.countedFrom, every, times).map(isoOf);
    },
    /** What was sown the year before, to be wished again. */
    sources(nowMs: number, asked: number | null): SeasonSources {
      const { home, year, lots } = worked(nowMs, asked);
      const { crops, packets, seasons, sowings } = reader;
      const first = newYear(year - 1);
      const before = sowings.between(first - SEASON.before, newYear(year) - SEASON.before, home.zone);
      const byPacket = new Map<string, (typeof before)[number][]>();
      for (const sowing of before) byPacket.set(sowing.packetId, [...(byPacket.get(sowing.packetId) ?? []), sowing]);
      return {
        year: year - 1,
        sowings: [...byPacket.values()].flatMap((same): SeasonSources['sowings'] => {
          const [sowing] = same;
          if (!sowing) return [];
          const { cropId, packetId, variety } = sowing;
          const left = packets.find(packetId)?.put_away_ms === null ? packets.packet(packetId).seedsLeft : 0;
          const late = latenessOf(seasons.of(cropId, home.zone, nowMs).lateness);
          return [
            {
              ...{ cropId, packetId: left === 0 ? null : packetId, title: `${crops.crop(cropId).name}, ${variety}` },
              plants: Math.max(
                same.reduce((sum, { wanted, living }) => sum + (wanted ?? living), 0),
                1,
              ),
              note: [
                `begun ${listed(same.map(({ reached }) => dayInWords(reached.start, year - 1)))}`,
                ...(late && late.year === year - 1 && late.lastDays >= 1 ? [`${counted(Math.round(late.lastDays), 'day')} late`] : []),
                ...(left === 0 ? ['its packet is empty or gone'] : []),
              ].join(', '),
              wished: lots.some(
                ({ wish: { words } }) => words.packetId === packetId || (words.packetId === null && words.cropId === cropId),
              ),
            },
          ];
        }),
      };
    },
    /** What the worker is asked for a plan that fits. */
    fit: fitQuestionOf(reader, all),
    /** What is to be started this week, and nothing else of the season. */
    due(nowMs: number): SeasonDue {
      if (!anyWished(nowMs)) return { due: [] };
      const { year, today, lots } = worked(nowMs, null);
      return {
        due: dueOf(
          lots.map((lot) => lotShown(lot, year)),
          today,
          year,
        ),
      };
    },
    /** Lots of the season with their days, for calendars. */
    days(nowMs: number): Pick<Season, 'lots' | 'today' | 'year'> {
      if (!anyWished(nowMs)) return { lots: [], today: 0, year: 0 };
      const { year, today, lots } = worked(nowMs, null);
      return { lots: lots.map((lot) => lotShown(lot, year)), today, year };
    },
  };
}
export type SeasonView = ReturnType<typeof seasonView>;
