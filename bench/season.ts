import { performance } from 'node:perf_hooks';
import { CROPS } from '@fresh-tuck/core/crops';
import {
  chainOf,
  newYear,
  planThatFits,
  roomYears,
  runFrom,
  saidFrost,
  usesOf,
  type FitLot,
  type FitQuestion,
  type Room,
  type Standing,
} from '@fresh-tuck/core/season';

/**
 * A plan that fits for sixty sowings, as the worker is asked for it: a tenth of them pinned, half
 * with a porch beside the lamp, a dozen trays there already, and the lamp holding a share of what all of them would take.
 */
const NEW_YEAR = newYear(2026);
const TODAY = NEW_YEAR + 60;
const SPAN = { first: TODAY, days: 300 };
const FROST = { newYear: NEW_YEAR, kills: saidFrost('spring', 125, 10), ends: saidFrost('autumn', 290, 14) };
const OUTDOORS = CROPS.filter(({ growing }) => growing.startWeeksBeforeFrost !== null);

function lot(nth: number): FitLot {
  const crop = OUTDOORS[(nth * 7) % OUTDOORS.length] ?? OUTDOORS[0];
  if (!crop) throw new Error('no crops');
  const enoughBy = Array.from({ length: 24 }, (_, day) => ({ day, chance: 0.93 / (1 + Math.exp(5 - day)) }));
  const nursing = { days: 24 + (nth % 6) * 7, sd: 4 + (nth % 3), told: 0 };
  const course = { enoughBy, rootDays: 1, nursing, ripening: { days: 60 + (nth % 5) * 12, sd: 9, told: 0 }, lateDays: 0 };
  const chain = chainOf({ crop, course, chillDays: 0, soakDays: 0, lateKind: 'plant_out', outdoors: true });
  const plants = 2 + ((nth * 5) % 12);
  const room = {
    ...{ crop, destination: 'cell' as const, sprouts: plants + 2, plants, perPot: 1, bags: 1 },
    ...{ warmId: 'mat', litId: 'lamp', rackId: null, bedId: null },
  };
  const start = TODAY + 3 + ((nth * 11) % 60);
  return {
    ...{ id: `lot ${nth}`, title: crop.name, fixed: nth % 10 === 9, start, from: start - 14, until: start + 12 + (nth % 20) },
    ...{ gate: TODAY + 80 + (nth % 3) * 12, frost: FROST, goal: { kind: 'season' } },
    ways: [
      { kind: 'as_wished', id: '', name: '', chain, room },
      ...(nth % 2 === 0 ? [{ kind: 'lit' as const, id: 'porch', name: 'Porch', chain, room: { ...room, litId: 'porch' } }] : []),
    ],
  };
}

/** A dozen trays under the lamp already, every other of which may be carried to the porch. */
const STANDING = Array.from({ length: 12 }, (_, nth): Standing => {
  const days = Array.from({ length: SPAN.days }, (_one, day) => (day < 30 + nth * 3 ? 8 : 0));
  const carry = {
    trayIds: [`tray ${nth}`],
    title: 'Tray',
    plants: 8,
    roomId: 'lamp',
    places: [{ id: 'porch', name: 'Porch', cold: true }],
  };
  return { id: `tray ${nth}`, need: [['lamp', days, days.map(() => 0)]], carry: nth % 2 === 0 ? carry : null };
});

for (const count of [10, 30, 60]) {
  for (const share of [0.9, 0.75, 0.6]) {
    const lots = Array.from({ length: count }, (_, nth) => lot(nth));
    const lamp = (holds: number): Room => ({ id: 'lamp', name: 'Lamp', kind: 'lit', holds });
    const uses = lots.map(({ id, ways: [way], start, gate, frost }) => usesOf(id, way.room, runFrom(way.chain, start, gate, frost)));
    const most = Math.max(...(roomYears([lamp(1)], uses, SPAN)[0]?.promised ?? [0]));
    const rooms: Room[] = [
      { id: 'mat', name: 'Mat', kind: 'warm', holds: Math.ceil(count / 3) },
      // What stands there already stands beside what is sown.
      lamp(Math.round((most + 96) * share)),
      { id: 'porch', name: 'Porch', kind: 'lit', holds: 40 },
    ];
    const question: FitQuestion = { rooms, lots, standing: STANDING, span: SPAN, today: TODAY };
    let told = 0;
    const began = performance.now();
    const fit = planThatFits(question, () => (told++, true));
    const ms = Math.round(performance.now() - began);
    console.log(
      `${count} sowings, room for ${share * 100} in 100: ${ms} ms, ${fit.changes.length} changes, ${fit.carries.length} carried, ${Math.round(fit.cost)} points, told ${told} times`,
    );
  }
}
