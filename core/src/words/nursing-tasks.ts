import type { HardeningDay, lampGap, Ranked, NursingSchools, PlaceDay, Step, TrayTask } from '../nursing/index.js';
import { about, capital, chanceInWords, counted, DAY_MS, HOUR_MS, listed, numberWord, uncapital, type Words } from '../units/index.js';
import { keptInWords } from './nursing-beds.js';
import { dayOf, labels, STEP_WORDS, theTray, type SpokenTask, type SpokenTray } from './nursing.js';

/** What a late step means and what to do: nobody is called dead that may still come. */
function lateText(step: Step, comes: number, many: boolean, blade: boolean, celsius: string): string {
  const them = many ? 'them' : 'it';
  if (step === 'up') {
    const chance = chanceInWords(comes);
    return comes >= 0.1
      ? `Late, but ${chance} that ${many ? 'each' : 'it'} still comes up. At ${celsius} it may only be slow: feel the mix, move the top aside over one, cover it again.`
      : `Only ${chance} that ${many ? 'each' : 'it'} still comes up. Look under the mix: firm and pale lives, soft or gone does not. Its place may be better used.`;
  }
  if (step === 'seed_leaves' && blade) return `The loop straightens by itself, the slower the cooler: at ${celsius} give ${them} time.`;
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

/** How what has filled its first home is moved on. Common practice, no source. */
const POT_UP = 'Roots are out at the base. Water first, hold it by a seed leaf, as deep as it stood; then out of the sun for a day.';
const POT_UP_HOW: Readonly<Partial<Record<SpokenTray['destination'], string>>> = {
  pellet:
    'Roots are through the net. Soilless: net and all into a net cup of rinsed clay pebbles, roots to the water. Into mix: cut the net away first, it holds roots in.',
};

/** A task of a tray in words. @param celsius where it stands */
export function trayTaskInWords(
  task: TrayTask,
  tray: SpokenTray,
  schools: NursingSchools,
  celsius: number,
  words: Pick<Words, 'temperature' | 'when'>,
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
        return tray.destination === 'glass'
          ? {
              lead: `Fresh water for ${the}`,
              text: 'Lukewarm, up to the root and not over the seed or stone; a slimy glass is rinsed.',
              act: 'Changed',
              tone: 'water',
            }
          : {
              lead: `Top up the water of ${the}`,
              text: 'To where the roots reach it and the stem does not; what is open to light is shaded, or it turns green.',
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
        text: POT_UP_HOW[tray.destination] ?? POT_UP,
        act: 'Potted up',
        tone: 'growth',
      };
    case 'look_below':
      return {
        lead: task.numbers.length === tray.plants ? `Look under ${the}` : `Look under ${name} ${labels(task.numbers)}`,
        text: 'About now roots come out at the base; then it wants a larger pot. None yet is no fault.',
        act: 'No roots yet',
        tone: 'waiting',
      };
    case 'carry_in':
      return {
        lead: `Carry ${the} in by ${words.when(task.dueMs).replace(/^tonight /, '')}`,
        text: `${words.temperature(Math.round(task.nightC))} tonight where ${many ? 'they stand' : 'it stands'}; by now ${many ? 'they bear' : 'it bears'} ${words.temperature(Math.round(task.bearsC))}.`,
        act: 'Carried in',
        tone: 'water',
      };
    case 'carry_out':
      return {
        lead: `Carry ${the} out`,
        text: `Day ${task.nth} of hardening: ${counted(task.hours, 'hour')}${task.nth <= 2 ? ' in shade, out of the wind' : task.nth <= 4 ? ', some of it in the sun' : ''}${task.night ? ', and over the night' : ''}. Water first.`,
        act: 'Carried out',
        tone: 'growth',
      };
    case 'release':
      return {
        lead: `Let go of ${name} ${labels(task.numbers)}`,
        text: `${capital(numberWord(task.wanted))} ${task.wanted === 1 ? 'is' : 'are'} wanted: with the best ${numberWord(task.kept)} kept, ${chanceInWords(task.chance)} that ${task.wanted === 1 ? 'it lives' : 'they live'}. Give them away while they are small, or keep them as spares.`,
        act: 'To the tray',
        tone: 'waiting',
      };
    case 'harden':
      return {
        lead: `Begin to harden ${the}`,
        text: 'A week of a little more air and sun each day, and less water, before it is planted out: what goes out soft stands still for weeks.',
        act: 'To the tray',
        tone: 'waiting',
      };
    case 'feed':
      return {
        lead: `Feed ${the}`,
        text: `${task.first ? 'The first time weakly' : 'Again'}: ${task.strength === 0.25 ? 'a quarter' : 'half'} of what the label gives, on damp mix. Not when it is cold, dry or limp.`,
        act: 'Fed',
        tone: 'waiting',
      };
    case 'thin':
    case 'air':
    case 'net':
    case 'support':
      return keptInWords(task, tray);
    case 'late':
      return {
        lead: `${capital(name)} ${labels(task.numbers)}: ${STEP_WORDS[task.step].late}`,
        text: lateText(task.step, task.comes, task.numbers.length > 1, tray.blade, words.temperature(celsius)),
        act: 'Looked, nothing new',
        tone: 'waiting',
      };
  }
}

