import type { Crop } from './schema.js';
import { FIGURES, groupOf, type Figure, type FigureValue, type OwnFigures } from './figures.js';

const byPath = new Map(FIGURES.map((figure) => [figure.path, figure]));

/** A figure that cannot be, with the sentence that says what would be accepted. */
export class FigureError extends RangeError {
  constructor(
    readonly path: string,
    message: string,
  ) {
    super(message);
  }
}

type Tree = { [key: string]: unknown };

const read = (crop: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((at, key) => (at === null || typeof at !== 'object' ? undefined : (at as Tree)[key]), crop);

function write(crop: Tree, path: string, value: unknown): void {
  const keys = path.split('.');
  const last = keys.pop() ?? '';
  let at = crop;
  for (const key of keys) {
    const next = at[key];
    // A group that did not apply (spacing) begins with the first figure set in it.
    at[key] = next !== null && typeof next === 'object' ? { ...next } : {};
    at = at[key] as Tree;
  }
  at[last] = value;
}

const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
const within = ({ low, high }: Figure, value: unknown): value is number => isNumber(value) && value >= low && value <= high;

/** What a figure accepts, as a sentence. */
export function accepted(figure: Figure): string {
  const { label, kind, low, high, unit, nullable } = figure;
  const empty = nullable ? ', or nothing' : '';
  const units = unit === 'celsius' ? ' °C' : unit === 'share' || unit === '' ? '' : ` ${unit}`;
  switch (kind) {
    case 'number':
      return `${label}: a number from ${low} to ${high}${units}${empty}.`;
    case 'stretch':
      return `${label}: two numbers from ${low} to ${high}${units}, the lower one first${empty}.`;
    case 'choice':
    case 'steps':
      return `${label}: one of ${Object.values(figure.choices).join(', ')}.`;
    case 'flag':
      return `${label}: yes or no.`;
    case 'points':
      return `${label}: at least two pairs of a temperature from ${low} to ${high} °C, rising, and a share from 0 to 1${empty}.`;
    case 'names':
      return `${label}: names of at most ${high} characters, at most twelve.`;
    case 'text':
      return `${label}: words, at most ${high} characters.`;
  }
}

function fits(figure: Figure, value: unknown): boolean {
  if (value === null) return figure.nullable;
  const isWord = (one: unknown): boolean => (typeof one === 'string' || typeof one === 'number') && String(one) in figure.choices;
  switch (figure.kind) {
    case 'number':
      return within(figure, value);
    case 'stretch':
      return (
        Array.isArray(value) && value.length === 2 && value.every((one) => within(figure, one)) && Number(value[0]) <= Number(value[1])
      );
    case 'choice':
      return isWord(value);
    case 'flag':
      return typeof value === 'boolean';
    case 'text':
      return typeof value === 'string' && value.trim().length >= figure.low && value.length <= figure.high;
    case 'names':
      return Array.isArray(value) && value.length <= 12 && value.every((one) => typeof one === 'string' && one.length <= figure.high);
    case 'steps':
      return Array.isArray(value) && new Set(value).size === value.length && value.every(isWord);
    case 'points':
      return (
        Array.isArray(value) &&
        value.length >= 2 &&
        value.every(
          (pair, index) =>
            Array.isArray(pair) &&
            pair.length === 2 &&
            within(figure, pair[0]) &&
            isNumber(pair[1]) &&
            pair[1] >= 0 &&
            pair[1] <= 1 &&
            (index === 0 || pair[0] > Number((value[index - 1] as unknown[])[0])),
        )
      );
  }
}

/** Choices of a scale are kept as the numbers that they are in the entry. */
const asKept = (figure: Figure, value: FigureValue): unknown =>
  figure.kind === 'choice' && /^\d+$/.test(String(value)) ? Number(value) : value;

/** Figures that only make sense together. @throws FigureError */
function checkTogether(crop: Crop): void {
  const { beta, injuryC, tentBaseC } = crop.temperature;
  const rising = (path: string, low: number, high: number, message: string): void => {
    if (!(low < high)) throw new FigureError(path, message);
  };
  rising('temperature.beta.optimumC', beta.baseC, beta.optimumC, 'Fastest at: it must lie above where the curve begins.');
  rising(
    'temperature.beta.ceilingC',
    beta.optimumC,
    beta.ceilingC,
    'The curve ends at: it must lie above the warmth at which it is fastest.',
  );
  rising('temperature.tentBaseC', tentBaseC, beta.optimumC, 'Nothing moves below: it must lie below the warmth at which it is fastest.');
  rising('temperature.injuryC', beta.optimumC, injuryC, 'Heat kills above: it must lie above the warmth at which it is fastest.');
  rising('root.lateMm', crop.root.readyMm, crop.root.lateMm, 'In the paper from a root of: it must be longer than the root that is ready.');
  const { spacingCm } = crop.growing;
  if (spacingCm !== null && !(spacingCm.inRow > 0 && spacingCm.rows > 0)) {
    throw new FigureError('growing.spacingCm.inRow', 'Apart in the row and rows apart: say both, in cm.');
  }
}

/** Shares by temperature are kept with where they come from. */
const shareOf = (points: unknown): unknown => (points === null ? null : { values: points, source: 'own figures', confidence: 'med' });

/**
 * The crop as this household knows it: the book's entry with the gardener's own
 * figures over it. A group with a figure of their own says so in its source and
 * counts as fairly sure unless they say otherwise.
 *
 * @param book the shipped entry, never changed
 * @param own figures by path; an unknown path is an error
 * @param as id and name of a crop of one's own
 * @throws FigureError naming the figure and what would be accepted
 */
export function withOwn(book: Crop, own: OwnFigures, as: { readonly id?: string; readonly name?: string } = {}): Crop {
  const result = { ...book, ...as } as unknown as Tree;
  const touched = new Set<string>();
  for (const [path, value] of Object.entries(own)) {
    const figure = byPath.get(path);
    if (!figure) throw new FigureError(path, `"${path}" is no figure of a crop.`);
    if (!fits(figure, value)) throw new FigureError(path, accepted(figure));
    write(result, path, path === 'temperature.share' ? shareOf(value) : asKept(figure, value));
    const group = groupOf(path);
    if (group) touched.add(group);
  }
  for (const group of touched) {
    if (!(`${group}.confidence` in own)) write(result, `${group}.confidence`, 'med');
    if (!(`${group}.source` in own)) write(result, `${group}.source`, `own figures; the rest: ${String(read(book, `${group}.source`))}`);
  }
  const crop = result as unknown as Crop;
  checkTogether(crop);
  return crop;
}

/** A figure as an entry holds it, in the form in which it is set. */
export function figureIn(crop: Crop, path: string): FigureValue {
  if (path === 'temperature.share') return crop.temperature.share?.values ?? null;
  return (read(crop, path) ?? null) as FigureValue;
}

/** One place where the household's figures leave the book's. */
export interface Departure {
  readonly figure: Figure;
  readonly book: FigureValue;
  readonly own: FigureValue;
}

/** Where the household's figures leave the book's, in the order of the sheet. */
export function departures(book: Crop, own: OwnFigures): Departure[] {
  return FIGURES.filter(({ path }) => path in own).flatMap((figure) => {
    const before = figureIn(book, figure.path);
    const after = own[figure.path] as FigureValue;
    const same = JSON.stringify(asKept(figure, before)) === JSON.stringify(asKept(figure, after));
    return same ? [] : [{ figure, book: before, own: after }];
  });
}
