import type { Destination } from '../moving/index.js';
import type { Awaited, Counts, lampGap, NursingSchools, PlaceDay, SeedlingStage, Step, TrayTask } from '../nursing/index.js';
import { about, capital, chanceInWords, counted, DAY_MS, HOUR_MS, listed, uncapital, type Words } from '../units/index.js';
import type { Tone } from './advice.js';
import { SEEDLING_WORDS } from './vocabulary.js';

/** What has become of a seedling that stands no longer. */
export const partingInWords = (kind: 'lost' | 'given' | 'composted'): string => (kind === 'given' ? 'given away' : kind);

/** How its lid is, as one says it of a tray. */
export const COVER_WORDS = { on: 'on', propped: 'propped open', off: 'off' } as const;
/** What a plant is kept as. */
export const ROLE_WORDS: Readonly<Record<'main' | 'spare' | 'pollen', string>> = {
  main: 'the main plant',
  spare: 'a spare',
  pollen: 'kept for its pollen',
};
/** What larger things are called in a line of a record. */
const INTO: Readonly<Record<string, string>> = {
  cup: 'a cup',
  pot: 'a pot',
  cell: 'a cell',
  bed: 'the bed',
  slot: 'a slot',
  terrarium: 'a glass case',
};

/** A line of a seedling's record. */
export function seedlingEventInWords({
  kind,
  stage,
  why,
  told,
}: {
  readonly kind: string;
  readonly stage: SeedlingStage | null;
  readonly why: string | null;
  readonly told: object | null;
}): string {
  const said = (told ?? {}) as {
    to?: string | null;
    destination?: string;
    grade?: number | null;
    role?: 'main' | 'spare' | 'pollen' | null;
    trait?: string;
  };
  if (kind === 'stage' && stage) return SEEDLING_WORDS[stage].title.toLowerCase();
  if (kind === 'lost') return `lost: ${why ?? ''}`;
  if (kind === 'given') return said.to ? `given to ${said.to}` : 'given away';
  if (kind === 'composted') return 'on the compost';
  if (kind === 'potted') return `potted on into ${INTO[said.destination ?? ''] ?? `a ${said.destination ?? 'pot'}`}`;
  if (kind === 'graded') return said.grade ? `graded ${said.grade} of 5` : 'its grade taken away';
  if (kind === 'role') return said.role ? ROLE_WORDS[said.role] : 'kept as any other';
  if (kind === 'trait') return `seen on it: ${said.trait ?? ''}`;
  return 'stands with others now';
}

/** What seedlings of one kind of place are called together: "tray" of cells, "cups". */
const TOGETHER: Readonly<Record<Destination, { readonly one: string; readonly many: string }>> = {
  cell: { one: 'cell', many: 'tray' },
  plug: { one: 'plug', many: 'tray' },
  cup: { one: 'cup', many: 'cups' },
  pot: { one: 'pot', many: 'pots' },
  slot: { one: 'slot', many: 'slots' },
  pellet: { one: 'pellet', many: 'pellets' },
  glass: { one: 'glass', many: 'glasses' },
  terrarium: { one: 'glass case', many: 'glass cases' },
  bed: { one: 'plant', many: 'plants' },
};

/** A tray as its sentences speak of it. */
export interface SpokenTray {
  /** Of the crop. */
  readonly name: string;
  readonly variety: string;
  readonly destination: Destination;
  readonly plants: number;
}
/** "the leek tray", "the okra cups". */
const theTray = ({ name, destination, plants }: SpokenTray): string =>
  `the ${uncapital(name)} ${TOGETHER[destination][plants === 1 ? 'one' : 'many']}`;

/** Labels in a row: "51, 52 and 53", "51 to 62". */
function labels(numbers: readonly number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  const [first = 0] = sorted;
  const last = sorted.at(-1) ?? first;
  if (sorted.length > 3 && last - first === sorted.length - 1) return `${first} to ${last}`;
  return sorted.length > 6
    ? `${listed(sorted.slice(0, 4).map(String))} and ${sorted.length - 4} more`.replace(' and ', ', ')
    : listed(sorted);
}

