import { Router } from 'express';
import { v5 as uuidFrom } from 'uuid';
import {
  frostRecordRequest,
  frostWordRequest,
  roomRequest,
  seasonActRequest,
  seasonQuery,
  seasonTakeBackRequest,
  seasonUndoRequest,
  successionRequest,
  type FrostWordRequest,
  type Household,
  type WishWords,
} from '@fresh-tuck/contract';
import {
  dayNumber,
  frostYears,
  lastFrostFrom,
  LEAST_FROST_YEARS,
  springInSouth,
  summerInJuly,
  type DailyMinima,
} from '@fresh-tuck/core/season';
import { plantM2 } from '@fresh-tuck/core/moving';
import { USUAL_STICKERS } from '@fresh-tuck/core/paper';
import { json, jsonOfSaved } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import { seasonPaper, seasonSvg } from './paper.js';

/** The last frost by a word: of a station's nights, or as it was said; null where it says nothing of it. */
function springOf({ spring, thresholdC, shelterK }: FrostWordRequest, minima: DailyMinima | null): Household['frost'] {
  const july = minima && summerInJuly(minima);
  const told = minima && july !== null ? lastFrostFrom(frostYears(minima, { thresholdC, shelterK, july }).spring) : null;
  const found = told ?? spring;
  return found && { ...found, guessed: false };
}

