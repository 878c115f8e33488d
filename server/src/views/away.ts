import type { AwayView, Batch } from '@fresh-tuck/contract';
import { carriedTo, hoursWhereItLies, isChilling } from '@fresh-tuck/core/judging';
import { awayRisk, driesAfter, harmAhead, isHarmless, lookQuestion, type AwayRisk } from '@fresh-tuck/core/looking';
import { methodOf } from '@fresh-tuck/core/method';
import { comesAt } from '@fresh-tuck/core/sowing';
import { answersOf, workingsFor, type Absence, type ParcelFacts } from '@fresh-tuck/core/parcel';
import { offsetHours, spanInWords, wordsFor, type Words } from '@fresh-tuck/core/units';
import { heatNow, placeNow, type Stay } from '@fresh-tuck/core/warmth';
import { awayInWords, awayLead, harmlessInWords, laterInWords, remedyInWords, type Remedy } from '@fresh-tuck/core/words';
import { momentFrom } from '../clock.js';
import type { Reader } from '../forecasts/reader.js';
import { laterStarts } from './later.js';

type AwayParcel = AwayView['parcels'][number];
const HOUR_MS = 3_600_000;
/** Above this chance of a late root a cooler board is no remedy. */
const STILL_LATE = 0.35;
/** Fewer of the living come than this share of before: said. */
const FEWER = 0.9;
/** Less than this is not cooler, °C. */
const COOLER_C = 1;
/** Boards that are offered for a parcel. */
const MOST_BOARDS = 2;

interface Ranked {
  readonly remedy: Remedy;
  readonly spotId: string | null;
  /** Chance that remains of a late root, and what it costs, ms. */
  readonly left: number;
  readonly costMs: number;
}

/** What an absence would do, and the remedies, ranked by what risk they leave and then by their days. */
export function awayView(reader: Reader) {
  const { forecasts, household, spots, warm } = reader;

  return (nowMs: number, leaving: string, back: string): AwayView => {
    const home = household.get();
    const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
    const offset = offsetHours(home.zone, nowMs);
    const absence: Absence = {
      fromMs: Math.max(momentFrom(leaving, home.zone, nowMs, 'leaving', Infinity), nowMs),
      toMs: momentFrom(back, home.zone, nowMs, 'back', Infinity),
    };
    const places = spots.ids().map((id) => {
      const { name, ...stay } = warm.place(id, nowMs, offset);
      const { minC, maxC } = placeNow(stay.readings, stay.guess, nowMs, offset);
      return { id, name, meanC: (minC + maxC) / 2, stay };
    });
    const live = forecasts.at(home, nowMs).live();
    const parcels = live
      .map((batch) => ({ batch, ...riskOf(batch.facts, absence, nowMs) }))
      .filter(({ risk }) => !isHarmless(risk, home.ways.lateTolerance))
      .sort((a, b) => soonest(a.risk) - soonest(b.risk) || b.risk.late - a.risk.late)
      .map(({ batch, risk }) => told(batch, risk, absence, nowMs, places, words, home.ways.lateTolerance));
    const numbers = parcels.map(({ number }) => number).sort((a, b) => a - b);
    return {
      ...absence,
      lead: awayLead(numbers, spanInWords(absence.toMs - absence.fromMs)),
      parcels,
      later: laterStarts(reader, absence, nowMs, (name, crops, ms) => laterInWords(name, crops, ms, words)),
      rest: harmlessInWords(live.length - parcels.length),
    };
  };
}

/** A soak and what shows already do not wait. */
const soonest = (risk: AwayRisk): number => (risk.soakMs !== null ? 0 : risk.shownLate ? 1 : 2);

function riskOf(facts: ParcelFacts, absence: Absence, nowMs: number) {
  const workings = workingsFor(facts, nowMs);
  const answers = answersOf(workings, nowMs);
  return { answers, risk: awayRisk(facts, answers, lookQuestion(workings, answers, nowMs), absence) };
}