/** One round for several trays: "Feed the tomatillo cups, the okra cups and 3 more". */
export function roundInWords(
  kind: 'uncover' | 'water' | 'feed' | 'carry_in',
  trays: readonly SpokenTray[],
  tasks: readonly SpokenTask[],
  schools: NursingSchools,
): SpokenTask {
  const [first] = tasks;
  if (!first) throw new RangeError('tasks: a round has at least one');
  if (trays.length === 1) return first;
  const names = trays.map(theTray);
  const shown = names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : listed(names);
  const all = names.length > 3 ? `${capital(listed(names))}. ` : '';
  if (kind === 'carry_in')
    return {
      ...first,
      lead: first.lead.replace(theTray(trays[0] as SpokenTray), shown),
      text: `${all}Tonight is colder than they bear by now.`,
    };
  if (kind === 'uncover')
    return {
      ...first,
      lead: `Lid off ${shown}`,
      text: `${all}Most of each are up; still air under a lid breeds mould. Keep the top damp for the late ones.`,
      act: 'Lids are off',
    };
  return kind === 'feed'
    ? { ...first, lead: `Feed ${shown}`, text: `${all}${first.text}` }
    : { ...first, lead: `Water ${shown}`, text: `${all}Lift or feel each first. ${WATER_HOW[schools.watered].text}` };
}

/** The sentence that the Nursery opens with: what is to be done today, the first three of it. */
export function nurseryLead(leads: readonly string[], standing: number, out: number): string {
  if (leads.length > 0) return capital(listedLeads(within(leads)));
  if (standing === 0) return out === 0 ? 'Nothing in the nursery yet' : `Nothing in the nursery, ${out} planted out`;
  return `Nothing to do for ${standing === 1 ? 'the one' : `the ${standing}`} in the nursery`;
}
/** As many as a heading holds: two or three short ones. */
const MOST_LETTERS = 72;
function within(leads: readonly string[]): string[] {
  let letters = 0;
  return leads.filter((lead, index) => (letters += lead.length + 2) <= MOST_LETTERS || index === 0).slice(0, 3);
}
const listedLeads = (leads: readonly string[]): string => leads.map((lead, index) => (index === 0 ? lead : uncapital(lead))).join(', ');

const mol = (value: number): string => (value < 9.95 ? value.toFixed(1) : String(Math.round(value)));

/** A place's light of the day in words. */
export function lightInWords({ wanted, daylight, lamp, short, dayHours }: PlaceDay, hasLamp: boolean, words: Pick<Words, 'when'>): string {
  const day =
    dayHours > 0
      ? `Daylight brings about ${mol(daylight.usual)} mol (${mol(daylight.low)} to ${mol(daylight.high)})`
      : 'No daylight comes in';
  const wants = `they want ${mol(wanted.low)} to ${mol(wanted.high)}`;
  if (lamp) {
    const still = short > 0 ? ` Even so ${mol(short)} are missing: hang the lamp lower or stand them nearer the pane.` : '';
    return `${day}; ${wants}. ${hoursInWords(lamp.hours)} of lamp from ${words.when(about(lamp.fromMs))} bring ${mol(lamp.brings)} more.${still}`;
  }
  if (short <= 0) return `${day}; ${wants}: enough${hasLamp ? ' without the lamp' : ''}.`;
  return `${day}; ${wants}: about ${mol(short)} short, and short of light they stretch. Nearer the pane, or under a lamp.`;
}
/** "9 hours", "9 h 30". */
export const hoursInWords = (hours: number): string => {
  const minutes = Math.round((hours % 1) * 60);
  return minutes === 0 ? counted(Math.floor(hours), 'hour') : `${Math.floor(hours)} h ${minutes}`;
};
/** How much later than now a task counts as later, for its heading. */
export const taskWhen = (dueMs: number, nowMs: number, words: Pick<Words, 'when'>): string =>
  dueMs <= nowMs + HOUR_MS / 2 ? 'now' : dueMs < nowMs + DAY_MS / 2 ? words.when(about(dueMs)) : dayOf(dueMs, nowMs, words);

/** What a place's lamp asks for today. */
export function lampTasksInWords(
  { lamp, dayHours, litHours, daylight, wanted }: PlaceDay,
  gap: ReturnType<typeof lampGap> | null,
  place: string,
  words: Pick<Words, 'length'>,
): (SpokenTask & { readonly kind: 'lamp_on' | 'lamp_off' | 'raise'; readonly dueMs: number })[] {
  if (!lamp) return [];
  const name = uncapital(place);
  const all = hoursInWords(Math.round(litHours * 2) / 2);
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

/** A day of hardening in words. */
export function hardeningDayInWords(day: HardeningDay, words: Pick<Words, 'moment' | 'temperature'>) {
  const { nth, hours, night, kept, minC, maxC, windKmh } = day;
  const gusts = windKmh === null ? '' : `, gusts ${Math.round(windKmh)} km/h`;
  const weather = minC === null || maxC === null ? 'no weather told' : `${words.temperature(minC)} to ${words.temperature(maxC)}${gusts}`;
  const out = hours >= 12 ? 'out all day' : `out ${counted(hours, 'hour')}`;
  const text =
    nth === null
      ? `stays in: ${kept === 'wind' ? 'the wind would tear it' : 'too cold'}`
      : `${out}${nth <= 2 ? ', in shade' : ''}${night ? ', and overnight' : kept === 'cold_night' ? ', in for the night: too cold' : ', in for the night'}`;
  return { day: words.moment(day.atMs).replace(/, .*$/, ''), nth, hours, night, kept, weather, text };
}

/** Why a seedling stands where it does in the order. */
export function vigourInWords({ first, ahead, behind, grade, role }: Ranked): string {
  const why = [
    role === 'main' ? 'your main plant' : role === 'pollen' ? 'kept for its pollen' : '',
    ahead ? 'a stage ahead' : behind ? 'a stage behind' : '',
    first ? 'up first' : '',
    grade === null ? '' : `graded ${grade}`,
  ].filter(Boolean);
  return why.length === 0 ? 'like most' : listed(why);
}
