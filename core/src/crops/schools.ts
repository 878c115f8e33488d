import type { Crop } from './schema.js';

/** One side of a question on which practitioners differ. */
export interface SchoolChoice {
  readonly id: string;
  readonly label: string;
  /** The fair reason of those who do it so. */
  readonly reason: string;
}

/** A question on which practitioners differ. Common practice, no source. */
export interface School {
  readonly id: string;
  readonly question: string;
  readonly choices: readonly SchoolChoice[];
  /** What we do where neither crop nor gardener says otherwise. */
  readonly usual: string;
}

const school = (id: string, question: string, usual: string, choices: readonly (readonly [string, string, string])[]): School => ({
  id,
  question,
  usual,
  choices: choices.map(([choice, label, reason]) => ({ id: choice, label, reason })),
});

/** Every question, in the order in which the work comes to it. */
export const SCHOOLS: readonly School[] = [
  school('closure', 'How is the bag closed?', 'sealed_air', [
    ['sealed_air', 'sealed with a pocket of air', 'Keeps its water for days, and the seeds have air to breathe.'],
    ['sealed_flat', 'sealed flat', 'Paper lies close on every seed, and a flat bag is read against a lamp.'],
    ['corner_open', 'a corner open', 'Fresh air goes in and mould is held back; it dries sooner and needs daily care.'],
    ['lidded', 'in a lidded tray or tub', 'Roomy for big seed and quick to open; the air in it dries the paper.'],
  ]),
  school('damped', 'Damped with what?', 'water', [
    ['water', 'plain water', 'Nothing to measure, nothing to spill; clean hands and paper do the rest.'],
    [
      'peroxide',
      'one part household peroxide to nine of water',
      'Sets mould back on old or slow seed. Household 3 % only, never with vinegar or bleach; gloves, eyes covered, the bottle labelled.',
    ],
  ]),
  school('wet', 'How wet?', 'wrung', [
    ['wrung', 'damp like a wrung sponge', 'Wet enough to drink from, and air stays in the paper.'],
    ['free', 'a little free water in the fold', 'It lasts a hot day; big thirsty seed empties it quickly.'],
  ]),
  school('medium', 'On what?', 'paper', [
    ['paper', 'kitchen paper', 'Clean, cheap, read against a lamp, and torn away where a root sits in it.'],
    ['cloth', 'old sheet cloth', 'Washed and used again; roots lift out of a close weave.'],
    ['pad', 'cotton pads', 'Hold much water for few seeds; roots hook into the fluff.'],
    ['loose', 'loose perlite or vermiculite', 'For weeks of chill: nothing to tear, and air all round.'],
  ]),
  school('warmed', 'Warmed by what?', 'place', [
    ['place', 'a naturally warm place', 'Costs nothing and cannot overheat by a fault; watch it with a thermometer first.'],
    ['mat', 'a mat with a thermostat', 'Steady to the degree: seed comes sooner and together.'],
    ['room', 'the room', 'Slower, and fewer come of the warm kinds; hardy kinds want no more.'],
  ]),
  school('light', 'Light or dark?', 'dark', [
    ['dark', 'dark', 'Most kinds do not ask for light until they are green, and a dark place never cooks.'],
    ['indirect', 'indirect light', 'Fine surface seed often waits for it. Never direct sun on a closed bag.'],
  ]),
  school('looking', 'Looked at how often?', 'forecast', [
    ['once', 'once a day', 'A habit is not forgotten.'],
    ['twice', 'twice a day', 'Quick roots are caught while short.'],
    ['forecast', 'as the forecast says', 'Every opening cools and dries; a bag with nothing to show is left shut.'],
  ]),
  school('unopened', 'Looked at how?', 'opened', [
    ['opened', 'opened', 'Every seed is seen, felt and mended at once.'],
    ['through', 'unopened first, where it can be read', 'It costs no warmth and no water; what is read through paper is less sure.'],
  ]),
  school('root', 'Moved at which root?', 'short', [
    ['tip', 'at the first tip, 1 to 4 mm', 'Nothing to break yet; the kinds that hate being moved forgive only this.'],
    ['short', 'short, 5 to 12 mm', 'Proved alive and still stiff enough to handle.'],
    ['finger', 'finger-wide, 13 to 20 mm', 'Tiny seed is easier to hold by then, and its root rarely grips paper.'],
  ]),
  school('soak', 'Soaked first?', 'no', [
    ['no', 'no', 'The towel wets most seed as fast as it can drink.'],
    ['soak', 'soaked, then the towel', 'Big and hard coats drink for hours; it saves a day.'],
    ['water', 'left in water until the root shows', 'No paper at all, for quick kinds, within their drowning limit.'],
  ]),
  school('quiet', 'Still quiet on moving day?', 'retuck', [
    ['retuck', 're-tucked', 'A minority comes late; a square of paper is cheap.'],
    ['plant', 'planted anyway', 'No second round; some come up, and each takes a place.'],
    ['stop', 'stopped there', 'Late seedlings lag for weeks; the space goes to the first.'],
  ]),
  school('rooted', 'Rooted into the paper?', 'free', [
    ['free', 'freed damp, the paper torn away', 'The root goes clean into its mix.'],
    ['patch', 'cut out and planted, patch and all', 'Nothing is pulled; the paper rots in the pot.'],
  ]),
  school('set', 'Set how?', 'hole', [
    ['hole', 'in a hole, root down', 'Straight and deep at once.'],
    ['laid', 'laid on top and eased in', 'The root finds its own way down; nothing is pushed.'],
    ['side', 'on its side', 'It rights itself, and nothing lies the wrong way up.'],
  ]),
  school('firm', 'How firm is the mix?', 'settled', [
    ['loose', 'loose', 'Roots run in it.'],
    ['settled', 'settled against air pockets', 'A root in a hole of air dries.'],
  ]),
  school('pot', 'How many to a pot?', 'one', [
    ['one', 'one', 'Every sprout is proved already; nothing is thinned away.'],
    ['several', 'two or three, thinned to the strongest', 'The best is chosen where it can be seen.'],
  ]),
  school('watered', 'Watered from where?', 'below', [
    ['below', 'from below, and drained', 'The surface stays dry and the stem sound.'],
    ['above', 'from above', 'Quick, and it settles the mix round the root.'],
  ]),
  school('cover', 'Cover off when?', 'up', [
    ['up', 'when it is up', 'Air on the stem from the first day.'],
    ['leaves', 'propped until true leaves', 'A softer change for kinds that wilt.'],
  ]),
];