/** The season: wishes, frost, room; what becomes of them. */
export function seasonRoutes({
  act,
  ask,
  beds,
  care,
  clock,
  crops,
  household,
  packets,
  printer,
  racks,
  season,
  spots,
  takenBack,
  trays,
}: Services): Router {
  const whole = (year: number | null = null) => ask('season', clock.now(), year);

  /** What a wish names must be there, and a bed must hold its plants. */
  function checkWish({ cropId, packetId, bedId, rackId, spotId, litId, plants }: WishWords, field: string): void {
    const crop = crops.crop(cropId);
    if (packetId !== null && packets.find(packetId)?.crop_id !== cropId)
      throw Problem.field(`${field}.packetId`, `${field}.packetId must be a packet of ${crop.name} in the box`);
    for (const [at, what] of [
      [spotId, 'spotId'],
      [litId, 'litId'],
    ] as const)
      if (at !== null && !spots.has(at)) throw Problem.field(`${field}.${what}`, `${field}.${what} must be a place of the house`);
    const rack = rackId === null ? null : racks.list().find(({ id }) => id === rackId);
    if (rack === undefined) throw Problem.field(`${field}.rackId`, `${field}.rackId must be a rack that is in use`);
    if (rack && plants > rack.slots)
      throw Problem.field(`${field}.plants`, `${field}.plants must be at most ${rack.slots}: ${rack.name} has no more slots`);
    const bed = bedId === null ? null : beds.list(clock.now()).find(({ id }) => id === bedId);
    if (bed === undefined) throw Problem.field(`${field}.bedId`, `${field}.bedId must be a bed that is in use`);
    const { spacingCm } = crop.growing;
    if (bed && spacingCm) {
      const most = Math.floor((bed.widthM * bed.lengthM) / plantM2(spacingCm) + 1e-9);
      if (plants > most)
        throw Problem.field(
          `${field}.plants`,
          `${field}.plants must be at most ${most}: at ${spacingCm.inRow} by ${spacingCm.rows} cm ${bed.name} has room for no more plants of ${crop.name.toLowerCase()}`,
        );
    }
  }

  return Router()
    .get('/season', async (request, response) => {
      const { year } = read(seasonQuery, request.query);
      household.get();
      json(response, await whole(year));
    })
    .get('/season/paper.svg', async (request, response) => {
      const { year } = read(seasonQuery, request.query);
      household.get();
      response
        .type('image/svg+xml')
        .set('Content-Disposition', 'inline; filename="garden-year.svg"')
        .send(seasonSvg(await ask.value('season', clock.now(), year)));
    })
    .get('/season/paper.pdf', async (request, response) => {
      const { year } = read(seasonQuery, request.query);
      const { paper } = household.get();
      const sheet = seasonPaper(await ask.value('season', clock.now(), year));
      const pdf = await printer.print({ kind: 'drawing', page: paper?.page ?? USUAL_STICKERS.page, ...sheet });
      response.type('application/pdf').set('Content-Disposition', 'inline; filename="garden-year.pdf"').send(pdf);
    })
    .get('/season/due', async (_request, response) => {
      household.get();
      json(response, await ask('seasonDue', clock.now()));
    })
    .get('/season/sources', async (request, response) => {
      const { year } = read(seasonQuery, request.query);
      household.get();
      json(response, await ask('seasonSources', clock.now(), year));
    })
    .post('/season/wishes/:wishId/successions', async (request, response) => {
      const { wishId } = request.params;
      const body = read(successionRequest, request.body);
      household.get();
      const starts = await ask.value('successions', clock.now(), wishId, body.year, body.everyDays, body.times);
      act(`season-succession ${wishId}`, body, (nowMs) => {
        const wish = season.wishes(body.year).find((one) => one.wishId === wishId);
        if (!wish) throw Problem.unknown('wish of this season');
        const seriesId = wish.words.seriesId ?? body.id;
        const wishes = starts.map((start, nth) => ({
          wishId: nth === 0 ? wishId : uuidFrom(`lot ${nth}`, body.id),
          words: { ...wish.words, start, seriesId, batchId: nth === 0 ? wish.words.batchId : null },
        }));
        season.say({ id: body.id, year: body.year, wishes }, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole(body.year));
    })
    .get('/season/fit', async (request, response) => {
      const { year } = read(seasonQuery, request.query);
      household.get();
      json(response, await ask('seasonFit', clock.now(), year));
    })
    .get('/season/wishes/:wishId', async (request, response) => {
      const { year } = read(seasonQuery, request.query);
      household.get();
      json(response, await ask('seasonChain', clock.now(), request.params.wishId, year));
    })
    .post('/season/acts', async (request, response) => {
      const body = read(seasonActRequest, request.body);
      household.get();
      act('season', body, (nowMs) => {
        body.wishes.forEach(({ words }, nth) => {
          if (words) checkWish(words, `wishes.${nth}.words`);
        });
        season.say(body, nowMs);
        body.carries.forEach(({ trayId, spotId }, nth) => {
          trays.checkKnown([trayId], `carries.${nth}.trayId`);
          if (!spots.has(spotId)) throw Problem.field(`carries.${nth}.spotId`, `carries.${nth}.spotId must be a place of the house`);
          care.add([trayId], uuidFrom(trayId, body.id), { kind: 'place', spotId }, nowMs, nowMs, body.id);
        });
      });
      await jsonOfSaved(response.status(201), body.id, whole(body.year));
    })
    .post('/season/acts/undos', async (request, response) => {
      const body = read(seasonUndoRequest, request.body);
      act('season-undo', body, (nowMs) => {
        const [said, carried] = [season.ofAct(body.actId), care.ofAct(body.actId)];
        if (said.length + carried.length === 0) throw Problem.unknown('act of the season');
        for (const { id, atMs } of said) takenBack.add({ id, kind: 'wish', fromMs: atMs, toMs: atMs }, nowMs);
        for (const { id, atMs } of carried) takenBack.add({ id, kind: 'care', fromMs: atMs, toMs: atMs }, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/season/frost/records', (request, response) => {
      const body = read(frostRecordRequest, request.body);
      const home = household.get();
      const minima = { first: dayNumber(body.first), celsius: body.celsius };
      const july = summerInJuly(minima);
      if (july === null)
        throw Problem.field('celsius', 'celsius must be of a place with a summer and a winter: these months are all alike');
      if (home.frost && july === springInSouth(home.frost.monthDay))
        throw Problem.field(
          'celsius',
          `celsius must be of a station near you: its summer is in ${july ? 'July' : 'January'}, and your last frost is in ${july ? 'the southern' : 'the northern'} spring`,
        );
      const { spring, autumn } = frostYears(minima, { thresholdC: 0, shelterK: 0, july });
      const years = Math.min(spring.days.length + spring.none, autumn.days.length + autumn.none);
      if (years < LEAST_FROST_YEARS)
        throw Problem.field(
          'celsius',
          `celsius must hold ${LEAST_FROST_YEARS} springs and autumns with hardly a day missing: there are ${years}`,
        );
      act('frost-record', body, (nowMs) => season.addRecord(body, nowMs));
      response.status(201).json({ id: body.id });
    })
    .post('/season/frost', async (request, response) => {
      const body = read(frostWordRequest, request.body);
      household.get();
      act('frost-word', body, (nowMs) => {
        const record = body.recordId === null ? null : season.record(body.recordId);
        if (body.recordId !== null && !record) throw Problem.field('recordId', 'recordId must be a station’s record that was brought in');
        const before = household.get().frost;
        const by = springOf(body, record?.minima ?? null) ?? before;
        // Tuck in, House and the season count by one last frost.
        household.saveFrost(by);
        season.sayFrost({ ...body, before, by }, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/season/rooms', async (request, response) => {
      const body = read(roomRequest, request.body);
      household.get();
      act('season-room', body, (nowMs) => {
        spots.get(body.spotId);
        season.sayRoom(body, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/season/undos', async (request, response) => {
      const body = read(seasonTakeBackRequest, request.body);
      act('season-take-back', body, (nowMs) => {
        const { kind, atMs } = season.recordOf(body.recordId);
        const word = season.frost();
        // What somebody said in House meanwhile stands.
        if (kind === 'frost' && word?.id === body.recordId && JSON.stringify(word.by) === JSON.stringify(household.get().frost))
          household.saveFrost(word.before);
        takenBack.add({ id: body.recordId, kind, fromMs: atMs, toMs: atMs }, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    });
}