/** "41 of 60 up", "all 12 up, 3 with true leaves", "none of 4 up yet". */
export function standsInWords({ below, up, leaved }: Counts): string {
  const all = below + up;
  if (up === 0) return all === 1 ? 'not up yet' : `none of ${all} up yet`;
  const come = below > 0 ? `${up} of ${all} up` : all === 1 ? 'up' : `all ${all} up`;
  if (leaved === 0) return come;
  return leaved === up && below === 0 ? (all === 1 ? 'true leaves' : `all ${all} with true leaves`) : `${come}, ${leaved} with true leaves`;
}

const STEP_WORDS: Readonly<Record<Step, { readonly to: string; readonly late: string }>> = {
  up: { to: 'up', late: 'not up' },
  seed_leaves: { to: 'seed leaves open', late: 'seed leaves not open' },
  true_leaves: { to: 'true leaves', late: 'no true leaf' },
  roots_out: { to: 'roots at the base', late: 'no roots at the base' },
  size: { to: 'big enough to go out', late: 'too small to go out' },
};

/** A day without its hour: nobody tells a leaf to the hour. */
function dayOf(ms: number, nowMs: number, words: Pick<Words, 'when'>): string {
  const text = words.when(Math.max(about(ms), nowMs));
  return text.replace(/ \d\d:\d\d$/, '').replace(/^tonight$|^\d\d:\d\d$/, 'today');
}

/** "seed leaves open: Friday, by the 19th in 9 of 10". Null where it lies beyond half a year. */
export function awaitedInWords(
  { step, numbers, earlyMs, usualMs, lateMs }: Awaited,
  nowMs: number,
  words: Pick<Words, 'when'>,
): string | null {
  const { to } = STEP_WORDS[step];
  const who = numbers.length === 1 ? '' : `${numbers.length} `;
  if (usualMs === null || earlyMs === null) return `${capital(`${who}${to}`)}: not in sight at this warmth.`;
  const from = dayOf(earlyMs, nowMs, words);
  const until = lateMs === null ? null : dayOf(lateMs, nowMs, words);
  if (lateMs !== null && lateMs <= nowMs) return `${capital(`${who}${to}`)}: expected by now.`;
  const stretch = until === null ? `from ${from}` : from === until ? from : `${from} to ${until}`;
  return `${capital(`${who}${to}`)}: ${stretch}, 8 chances in 10.`;
}

/** What a late step means and what to do: nobody is called dead that may still come. */
function lateText(step: Step, comes: number, many: boolean, celsius: string): string {
  const them = many ? 'them' : 'it';
  if (step === 'up') {
    const chance = chanceInWords(comes);
    return comes >= 0.1
      ? `Late, but ${chance} that ${many ? 'each' : 'it'} still comes up. At ${celsius} it may only be slow: feel the mix, move the top aside over one, cover it again.`
      : `Only ${chance} that ${many ? 'each' : 'it'} still comes up. Look under the mix: firm and pale lives, soft or gone does not. Its place may be better used.`;
  }
  if (step === 'seed_leaves')
    return `A coat that sits fast holds ${them} shut: damp it, wait an hour, ease it off; or leave it. Cold and dry air do the same.`;
  if (step === 'true_leaves')
    return `Cold, want of light or roots that stand wet: feel the mix, look at the light of the day, keep ${them} at ${celsius} or a little warmer.`;
  return `Slow, as cold or want of light makes ${them}.`;
}

/** How a cup or tray is watered, by the side that the household takes. */
const WATER_HOW: Readonly<Record<NursingSchools['watered'], { readonly lead: string; readonly text: string }>> = {
  below: { lead: 'from below', text: 'Water in the tray below for 20 minutes, then drain it: nothing stands in water.' },
  above: { lead: 'from above', text: 'Gently on the mix, not the leaves, until some runs out below; then empty the saucer.' },
};

