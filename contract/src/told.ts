import { capital, inUnits, type UnitSystem } from '@fresh-tuck/core/units';

/**
 * What people call the fields of a request. A refusal names its field as programs
 * know it; a person reads these words instead. A field is looked up by its whole
 * path, then by its last part.
 */
export const FIELD_WORDS: Readonly<Record<string, string>> = {
  abnormal: 'the abnormal seedlings',
  after: 'the last correction known of',
  aim: 'what it is for',
  along: 'what goes with it',
  'aim.destination': 'where they go',
  'aim.rackId': 'the rack',
  'aim.plants': 'the number of plants',
  'aim.target': 'the day to be ready by',
  'aim.target.day': 'the day to be ready by',
  'aim.target.kind': 'what is to happen by that day',
  at: 'the time',
  basedOn: 'the look it goes on from',
  batchIds: 'the choice of batches',
  bedId: 'the bed',
  below: 'the number showing',
  body: 'the request',
  celsius: 'the temperature',
  changes: 'the packets to correct',
  chillDays: 'the days of chill',
  classes: 'the count by kind of seedling',
  closure: 'how it is closed',
  crop: 'the crop',
  cropId: 'the crop',
  damp: 'how damp it is',
  day: 'the day',
  dead: 'the dead seeds',
  destination: 'where they go',
  divider: 'the divider of the box',
  doseMl: 'the water it is given',
  dressed: 'whether it is dressed',
  dryness: 'how dry it is kept',
  entryId: 'the record to take back',
  fatherId: 'the pollen parent',
  figures: 'the figures',
  finalDays: 'the day of the last count',
  find: 'what to find',
  freed: 'the sprouts freed damp',
  fresh: 'the fresh seeds',
  from: 'the place in the list',
  frost: 'the last frost',
  'frost.giveDays': 'the days it may be earlier or later',
  'frost.guessed': 'whether it is a guess',
  'frost.monthDay': 'the day of the last frost',
  full: '“just given its water”',
  generation: 'the generations saved',
  grams: 'the weight',
  group: 'the group',
  hard: 'the hard seeds',
  heightMm: 'the height of the towel',
  holder: 'the bag',
  holderId: 'the bag',
  id: 'the mark of this request',
  isolation: 'how it was kept from other pollen',
  isolationM: 'the distance to its kin',
  kind: 'the kind',
  lateTolerance: 'the accepted risk of missing a late root',
  leastHope: 'the chance at which it has had its time',
  lengthM: 'the length',
  like: 'the crop it is laid on',
  looks: 'the looks',
  'looks.at': 'the time of the look',
  'looks.damp': 'how damp it was',
  'looks.note': 'the note',
  'looks.rotten': 'the number taken out rotten',
  'looks.tipped': 'the number showing a tip',
  lookingTimes: 'the looking times',
  lost: 'the number lost',
  madeYear: 'the year it was made',
  marks: 'the marked seeds',
  maxC: 'the warmest temperature',
  method: 'the method',
  millilitresPerSpray: 'the water in a spray',
  minC: 'the coldest temperature',
  motherId: 'the seed parent',
  name: 'the name',
  newId: 'the new bag',
  normal: 'the normal seedlings',
  note: 'the note',
  packetId: 'the packet',
  packets: 'the table of packets',
  patched: 'the sprouts cut out with the paper',
  patienceTimes: 'the patience',
  photo: 'the photograph',
  place: 'where it is kept',
  places: 'the number of places',
  plants: 'the number of plants',
  plies: 'the layers of paper',
  prepared: 'how it was prepared',
  printedDays: 'the days on the packet',
  printedRatePercent: 'the rate on the packet',
  purpose: 'what it is for',
  quietPlanted: 'the quiet seeds planted too',
  rows: 'the rows',
  reason: 'why it is closed',
  recordId: 'the record to take back',
  replicates: 'the number of towels',
  retestChance: 'the chance at which a packet is tested again',
  rewetted: 'whether it was re-damped',
  rooted: 'the sprouts rooted into the paper',
  rootMm: 'the length of the root',
  rootSchool: 'the root at which they are moved',
  rotten: 'the number taken out rotten',
  secondStep: 'the second step',
  'secondStep.at': 'the day of the second step',
  'secondStep.below': 'the number that counts as too few',
  'secondStep.seeds': 'the seeds of the second step',
  'marks.seed': 'the seed',
  seedCount: 'the number of seeds',
  seeds: 'the number of seeds',
  seedsPerGram: 'the seeds to a gram',
  seen: 'what was seen',
  slots: 'the number of slots',
  snapped: 'the sprouts that snapped',
  soaking: 'whether it is put to soak',
  source: 'where it comes from',
  spotId: 'the warm spot',
  spotIds: 'the order of the spots',
  stage: 'the stage',
  startAt: 'the start',
  storage: 'how it is kept',
  'storage.celsius': 'the temperature it is kept at',
  'storage.dryness': 'how dry it is kept',
  'storage.place': 'where it is kept',
  supersedes: 'the record it corrects',
  sureness: 'how sure to be of enough',
  taken: 'the number taken from the packet',
  target: 'the day to be ready by',
  tipped: 'the number showing a tip',
  towel: 'the towel',
  trait: 'the trait hoped for',
  troubles: 'the trouble seen',
  uncounted: 'the sprouts moved without being touched',
  units: 'the units',
  unopenedFirst: 'whether it is looked at unopened first',
  variety: 'the variety',
  version: 'the version it was changed on',
  via: 'how it was looked at',
  wanted: 'the number wanted',
  was: 'the number it was',
  who: 'who looked',
  why: 'why it was lost',
  widthM: 'the width',
  widthMm: 'the width of the towel',
  words: 'the words to find',
  year: 'the year',
  zone: 'the time zone',
};

