import { CROPS } from '@fresh-tuck/core/crops';
import { NOW, parcel } from '@fresh-tuck/core/testing';
import { aPacket, aSpot } from './house';

const { crop: leek } = parcel('leek', 1, 20);
const { prior } = aPacket();
const priors = { tip: prior, emergence: prior };

/** What a batch would rest on at two places, a cupboard and a fridge, begun at a moment. */
export const startAt = (startMs: number) => ({
  startMs,
  spots: [
    { id: 's1', readings: [], guess: { minC: 20, maxC: 25 }, priors },
    { id: 's2', readings: [], guess: { minC: 3, maxC: 6 }, priors },
  ],
});

/** What the server answers to Tuck in with one packet of leek and nothing else in the house. */
export const tuckAnswers = (packet = aPacket()) => ({
  'GET packets': [{ id: 'p1', cropId: 'leek', cropName: leek.name, variety: 'Quay', year: 2024, seedsLeft: packet.seedsLeft }],
  'GET packets/p1': packet,
  'GET packets/p1/kin': [],
  'GET packets/p1/start': startAt(NOW),
  'GET crops/leek': { crop: leek, book: leek, own: {}, added: false },
  'GET crops/leek/seasons': { nursingDays: [], lateness: [], ways: [] },
  'GET spots': [aSpot(), aSpot({ id: 's2', name: 'Fridge', kind: 'fridge' })],
  'GET holders': [],
  'GET beds': [],
  'GET racks': [],
  'GET packets/ideas': [],
});

/** The book's crops as the server lists them. */
export const cropList = () =>
  CROPS.map(({ id, name, otherNames, latin, family }) => ({ id, name, otherNames, latin, family, added: false, changed: false }));