/** A task as it is told: what leads, what stands under it, and what its button says. */
export interface SpokenTask {
  readonly lead: string;
  readonly text: string;
  readonly act: string | null;
  readonly tone: Tone;
}

/** A task of a tray in words. @param celsius where it stands */
export function trayTaskInWords(
  task: TrayTask,
  tray: SpokenTray,
  schools: NursingSchools,
  celsius: number,
  words: Pick<Words, 'temperature'>,
): SpokenTask {
  const the = theTray(tray);
  const name = uncapital(tray.name);
  const many = tray.plants > 1;
  switch (task.kind) {
    case 'uncover': {
      const come = task.up === task.of ? (many ? `All ${task.of} are up` : 'It is up') : `${task.up} of ${task.of} are up`;
      return {
        lead: `Lid off ${the}`,
        text: `${come}; still air under a lid breeds mould.${task.up < task.of ? ' The late ones come without it: keep the top of the mix damp.' : ''}`,
        act: 'Lid is off',
        tone: 'growth',
      };
    }
    case 'prop':
      return {
        lead: `Prop the lid of ${the}`,
        text: 'A finger’s width of air for those that are up; off when they have true leaves.',
        act: 'Propped',
        tone: 'growth',
      };
    case 'cover':
      return {
        lead: `Cover ${the}`,
        text: 'Nothing is up yet: under a lid or a clear bag the mix stays damp.',
        act: 'Covered',
        tone: 'water',
      };
    case 'drain':
      return {
        lead: `Drain ${the}`,
        text: 'It stood in water when it was last felt: stems rot at the soil. Pour off what is left.',
        act: 'Drained',
        tone: 'trouble',
      };
    case 'water': {
      const water = WATER_HOW[schools.watered];
      if (tray.destination === 'slot' || tray.destination === 'glass')
        return {
          lead: `Top up the water of ${the}`,
          text: 'To where the roots reach it and the stem does not.',
          act: 'Topped up',
          tone: 'water',
        };
      const dry =
        task.now === 'dry' ? 'By its drying it is dry through. ' : 'Lift it or feel it first: light, or pale on top, wants water. ';
      return { lead: `Water ${the} ${water.lead}`, text: `${dry}${water.text}`, act: 'Watered', tone: 'water' };
    }
    case 'pot_up':
      return {
        lead: `Pot up ${name} ${labels(task.numbers)}`,
        text: 'Roots are out at the base. Water first, hold it by a seed leaf, as deep as it stood; then out of the sun for a day.',
        act: 'Potted up',
        tone: 'growth',
      };
    case 'look_below':
      return {
        lead: `Look under ${the}`,
        text: 'About now roots come out at the base; then it wants a larger pot. None yet is no fault.',
        act: 'No roots yet',
        tone: 'waiting',
      };
    case 'feed':
      return {
        lead: `Feed ${the}`,
        text: `${task.first ? 'The first time weakly' : 'Again'}: ${task.strength === 0.25 ? 'a quarter' : 'half'} of what the label gives, on damp mix. Not when it is cold, dry or limp.`,
        act: 'Fed',
        tone: 'waiting',
      };
    case 'late':
      return {
        lead: `${capital(name)} ${labels(task.numbers)}: ${STEP_WORDS[task.step].late}`,
        text: lateText(task.step, task.comes, task.numbers.length > 1, words.temperature(celsius)),
        act: 'Looked, nothing new',
        tone: 'waiting',
      };
  }
}

