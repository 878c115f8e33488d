import type { PlantingLaid, SoilKnown } from '../moving/index.js';
import type { BedTask, TrayTask } from '../nursing/index.js';
import { capital, chanceInWords, listed, uncapital, type Words } from '../units/index.js';
import { labels, theTray, type SpokenTask, type SpokenTray } from './nursing.js';

/** What each kind holds on to, and how it is put in. Common practice, no source. */
const SUPPORT_HOW: Readonly<Record<Extract<TrayTask, { kind: 'support' }>['support'], { readonly what: string; readonly how: string }>> = {
  twigs: {
    what: 'Twigs in for',
    how: 'Finely branched ones from the start, a forearm high and later taller: tendrils take hold of nothing thick.',
  },
  strings: {
    what: 'Stakes and string round',
    how: 'A stake at each corner and every metre, string on both sides at knee height; a second one later.',
  },
  poles: { what: 'Poles in for', how: 'Two metres and firm, a hand deep or more, before the roots are there to be hurt.' },
  trellis: { what: 'A net or trellis for', how: 'Firm enough for the wet weight of late summer; in before the roots spread.' },
  stakes: { what: 'A stake for each of', how: 'In on planting day, a hand from the stem; tied loosely, in a figure of eight.' },
};
const NET_HOW: Readonly<Record<Extract<TrayTask, { kind: 'net' }>['against'], string>> = {
  birds:
    'Birds pull what is just up or just planted. Taut, its edges held down, and looked at daily: birds and hedgehogs get caught in slack net.',
  insects: 'Fine mesh on hoops, its edges in the soil, the same day: what flies in before stays in under it.',
};

/** What shared pots, glass cases and planting day ask for. */
export function keptInWords(task: Extract<TrayTask, { kind: 'thin' | 'air' | 'net' | 'support' }>, tray: SpokenTray): SpokenTask {
  const the = theTray(tray);
  const name = uncapital(tray.name);
  switch (task.kind) {
    case 'thin': {
      const [first] = task.pots;
      const stays = task.pots.length === 1 ? `${first?.keep} stays` : `${labels(task.pots.map(({ keep }) => keep))} stay`;
      return {
        lead: `Snip ${name} ${labels(task.numbers)}`,
        text: `Two to a pot are thinned to the stronger: ${stays}. Cut at the soil, do not pull: their roots hold on to each other.`,
        act: task.numbers.length === 1 ? 'Snipped' : `${task.numbers.length} snipped`,
        tone: 'growth',
      };
    }
    case 'air':
      return {
        lead: `Air ${the}`,
        text: 'Ten minutes open, longer while the panes run with water. Never in the sun: closed glass cooks within the hour.',
        act: 'Aired',
        tone: 'waiting',
      };
    case 'net':
      return { lead: `A net over ${the}`, text: NET_HOW[task.against], act: 'Net is over', tone: 'growth' };
    case 'support': {
      const { what, how } = SUPPORT_HOW[task.support];
      return { lead: `${what} ${the}`, text: how, act: 'They are in', tone: 'growth' };
    }
  }
}

