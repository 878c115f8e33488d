import fc from 'fast-check';
import { doseFor, USUAL_SETUP, type Closure } from '../carrier/index.js';
import { accepted, CROPS, FIGURES, SCHOOLS, schoolsFor } from '../crops/index.js';
import { FINDINGS, judge, reportFor } from '../judging/index.js';
import { METHODS } from '../method/index.js';
import { DESTINATIONS } from '../moving/index.js';
import { usualSteps } from '../preparing/index.js';
import { anyParcel, NOW, slipsIn } from '../testing/index.js';
import { inUnits, wordsFor, type UnitSystem } from '../units/index.js';
import {
  bladeInWords,
  cropIn,
  CLASS_WORDS,
  CLOSURE_WORDS,
  DESTINATION_WORDS,
  foodFridgeInWords,
  handlingInWords,
  ISOLATION_WORDS,
  moveCard,
  movingInWords,
  PLACE_CAUTIONS,
  prepareInWords,
  preparingInWords,
  QUIET_WORDS,
  REASON_WORDS,
  regulatedInWords,
  ROOT_WORDS,
  STAGE_WORDS,
  STEP_WORDS,
  tell,
  TROUBLE_WORDS,
  worktop,
  yearInWords,
} from './index.js';

const UNITS: readonly UnitSystem[] = ['metric', 'us'];
const wordsIn = (units: UnitSystem) => wordsFor('Europe/Copenhagen', units, NOW, 0.8);

/** Every slip that was heard, with whose it is. */
let heard: string[] = [];

/** Reads texts aloud. @returns how many */
function read(whose: string, units: UnitSystem, texts: readonly (string | null | undefined)[]): number {
  const said = texts.filter((text): text is string => typeof text === 'string' && text !== '');
  for (const text of said) {
    const slips = slipsIn(text, units);
    if (slips.length > 0) heard.push(`${whose}, ${units}, ${slips.join(' and ')}: ${text}`);
  }
  return said.length;
}
const strings = (value: unknown): string[] =>
  typeof value === 'string' ? [value] : typeof value === 'object' && value !== null ? Object.values(value).flatMap(strings) : [];

describe('read aloud', () => {
  beforeEach(() => (heard = []));
  afterEach(() => expect(heard).toEqual([]));

  it('a slip is heard', () => {
    const slips = (text: string): string => slipsIn(text, 'us').join(', ');
    expect(slips('At 24 °C.')).toBe('units of another household');
    expect(slips('Roots of 9 mm.')).toBe('units of another household');
    expect(slipsIn('At 75 °F.', 'metric')).toEqual(['units of another household']);
    expect(slips('the the towel')).toBe('a word twice');
    expect(slips('Careful: none; it burns')).toBe('"none" for nothing');
    expect(slips('a inoculate')).toBe('a for an');
    expect(slips('an towel')).toBe('an for a');
    expect(slips('seen.tipped must be 3')).toBe('a raw name');
    expect(slips('needs_light')).toBe('a raw name');
    expect(slips('Keep at 30 C')).toBe('a unit without its degree');
    expect(slips('An hour in a usual spot, none up yet, an 8 h soak, a one-off.')).toBe('');
  });

  it('the page of every crop, in both systems', () => {
    let count = 0;
    for (const crop of CROPS) {
      for (const units of UNITS) {
        const { preparation, moving, methods, hazards } = cropIn(crop, units);
        const schools = schoolsFor(crop).map(({ why }) => inUnits(why, units));
        count += read(crop.id, units, [
          ...[preparation.text, moving.pot, moving.mix, moving.note, methods.towel, hazards.text, hazards.regulated],
          ...[yearInWords(crop, units), prepareInWords(crop, units), movingInWords(crop, units)],
          ...[handlingInWords(crop, units)?.text, foodFridgeInWords(crop, true), bladeInWords(crop), regulatedInWords(hazards)],
          preparingInWords(usualSteps(crop), crop),
          ...schools,
        ]);
      }
    }
    expect(count).toBeGreaterThan(4000);
  });

  it('the worktop and the move of every crop, in both systems', () => {
    const closures: readonly Closure[] = ['sealed_air', 'sealed_flat', 'corner_open', 'lidded'];
    CROPS.forEach((crop, index) => {
      for (const units of UNITS) {
        const steps = worktop({
          crop,
          method: METHODS[index % METHODS.length] ?? 'towel',
          setup: USUAL_SETUP,
          places: null,
          pane: { widthMm: 140, heightMm: 110 },
          seeds: 12,
          taken: crop.seed.perUnit > 1 ? 6 : 12,
          dose: doseFor({ widthMm: 140, heightMm: 110, plies: 2 }, crop.water.dampRatio, (crop.seed.gramsPerThousand * 12) / 1000, 0.8),
          prepared: usualSteps(crop),
          chillDays: crop.chill.weeks > 0 ? crop.chill.weeks * 7 : null,
          closure: closures[index % closures.length] ?? 'sealed_air',
          dressed: index % 2 === 0,
          units,
        });
        read(
          crop.id,
          units,
          steps.flatMap(({ text, caution }) => [text, caution]),
        );
        for (const destination of DESTINATIONS) {
          const { lines, cautions } = moveCard(crop, destination, 3, wordsIn(units));
          read(crop.id, units, [...lines.flatMap(({ what, text }) => [what, text]), ...cautions]);
        }
      }
    });
  });

  it('whatever is said of whatever lies there, in inches too', () => {
    for (const facts of fc.sample(anyParcel, { numRuns: 250, seed: 77 })) {
      const report = reportFor(facts, NOW);
      for (const units of UNITS) {
        const { advice, headline, outlook, nextReason, reasons, grounds } = tell(judge(facts, report), facts, report, wordsIn(units));
        read(facts.crop.id, units, [
          ...advice.flatMap(({ lead, by, text, button }) => [lead, by, text, button?.label]),
          ...[headline.lead, headline.text, outlook, nextReason, ...reasons, ...grounds],
        ]);
      }
    }
  });

  it('troubles, schools, cautions, figures and the words for codes', () => {
    for (const units of UNITS) {
      read(
        'a trouble',
        units,
        FINDINGS.flatMap(({ id: _, harm: __, ...said }) => strings(said)).map((text) => inUnits(text, units)),
      );
      read(
        'a school',
        units,
        SCHOOLS.flatMap(({ question, choices }) => [question, ...choices.flatMap(({ label, reason }) => [label, reason])]).map((text) =>
          inUnits(text, units),
        ),
      );
      read(
        'a figure',
        units,
        FIGURES.flatMap((figure) => [figure.label, accepted(figure)]).map((text) => inUnits(text, units)),
      );
      read(
        'a code',
        units,
        [
          PLACE_CAUTIONS,
          CLASS_WORDS,
          CLOSURE_WORDS,
          DESTINATION_WORDS,
          ISOLATION_WORDS,
          QUIET_WORDS,
          REASON_WORDS,
          ROOT_WORDS,
          STAGE_WORDS,
          STEP_WORDS,
          TROUBLE_WORDS,
        ]
          .flatMap(strings)
          .map((text) => inUnits(text, units)),
      );
    }
  });
});