/** The sentence that the Nursery opens with: what is to be done today, the first three of it. */
export function nurseryLead(leads: readonly string[], standing: number, out: number): string {
  if (leads.length > 0) return capital(listedLeads(leads.slice(0, 3)));
  if (standing === 0) return out === 0 ? 'Nothing in the nursery yet' : `Nothing in the nursery, ${out} planted out`;
  return `Nothing to do for ${standing === 1 ? 'the one' : `the ${standing}`} in the nursery`;
}
const listedLeads = (leads: readonly string[]): string => leads.map((lead, index) => (index === 0 ? lead : uncapital(lead))).join(', ');

const mol = (value: number): string => (value < 9.95 ? value.toFixed(1) : String(Math.round(value)));

/** A place's light of the day in words. */
export function lightInWords({ wanted, daylight, lamp, short, dayHours }: PlaceDay, hasLamp: boolean): string {
  const day =
    dayHours > 0 ? `Daylight brings about ${mol(daylight.usual)} (${mol(daylight.low)} to ${mol(daylight.high)})` : 'No daylight comes in';
  const wants = `they want ${mol(wanted.low)} to ${mol(wanted.high)}`;
  if (lamp) {
    const of = hoursInWords(lamp.hours);
    const still = short > 0 ? ` Even so ${mol(short)} are missing: hang the lamp lower or stand them nearer the pane.` : '';
    return `${day}; ${wants}. ${of} of lamp ${lamp.hours > 0 ? `${dayHours > 0 ? 'after dusk ' : ''}bring ${mol(lamp.brings)} more` : ''}.${still}`;
  }
  if (short <= 0) return `${day}; ${wants}: enough${hasLamp ? ' without the lamp' : ''}.`;
  return `${day}; ${wants}: ${mol(short)} short, and short of light they stretch. Nearer the pane, or under a lamp.`;
}
export const hoursInWords = (hours: number): string => {
  const minutes = Math.round((hours % 1) * 60);
  return minutes === 0 ? counted(Math.floor(hours), 'hour') : `${Math.floor(hours)} h ${minutes}`;
};
/** How much later than now a task counts as later, for its heading. */
export const taskWhen = (dueMs: number, nowMs: number, words: Pick<Words, 'when'>): string =>
  dueMs <= nowMs + HOUR_MS / 2 ? 'now' : dueMs < nowMs + DAY_MS / 2 ? words.when(about(dueMs)) : dayOf(dueMs, nowMs, words);

/** What a place's lamp asks for today. */
export function lampTasksInWords(
  { lamp, dayHours, daylight, wanted }: PlaceDay,
  gap: ReturnType<typeof lampGap> | null,
  place: string,
  words: Pick<Words, 'length'>,
): (SpokenTask & { readonly kind: 'lamp_on' | 'lamp_off' | 'raise'; readonly dueMs: number })[] {
  if (!lamp) return [];
  const name = uncapital(place);
  const all = hoursInWords(Math.round((dayHours + lamp.hours) * 2) / 2);
  const raise = gap?.raiseCm
    ? [
        {
          ...{ kind: 'raise' as const, dueMs: 0, lead: `Raise the lamp over ${name}`, act: 'Hung anew', tone: 'waiting' as const },
          text: `The leaves have come up to about ${words.length(Math.round(gap.gapCm) * 10)} under it: about ${words.length(gap.raiseCm * 10)} higher. Its maker’s distance comes first; eyes off bare bright diodes.`,
        },
      ]
    : [];
  return [
    ...raise,
    {
      ...{ kind: 'lamp_on', dueMs: lamp.fromMs, lead: `Lamp on over ${name}`, act: null, tone: 'waiting' },
      text: `Daylight alone is ${mol(Math.max((wanted.low + wanted.high) / 2 - daylight.usual, 0))} mol short of what they want.`,
    },
    {
      ...{ kind: 'lamp_off', dueMs: lamp.toMs, lead: `Lamp off over ${name}`, act: null, tone: 'waiting' },
      text:
        dayHours > 0
          ? `${all} of light in all: the rest of the night is dark.`
          : `${hoursInWords(lamp.hours)} of light: the rest is night.`,
    },
  ];
}