function told(
  batch: Batch,
  risk: AwayRisk,
  absence: Absence,
  nowMs: number,
  places: readonly { readonly id: string; readonly name: string; readonly meanC: number; readonly stay: Omit<Stay, 'fromMs'> }[],
  words: Words,
  tolerance: number,
): AwayParcel {
  const { facts, answers, holder } = batch;
  const ranked: Ranked[] = [];
  const put = (remedy: Remedy, left: number, costMs: number, spotId: string | null = null): void =>
    void ranked.push({ remedy, left, costMs, spotId });
  const showing = answers.roots.reduce((sum, { count }) => sum + count, 0);
  if (risk.soakMs !== null) put({ kind: 'out' }, 0, 0);
  if (showing > 0 && risk.late > tolerance) put({ kind: 'move', sprouts: showing }, risk.shownLate ? tolerance : risk.late, 0);
  if (risk.driesMs !== null) {
    // What is closed already loses least; a corner that is open is shut.
    const seals = batch.carrier.kind === 'towel' && facts.closure === 'corner_open';
    const driesMs = driesAfter(facts, answers, absence.fromMs, seals ? 'sealed_air' : facts.closure);
    // Where a root is the greater risk, water comes after what is done about it.
    put({ kind: 'water', driesMs, holds: driesMs >= absence.toMs, seals }, risk.late > tolerance ? risk.late : 0, HOUR_MS);
  }
  if (risk.countMs !== null) put({ kind: 'count' }, 0, 2 * HOUR_MS);
  if (risk.late > tolerance) cooler();
  ranked.sort((a, b) => a.left - b.left || a.costMs - b.costMs);
  return {
    ...{ id: batch.id, number: batch.number, title: batch.title, holderId: holder.id, bagMates: batch.bagMates, spotName: holder.spotName },
    ...{
      carrier: batch.carrier.kind,
      state: answers.state,
      late: risk.late,
      texts: awayInWords(risk, methodOf(facts.method), tolerance, words),
    },
    remedies: ranked.map(({ remedy, spotId }) => ({
      ...{ kind: remedy.kind, spotId, closure: remedy.kind === 'water' && remedy.seals ? ('sealed_air' as const) : null },
      ...remedyInWords(remedy, words),
    })),
  };

  /** Boards that slow it enough, the least harmful first. */
  function cooler(): void {
    const here = workingsFor(facts, nowMs);
    const comesHere = comesAt(facts.crop, here.progress, Math.max(nowMs, facts.startMs));
    places
      // What is hotter than a kind likes slows it too, and is no remedy.
      .filter(({ id, meanC }) => id !== holder.spotId && meanC < answers.meanC - COOLER_C)
      .flatMap(({ id, name, stay }) => {
        const there = carriedTo(facts, stay, Math.max(absence.fromMs, nowMs));
        const { answers: then, risk: after } = riskOf(there, absence, nowMs);
        const harm = harmAhead(facts.crop, hoursWhereItLies(there, absence.fromMs), isChilling(facts, absence.fromMs), absence.fromMs);
        const kills = heatNow(facts.crop, [{ ...stay, fromMs: nowMs }], nowMs);
        const delayMs = (then.window.lateMs ?? Infinity) - (answers.window.lateMs ?? Infinity);
        if (kills || harm || !(delayMs > 0) || after.late >= Math.min(risk.late, STILL_LATE)) return [];
        const fewer = comesAt(facts.crop, workingsFor(there, nowMs).progress, absence.fromMs) < FEWER * comesHere;
        return [{ id, name, delayMs: Math.min(delayMs, absence.toMs - absence.fromMs), left: after.late, fewer }];
      })
      .sort((a, b) => a.left - b.left || a.delayMs - b.delayMs)
      .slice(0, MOST_BOARDS)
      .forEach(({ id, name, ...rest }) =>
        put({ kind: 'cooler', place: name, along: batch.bagMates, ...rest }, rest.left, rest.delayMs, id),
      );
  }
}