/** What we would do for a crop, and why. */
export interface SchoolFor {
  readonly school: School;
  readonly choice: string;
  readonly why: string;
  /** Whether the crop, not habit, decides it. */
  readonly own: boolean;
}

/** Seed longer than this drinks for hours, mm. Common practice, no source. */
const BIG_SEED_MM = 8;
/** Below this, days at the optimum, a towel is quick enough to outrun a daily look. */
const QUICK_MM_PER_DAY = 20;

/** A naturally warm place, °C: what loses by it is kept in the room. Common practice, no source. */
const WARM_PLACE_C = 25;
const NEARLY_ALL = 0.9;
/** The warmest at which nearly all come, °C. */
function nearlyAllUpTo(cells: readonly (readonly [number, number])[]): number {
  const last = cells.findLastIndex(([, share]) => share >= NEARLY_ALL);
  const [fromC, from] = cells[last] ?? [0, 1];
  const [toC, to] = cells[last + 1] ?? [fromC, 0];
  return fromC + ((from - NEARLY_ALL) / (from - to)) * (toC - fromC);
}
/** Bases of the kinds that want heat, and of those that never need it, °C; and how quick these are, days at the optimum. */
const WARM_KIND_C = 9.5;
const COLD_KIND_C = 4;
const QUICK_DAYS = 4;

/** What in a crop decides a question; null where nothing does. */
const DECIDES: Readonly<Record<string, (crop: Crop) => readonly [string, string] | null>> = {
  damped: ({ laid }) =>
    laid.damped === 'peroxide'
      ? ['peroxide', 'It lies long and moulds easily. Household 3 % only, never with vinegar or bleach; gloves and eyes covered.']
      : null,
  wet: ({ laid }) => (laid.wet === 'wrung' ? ['wrung', 'It rots when wet: a little drier than most, never a pool.'] : null),
  medium: ({ laid, chill }) =>
    laid.medium === 'perlite' || laid.medium === 'vermiculite' ? ['loose', `${chill.weeks} weeks of chill are long for paper.`] : null,
  warmed: ({ temperature: { tentBaseC, beta, share }, days }) => {
    if (share !== null && nearlyAllUpTo(share.values) < WARM_PLACE_C) return ['room', 'It does best cool; a warm place is too much.'];
    if (tentBaseC >= WARM_KIND_C && beta.optimumC >= 27) return ['mat', 'It needs real warmth, steadily kept.'];
    return tentBaseC <= COLD_KIND_C && days.tipAtOptimum <= QUICK_DAYS ? ['room', 'Room warmth is plenty: it comes within days.'] : null;
  },
  light: ({ growing }) => (growing.light === 'needs_light' ? ['indirect', 'It waits for light.'] : null),
  looking: ({ root }) =>
    root.mmPerDayAtOptimum >= QUICK_MM_PER_DAY
      ? ['twice', 'Its roots grow 20 mm a day and more: once a day lets some into the paper.']
      : null,
  root: ({ root, seed }) => {
    if (root.shy === 2) return ['tip', 'It hates being moved.'];
    if (root.readyMm >= 13) return ['finger', 'It is small and easier to hold then.'];
    if (root.readyMm <= 4)
      return ['tip', seed.lengthMm < 2 ? 'Its root is fine as a hair and soon in the paper.' : 'Its root is soon in the paper.'];
    return null;
  },
  soak: ({ preparation, seed, water }) => {
    if (preparation.steps.includes('soak'))
      return ['soak', `${water.soakHours[0]} to ${water.soakHours[1]} h; a big or hard coat drinks slowly.`];
    return seed.lengthMm >= BIG_SEED_MM ? ['no', 'Big as it is, it is better not drowned: the towel alone.'] : null;
  },
  quiet: ({ days }) => (days.logSpread >= 0.35 ? ['retuck', 'Its seeds come over a long time.'] : null),
  rooted: ({ root }) => (root.shy === 2 ? ['patch', 'Its root must not be pulled.'] : null),
  set: ({ moving, seed }) => {
    if (moving.surfaceSown) return ['laid', 'It lies on the surface: the light is wanted.'];
    return seed.lengthMm >= 15 ? ['side', 'A seed this big rights itself.'] : null;
  },
  pot: ({ seed }) => (seed.perUnit > 1 ? ['several', 'One husk gives several sprouts: thin to the strongest.'] : null),
};

/** Every question with what we would do for this crop and why. */
export const schoolsFor = (crop: Crop): SchoolFor[] =>
  SCHOOLS.map((one) => {
    const decided = DECIDES[one.id]?.(crop) ?? null;
    const choice = decided?.[0] ?? one.usual;
    const reason = one.choices.find(({ id }) => id === choice)?.reason ?? '';
    return { school: one, choice, why: decided?.[1] ?? reason, own: decided !== null };
  });