/** What the soil of a bed asks for, or lets go. */
export function bedTaskInWords(task: BedTask, words: Pick<Words, 'temperature'>): SpokenTask {
  const { bed } = task;
  if (task.kind === 'soil') {
    const { waits, gate } = task;
    const name = uncapital(waits.crop.name);
    const chance = chanceInWords(gate.chanceWarm ?? 0);
    const nursed = waits.nursed > 0 ? `${waits.nursed} in the nursery, once hardened` : '';
    const sprouts = waits.sprouts > 0 ? `${waits.sprouts} on the towel` : '';
    const who = [nursed, sprouts].filter(Boolean).join(', and ');
    const more = waits.nursed + waits.sprouts;
    const fits = gate.places !== null && gate.places < more ? ` Only ${gate.places} ${gate.places === 1 ? 'fits' : 'fit'} there.` : '';
    const source = bed.soil?.source === 'air' ? 'by the air of the last days' : 'when it was read';
    return {
      lead: `${bed.name} is warm enough for ${name}`,
      text: `About ${words.temperature(Math.round((gate.soilC ?? 0) * 2) / 2)} ${source}, ${words.temperature(gate.minC ?? 0)} wanted: ${chance}. ${capital(who)}.${fits}${gate.inoculate ? ' The bed is young: roll the roots in rhizobium powder.' : ''}`,
      act: 'To the bed',
      tone: 'growth',
    };
  }
  const wants = listed(
    task.waits.map(
      ({ crop }, index) => `${uncapital(crop.name)}${index === 0 ? ' waits' : ''} for ${words.temperature(crop.growing.minSoilC ?? 0)}`,
    ),
  );
  const { soil } = bed;
  const last =
    soil === null
      ? 'Nobody has read it yet.'
      : soil.source === 'air'
        ? `By the air it is about ${words.temperature(Math.round(soil.celsius))}, give or take some degrees.`
        : `It had ${words.temperature(soil.celsius)} ${soil.ageDays === 0 ? 'today' : soil.ageDays === 1 ? 'yesterday' : `${soil.ageDays} days ago`}.`;
  return {
    lead: `Read the soil of ${bed.name}`,
    text: `${capital(wants)}. ${last} A hand deep, in the morning, three days running.`,
    act: 'To the bed',
    tone: 'waiting',
  };
}

/** Plants of a bed that are marked together: "12 celeriac, Snow Cap, since 11 April". */
export function standingInWords(
  {
    name,
    variety,
    plants,
    sinceMs,
    ripe,
  }: { readonly name: string; readonly variety: string; readonly plants: number; readonly sinceMs: number; readonly ripe: boolean },
  words: Pick<Words, 'when'>,
): string {
  return `${plants} ${uncapital(name)}, ${variety}, since ${words.when(sinceMs)}${ripe ? ', ripe' : ''}`;
}

/** What is known of a bed's soil, for its board. */
export function soilInWords(soil: SoilKnown | null, words: Pick<Words, 'temperature'>): string {
  if (soil === null) return 'its soil was never read';
  const about = words.temperature(Math.round(soil.celsius * 2) / 2);
  if (soil.source === 'air') return `soil about ${about}, by the air`;
  return `soil ${about}${soil.ageDays === 0 ? '' : soil.ageDays === 1 ? ' yesterday' : `, ${soil.ageDays} days ago`}`;
}

/** Seedlings that came up where they were sown, and have no label yet. */
export const takeInInWords = (name: string, up: number, batchNumber: number): SpokenTask => ({
  lead: `Label the ${up} ${uncapital(name)} up in ${batchNumber}`,
  text: 'They came up where they were sown and stay there: with a label each they stand here, and what they need is told.',
  act: 'They stay there',
  tone: 'waiting',
});

/** "4 rows of 3, 30 cm apart, 20 cm in the row": how a planting is measured out. */
export function plantingInWords(
  laid: PlantingLaid,
  spacing: { readonly inRow: number; readonly rows: number } | null,
  words: Pick<Words, 'told'>,
): string {
  if (spacing === null || laid.spots.length === 0) return 'No room for one at its spacing.';
  const { lengthwise, rows, toARow, fromEndCm, fromSideCm, spots, over } = laid;
  const cm = (value: number): string => words.told(`${Math.round(value)} cm`);
  const last = spots.length - (rows - 1) * toARow;
  const counts =
    rows === 1
      ? `one row of ${spots.length}`
      : last === toARow
        ? `${rows} rows of ${toARow}`
        : `${rows} rows of ${toARow}, the last of ${last}`;
  const between = rows > 1 ? `, ${cm(spacing.rows)} apart` : '';
  const left = over > 0 ? ` ${over} more ${over === 1 ? 'does' : 'do'} not fit.` : '';
  const [row, plant] = lengthwise
    ? [`${cm(fromSideCm)} from the side`, `${cm(fromEndCm)} from the end`]
    : [`${cm(fromEndCm)} from the end`, `${cm(fromSideCm)} from the side`];
  const every = toARow > 1 ? `, then every ${cm(spacing.inRow)}` : '';
  return `${capital(counts)}${between}${lengthwise ? ', lengthwise' : ''}; the first row ${row}, its first plant ${plant}${every}.${left}`;
}
