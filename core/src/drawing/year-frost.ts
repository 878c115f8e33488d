import { px, textWidth, type Mark } from './marks.js';

/** Frost of one side: by share of years. */
export interface FrostEdge {
  readonly at10: number | null;
  readonly at50: number | null;
  readonly at90: number | null;
}
/** Where a day lies. */
export interface YearScale {
  readonly x: (day: number) => number;
  readonly from: number;
  readonly to: number;
}
/** Where the sky is drawn. */
export interface Sky {
  readonly scale: YearScale;
  readonly ground: number;
  readonly top: number;
  readonly width: number;
  readonly narrow: boolean;
}

/** Words of one frost stand this far apart, px. */
export const FROST_APART = 62;
const SMALL = 13;
const DAY_MS = 86_400_000;
export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** A wavering edge down the sky, at x. */
function drift(x: number, from: number, to: number, nth: number): string {
  const steps = Math.max(Math.round((to - from) / 46), 2);
  const step = (to - from) / steps;
  let d = `M${px(x)} ${px(from)}`;
  for (let i = 1; i <= steps; i++) {
    const sway = Math.sin(i * 1.9 + nth * 2.1) * 5;
    d += `Q${px(x + sway)} ${px(from + (i - 0.5) * step)} ${px(x + Math.sin(i * 2.7 + nth) * 2.4)} ${px(from + i * step)}`;
  }
  return d;
}

/** Frost that drifts in from a side, three times as deep as it is sure. @param clear where the words of the other side end, px */
export function frostMarks(
  edge: FrostEdge | null,
  side: 'spring' | 'autumn',
  { scale, ground, narrow, width, top }: Sky,
  year: number,
  clear = 0,
): Mark[] {
  if (!edge) return [];
  const named = (
    [
      [edge.at10, side === 'spring' ? '9 in 10' : '1 in 10'],
      [edge.at50, '5 in 10'],
      [edge.at90, side === 'spring' ? '1 in 10' : '9 in 10'],
    ] as const
  ).flatMap(([day, text]) => (day === null ? [] : [{ x: scale.x(day), day, text }]));
  const far = side === 'spring' ? 0 : width;
  const marks: Mark[] = named.map(({ x }, nth) => ({
    kind: 'path',
    cls: 'frost',
    d: `${drift(x, 0, ground, nth)}L${px(far)} ${px(ground)}L${px(far)} 0Z`,
  }));
  marks.push(...named.map(({ x }, nth): Mark => ({ kind: 'path', cls: 'frost-edge', d: drift(x, top - 8, ground, nth) })));
  const shown = narrow ? named.filter(({ text }) => text === '5 in 10') : named;
  // Words that would meet are set apart.
  const places = shown.map(({ x }) => x);
  const middle = (places.length - 1) / 2;
  for (let i = 1; i < places.length; i++) places[i] = Math.max(places[i] as number, (places[i - 1] as number) + FROST_APART);
  const back = places.length > 1 ? Math.max(((places[Math.ceil(middle)] as number) - (shown[Math.ceil(middle)]?.x ?? 0)) / 2, 0) : 0;
  shown.forEach(({ day, text }, nth) => {
    const x = Math.min(Math.max((places[nth] ?? 0) - back, 30), width - 30);
    marks.push({ kind: 'text', x, y: 16, text: dated(day), anchor: 'middle', cls: 'frost-day' });
    if (!narrow) marks.push({ kind: 'text', x, y: 34, text, anchor: 'middle', cls: 'frost-word' });
  });
  const lead = side === 'spring' ? 'last frost' : 'first frost';
  const of = side === 'spring' ? 'still to come, of ten springs' : 'already here, of ten autumns';
  const first = (places[0] ?? 0) - back;
  if (narrow)
    marks.push({ kind: 'text', x: Math.min(Math.max(first, 34), width - 34), y: 32, text: lead, anchor: 'middle', cls: 'frost-word' });
  else {
    // Beside the other side's words, or beyond the edge, the second line is left out.
    const room = first - 36 - textWidth(of, SMALL) > clear;
    marks.push({ kind: 'text', x: first - 36, y: 16, text: lead, anchor: 'end', cls: 'frost-day' });
    if (room) marks.push({ kind: 'text', x: first - 36, y: 34, text: of, anchor: 'end', cls: 'frost-word' });
  }
  return marks;
  function dated(day: number): string {
    const date = new Date(Math.round(day) * DAY_MS);
    const month = (MONTHS[date.getUTCMonth()] ?? '').slice(0, 3);
    return `${date.getUTCDate()} ${month}${date.getUTCFullYear() === year ? '' : ` ${date.getUTCFullYear()}`}`;
  }
}