/** Names of one plain word: at the head of a sentence they are the field, within it they are just words. */
const HEAD = /^((?:[a-z][A-Za-z]*\.)*(?:\d+\.)?[a-z][A-Za-z]*(?:\.[A-Za-z0-9]+)*)(?=[ ,:])/;
/** Within a sentence only what is joined by points or humps is surely a field. */
const WITHIN = /\b[a-z]+(?:(?:\.[a-z0-9]+)+[A-Za-z]*|[A-Z][A-Za-z]*(?:\.[A-Za-z0-9]+)*)\b/g;

const named = (path: string): string | undefined => {
  const whole = FIELD_WORDS[path];
  if (whole) return whole;
  const parts = path.split('.');
  const row = parts.findIndex((part) => /^\d+$/.test(part));
  const last = FIELD_WORDS[parts.slice(-2).join('.')] ?? FIELD_WORDS[parts.at(-1) ?? ''];
  return last === undefined || row < 0 ? last : `${last} in row ${Number(parts[row]) + 1}`;
};

/**
 * A refusal as a person reads it: fields by their names in the garden, codes as
 * words, whole sentences, quantities in the household's units.
 *
 * @param refusal as the server sends it, one or several joined by "; "
 */
export function toldToPeople(refusal: string, units: UnitSystem): string {
  const sentence = (text: string): string => {
    const head = HEAD.exec(text)?.[1];
    const words = head === undefined ? undefined : named(head);
    const told = head !== undefined && words !== undefined ? words + text.slice(head.length) : text;
    const plain = told
      .replace(WITHIN, (found) => named(found) ?? found)
      .replace(/\btrue or false\b/g, 'yes or no')
      .replace(/\b([a-z]+)_([a-z]+)(?:_([a-z]+))?\b/g, (found) => found.replaceAll('_', ' '));
    return /[.!?]$/.test(plain) ? capital(plain) : `${capital(plain)}.`;
  };
  // A semicolon that goes on with another field begins another sentence.
  const parts = refusal.split(/; (?=(?:[a-z]+[A-Za-z.0-9]*) (?:must|needs|belong))/);
  return inUnits(parts.map(sentence).join(' '), units, true);
}
