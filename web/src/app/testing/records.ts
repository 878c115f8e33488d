import type { About, BatchWithJournal, PacketSheet, Spot } from '@fresh-tuck/contract';
import { bookPrior } from '@fresh-tuck/core/forecast';
import { reportFor } from '@fresh-tuck/core/judging';
import { USUAL_NURSING } from '@fresh-tuck/core/nursing';
import { USUAL_WAYS, type ParcelFacts } from '@fresh-tuck/core/parcel';
import { stockOf } from '@fresh-tuck/core/seedbox';
import { NOW, parcel, words } from '@fresh-tuck/core/testing';
import { toldFor } from '@fresh-tuck/core/words';

export const ABOUT: About = {
  nowMs: NOW,
  demo: false,
  version: 'test',
  aheadMs: null,
  trouble: null,
  household: {
    name: 'Test house',
    zone: 'Europe/Copenhagen',
    units: 'metric',
    lookingTimes: ['07:00', '18:30'],
    millilitresPerSpray: 0.8,
    version: 0,
    frost: null,
    away: [],
    ways: { ...USUAL_WAYS, lateTolerance: 0.02 },
    nursing: { schools: USUAL_NURSING, sky: null },
  },
};

export const aSpot = (more: Partial<Spot> = {}): Spot => ({
  id: 's1',
  name: 'Hall cupboard',
  kind: 'cupboard',
  version: 0,
  holds: null,
  taken: 0,
  guessMinC: 20,
  guessMaxC: 25,
  latest: null,
  inWords: 'about 22.5 °C, a guess',
  ...more,
});

/** A batch as the server tells it, of a parcel in plain values. */
export function aBatch(facts: ParcelFacts = parcel('tomato', 4, 25), more: Partial<BatchWithJournal> = {}): BatchWithJournal {
  const answers = reportFor(facts, NOW);
  return {
    id: 'b1',
    number: 7,
    token: 't1',
    packetId: 'p1',
    otherPacketId: null,
    cropId: facts.crop.id,
    title: `${facts.crop.name}, Quay`,
    holder: {
      id: 'h1',
      kind: 'bag',
      closure: 'sealed_air',
      spotId: 's1',
      spotName: 'Hall cupboard',
      numbers: [7],
      weighedG: null,
      probed: false,
    },
    bagMates: [],
    carrier: { kind: 'towel', places: null },
    widthMm: 140,
    heightMm: 110,
    closed: false,
    untucked: false,
    recordedMs: facts.startMs,
    amendedId: null,
    chillDays: null,
    closedInWords: '',
    lastLookId: null,
    lastLookMs: facts.looks.at(-1)?.atMs ?? null,
    prepared: [],
    from: null,
    followers: [],
    dressed: false,
    purpose: 'plants',
    replicates: [facts.seeds],
    aim: { plants: null, destination: null, target: null },
    facts,
    answers,
    judgement: toldFor(facts, answers, words),
    journal: [],
    cups: [],
    rooted: { freed: 0, patched: 0, snapped: 0, freedLived: 0, freedLost: 0, patchedLived: 0, patchedLost: 0 },
    oneOf: [],
    lookIds: facts.looks.map((_, nth) => `l${nth + 1}`),
    ...more,
  };
}

/** A packet of leek with all that is known of it. */
export function aPacket(more: Partial<PacketSheet> = {}): PacketSheet {
  const { crop } = parcel('leek', 1, 20);
  const prior = bookPrior(crop, { printedRate: 0.8, ageYears: 2, seen: 'tip' });
  return {
    id: 'p1',
    cropId: 'leek',
    cropName: crop.name,
    variety: 'Quay',
    year: 2024,
    source: null,
    printedRatePercent: 80,
    printedDays: null,
    version: 0,
    putAway: false,
    note: null,
    price: null,
    oneOf: [],
    seedsLeft: 90,
    seedsPerGram: null,
    dressed: false,
    trait: null,
    generation: null,
    motherId: null,
    fatherId: null,
    isolation: null,
    isolationM: null,
    storage: { place: null, celsius: null, dryness: null },
    pace: 1,
    prior,
    handled: { moved: 0, snapped: 0 },
    fates: {},
    sound: { normal: 0, abnormal: 0 },
    stock: stockOf(crop, { share: prior.share, ageYears: 2, pace: 1, seedsLeft: 90, tried: false }),
    batches: [],
    mother: null,
    father: null,
    children: [],
    counts: [],
    hangs: false,
    tests: [],
    outcomes: [],
    isolationNeededM: null,
    hazards: { text: '', regulated: '' },
    ...more,
  };
}
