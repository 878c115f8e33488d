import type { SpotSheet, WhatIf, WhatIfRequest } from '@fresh-tuck/contract';
import { goesOn, type GoesOn } from '@fresh-tuck/core/judging';
import { comesAt, type Standing } from '@fresh-tuck/core/sowing';
import { offsetHours, wordsFor, type Words } from '@fresh-tuck/core/units';
import {
  assumedHours,
  betterWay,
  bodyDay,
  bodyNow,
  changedBody,
  deadlyWarmth,
  hoursAhead,
  integrateProgress,
  placeNow,
  responseOf,
  shareAt,
  type Occurrence,
  type Reading,
} from '@fresh-tuck/core/warmth';
import {
  alarmInWords,
  belonging,
  bodyInWords,
  boardInWords,
  changedInWords,
  energyInWords,
  degreesIn,
  occurrenceInWords,
  spotLead,
} from '@fresh-tuck/core/words';
import { boardParcel, byReady } from './board-parcel.js';
import { momentFrom } from '../clock.js';
import type { Reader } from '../forecasts/reader.js';
import { usualLight } from '../nursery/lit.js';
import { worstAhead } from '../today/alarms.js';
import { ideasView } from './ideas.js';
import type { SpotEvent } from '../spots/setups.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** As far back as a page draws its record, and ahead, ms. */
const DRAWN_MS = { back: 10 * DAY_MS, ahead: 4 * DAY_MS } as const;
/** Events that are named. */
const EVENTS_MS = 60 * DAY_MS;
/** Crops that are ranked, and how far ahead they are followed, days. */
const MOST_CROPS = 12;
const FOLLOWED_DAYS = 120;
/** A share below this, and another warmth would bring more: the kind minds. */
const MINDS = 0.85;

