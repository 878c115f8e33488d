import type { YearScale } from './year-frost.js';
import { px, textWidth, type Mark } from './marks.js';

/** What stands in a room, step by step, in the order in which it comes. */
export interface StrataInput {
  readonly holds: number | null;
  readonly stepDays: number;
  /** The first day. */
  readonly first: number;
  readonly promised: readonly number[];
  readonly lots: readonly { readonly id: string; readonly title: string; readonly fromStep: number; readonly mean: readonly number[] }[];
}
export interface Strata {
  readonly height: number;
  readonly marks: readonly Mark[];
}

const TONES = 4;
const DEEP = 130;
const HEAD = 18;

/** Room as ground that is laid layer upon layer: who came first lies deepest; what lies above the line has no room. */
export function strata({ holds, stepDays, first, promised, lots }: StrataInput, { x }: YearScale, width: number): Strata {
  const most = Math.max(...promised, holds ?? 0, 1);
  const scale = DEEP / most;
  const [base, height] = [HEAD + DEEP, HEAD + DEEP + 8];
  const y = (value: number): number => base - value * scale;
  const at = (step: number): number => x(first + step * stepDays);
  const under = new Array<number>(promised.length).fill(0);
  const marks: Mark[] = [];
  const words: Mark[] = [];
  lots.forEach(({ id, title, fromStep, mean }, nth) => {
    const steps = mean.map((_, index) => fromStep + index).filter((step) => step < promised.length);
    const [start, last] = [steps[0], steps.at(-1)];
    if (start === undefined || last === undefined) return;
    const low = steps.map((step) => under[step] ?? 0);
    const high = steps.map((step, index) => (low[index] ?? 0) + (mean[index] ?? 0));
    steps.forEach((step, index) => (under[step] = high[index] ?? 0));
    const line = (values: readonly number[], order: readonly number[]): string =>
      order.map((index) => `L${px(at(steps[index] ?? 0))} ${px(y(values[index] ?? 0))}`).join('');
    const order = steps.map((_, index) => index);
    const d = `M${px(at(start) - 6)} ${px(y(low[0] ?? 0))}${line(high, order)}L${px(at(last) + 6)} ${px(y(low.at(-1) ?? 0))}${line(low, order.toReversed())}Z`;
    marks.push({ kind: 'path', cls: `soil-${nth % TONES}`, d, of: id });
    const widest = mean.reduce((best, value, index) => (value > (mean[best] ?? 0) ? index : best), 0);
    const thick = mean.filter((value) => value * scale >= 16).length * stepDays;
    const name = title.replace(/,.*$/, '');
    if ((mean[widest] ?? 0) * scale >= 16 && thick * (x(first + 1) - x(first)) > textWidth(name, 13) + 12) {
      const among = order.filter((index) => (mean[index] ?? 0) * scale >= 16);
      const index = among[Math.floor(among.length / 2)] ?? widest;
      words.push({
        kind: 'text',
        x: at(steps[index] ?? 0),
        y: y(((low[index] ?? 0) + (high[index] ?? 0)) / 2) + 5,
        text: name,
        anchor: 'middle',
        cls: 'layer',
        of: id,
      });
    }
  });
  if (holds !== null) {
    const over = promised.map((value, step) => ({ step, value })).filter(({ value }) => value > holds + 0.5);
    for (const stretch of stretches(over.map(({ step }) => step))) {
      const top = stretch.map((step) => `L${px(at(step))} ${px(y(promised[step] ?? 0))}`).join('');
      const [a = 0, b = 0] = [stretch[0], stretch.at(-1)];
      marks.push({ kind: 'path', cls: 'over', d: `M${px(at(a) - 8)} ${px(y(holds))}${top}L${px(at(b) + 8)} ${px(y(holds))}Z` });
    }
    marks.push({ kind: 'path', cls: 'holds', d: `M0 ${px(y(holds))}H${px(width)}` });
  }
  const edge = promised.map((value, step) => `${step === 0 ? 'M' : 'L'}${px(at(step))} ${px(y(value))}`).join('');
  marks.push({ kind: 'path', cls: 'promised', d: edge }, { kind: 'path', cls: 'ground', d: `M0 ${px(base)}H${px(width)}` });
  return { height, marks: [...marks, ...words] };
}

/** Steps that follow each other, together. */
function stretches(steps: readonly number[]): number[][] {
  const found: number[][] = [];
  for (const step of steps) {
    const last = found.at(-1);
    if (last && last.at(-1) === step - 1) last.push(step);
    else found.push([step]);
  }
  return found;
}