/** A warm spot's page, and what would be if. */
export function spotQuestions(reader: Reader) {
  const { care, crops, files, forecasts, household, packets, probes, record, setups, spots, warm } = reader;
  const ideas = ideasView(reader);

  function homeAt(nowMs: number) {
    const home = household.get();
    const words = { ...wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray), degrees: degreesIn(home.units) };
    return { home, words, offset: offsetHours(home.zone, nowMs) };
  }
  /** Hours ahead of a place as drawn: what changes over what its record says. */
  function aheadOf(spotId: string, nowMs: number, offset: number, changed: readonly Reading[]) {
    const { readings, guess } = spots.record(spotId, nowMs, Infinity);
    const fromMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
    const by = new Map(changed.map((one) => [one.fromMs, one]));
    return assumedHours({ fromMs, readings, guess }, fromMs, DRAWN_MS.ahead / HOUR_MS, offset).map(({ celsius, errorC }, hour) => {
      const at = fromMs + hour * HOUR_MS;
      const { minC, maxC, errorC: own } = by.get(at) ?? { minC: celsius, maxC: celsius, errorC };
      return { fromMs: at, toMs: at + HOUR_MS, minC, maxC, errorC: own ?? errorC };
    });
  }
  const eventTold = (event: SpotEvent, words: Words & { degrees: (kelvin: number) => string }) => ({
    ...{ id: event.id, kind: event.kind, fromMs: event.fromMs, toMs: event.toMs, note: event.note },
    byC: 'byC' in event ? event.byC : null,
    inWords: occurrenceInWords(event, words),
  });

  /** Crops of what is under way, of what could be started now, and of the newest packets. */
  function cropsOf(nowMs: number): { cropId: string; packetId: string }[] {
    const found = new Map<string, string>();
    const put = (cropId: string, packetId: string): void =>
      void (found.size < MOST_CROPS && !found.has(cropId) && found.set(cropId, packetId));
    for (const id of reader.batches.liveIds()) {
      const { packet_id } = reader.batches.get(id);
      put(packets.get(packet_id).crop_id, packet_id);
    }
    for (const idea of ideas(nowMs)) put(packets.get(idea.id).crop_id, idea.id);
    for (const { id, cropId } of packets.names({ words: '', cropId: null, most: 40 })) put(cropId, id);
    return [...found].map(([cropId, packetId]) => ({ cropId, packetId }));
  }

  function ranked(spotId: string, nowMs: number, offset: number): SpotSheet['crops'] {
    const home = household.get();
    const places = spots.ids().map((id) => {
      const { name, ...place } = warm.place(id, nowMs, offset);
      return { id, name, stay: { ...place, fromMs: nowMs } };
    });
    const nameOf = (id: string): string => places.find((one) => one.id === id)?.name ?? '';
    return cropsOf(nowMs).map(({ cropId, packetId }) => {
      const crop = crops.crop(cropId);
      const { logMedian } = forecasts.priorOf(packetId, null, 'tip', home, nowMs);
      const standings = places.map(({ id, stay }): Standing => {
        const progress = integrateProgress(responseOf(crop.temperature), [stay], nowMs, nowMs + FOLLOWED_DAYS * DAY_MS, offset);
        const halfMs = progress.when(Math.exp(logMedian.mean));
        const now = placeNow(stay.readings, stay.guess, nowMs, offset);
        const comes = comesAt(crop, progress, nowMs);
        return { spotId: id, comes, halfDays: halfMs === null ? null : (halfMs - nowMs) / DAY_MS, refused: deadlyWarmth(crop, now) };
      });
      const here = standings.find((one) => one.spotId === spotId) as Standing;
      const told = belonging(here, standings, nameOf);
      const best = standings.find((one) => one.spotId === told.best);
      return {
        ...{ cropId, packetId, name: crop.name, days: here.halfDays, comes: here.comes, belongs: told.belongs, text: told.text },
        best: best ? { spotId: best.spotId, name: nameOf(best.spotId), days: best.halfDays, comes: best.comes } : null,
      };
    });
  }

  return {
    spot(nowMs: number, spotId: string): SpotSheet {
      const { home, words, offset } = homeAt(nowMs);
      const row = spots.get(spotId);
      const list = spots.list(home.zone, home.units, nowMs);
      const spot = list.find(({ id }) => id === spotId) ?? spots.away(home.zone, home.units, nowMs).find(({ id }) => id === spotId);
      const body = warm.at(spotId, nowMs, offset, true);
      const here = forecasts
        .at(home, nowMs)
        .live()
        .filter(({ holder }) => holder.spotId === spotId);
      const now = placeNow(body.readings, body.guess, nowMs, offset);
      const meanC = (now.minC + now.maxC) / 2;
      const minding = here.flatMap(({ facts: { crop } }) => {
        const way = betterWay(crop, meanC);
        return way && shareAt(crop.temperature.share?.values ?? [], meanC) < MINDS ? [{ name: crop.name, way }] : [];
      });
      const worst = worstAhead(here, nowMs);
      const day = bodyDay(changedBody(bodyNow(body), body.setup, body.now));
      const said = setups.all(spotId)[0];
      return {
        nowMs,
        spot: spot as SpotSheet['spot'],
        nth: list.findIndex(({ id }) => id === spotId) + 1,
        setup: body.now,
        light: care.lightAt(spotId, nowMs)?.light ?? usualLight(row.kind),
        setupMs: said?.fromMs ?? null,
        setupId: said?.id ?? null,
        record: record(spotId, nowMs - DRAWN_MS.back, nowMs),
        ahead: aheadOf(spotId, nowMs, offset, warm.ahead(spotId, nowMs, offset)),
        body: day,
        fit: body.fit && { errorC: body.fit.errorC, readings: body.fit.readings },
        events: setups
          .events(spotId, nowMs - EVENTS_MS, Infinity)
          .map((event) => eventTold(event, words))
          .reverse(),
        files: files.list(spotId),
        probes: probes.at(spotId),
        bodyInWords: bodyInWords(day, body.now.mat?.setC ?? null, body.fit, now.weight > 0 ? now : null, words),
        lead: spotLead(row.name, spot?.inWords ?? '', minding),
        alarm:
          worst &&
          alarmInWords(
            warm.alarmed(spotId, nowMs),
            worst.ahead,
            worst.batches.map(({ number }) => number),
            words,
          ),
        parcels: here.map((batch) => boardParcel(batch, nowMs, words)).sort(byReady),
        crops: ranked(spotId, nowMs, offset),
      };
    },

    /** What a change or an event would do. @throws Problem where a moment does not exist or lies in the past */
    whatIf(nowMs: number, spotId: string, { setup, occurrences }: WhatIfRequest): WhatIf {
      const { home, words, offset } = homeAt(nowMs);
      const spot = warm.at(spotId, nowMs, offset, true);
      const coming = occurrences.map((one): Occurrence => {
        const [fromMs, toMs] = [
          momentFrom(one.begins, home.zone, nowMs, 'occurrences.begins', Infinity),
          momentFrom(one.ends, home.zone, nowMs, 'occurrences.ends', Infinity),
        ];
        return one.kind === 'warm' || one.kind === 'cold'
          ? { kind: one.kind, fromMs, toMs, byC: one.byC ?? 0 }
          : { kind: one.kind, fromMs, toMs };
      });
      const known = setups.events(spotId, nowMs, nowMs + 14 * DAY_MS);
      const wished = setup ?? spot.now;
      const changed = hoursAhead(spot, { nowMs, utcOffsetHours: offset, occurrences: [...known, ...coming], setup: wished });
      const hours = aheadOf(spotId, nowMs, offset, changed);
      const after = changedBody(bodyNow(spot), spot.setup, wished);
      const day = bodyDay(after);
      const all = forecasts.at(home, nowMs);
      const parcels = all
        .live()
        .filter(({ holder }) => holder.spotId === spotId)
        .map((batch) => {
          const before = goesOn(batch.facts, nowMs);
          const { stays } = batch.facts;
          const last = stays.at(-1);
          const record = (last?.readings ?? []).filter(({ errorC, once }) => once ?? errorC === undefined);
          const stay = last && { ...last, readings: [...record, ...changed] };
          const then = stay && changed.length > 0 ? goesOn({ ...batch.facts, stays: [...stays.slice(0, -1), stay] }, nowMs) : before;
          const { lead, tone, notes } = boardInWords(before, then, { nowMs, chillDays: null, coldThere: true, elsewhere: false }, words);
          const standsOf = ({ window: { readyMs, lowMs, highMs } }: GoesOn) => ({ readyMs, lowMs, highMs });
          const ribbonOf = ({ ribbon }: GoesOn) => ({ ...ribbon, shares: [...ribbon.shares] });
          return {
            ...{ id: batch.id, number: batch.number, title: batch.title, carrier: batch.carrier.kind, state: batch.answers.state },
            before: { stands: standsOf(before), ribbon: ribbonOf(before) },
            after: { stands: standsOf(then), ribbon: ribbonOf(then) },
            ...{ lead, tone, notes: [...notes] },
          };
        });
      const text = changedInWords(hours, day.reaches === false ? (wished.mat?.setC ?? null) : null, words);
      const energy = wished.mat ? ` ${energyInWords(day, wished.pricePerKWh)}` : '';
      return { body: day, hours, text: `${text}${energy}`, parcels };
    },
  };
}
