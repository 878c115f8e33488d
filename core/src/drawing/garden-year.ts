import { ellipse, px, textWidth, type Mark } from './marks.js';
import { FROST_APART, frostMarks, MONTHS, type FrostEdge, type Sky, type YearScale } from './year-frost.js';
import { yieldPath, type YieldShape } from './yields.js';

/** A day of the calendar by its number. */
type Day = number;

/** A sowing as a stem of the garden year. */
export interface Stem {
  readonly id: string;
  readonly title: string;
  readonly start: Day;
  /** When it leaves the warm, goes out (one in ten, half, nine in ten), and bears; null for what it does not do. */
  readonly moved: Day;
  readonly out: { readonly at10: Day; readonly at50: Day; readonly at90: Day } | null;
  readonly ripe: Day | null;
  readonly end: string;
  readonly trouble: boolean;
  readonly due: boolean;
  readonly begun: boolean;
  /** The day that was planned, where it was begun on another, or is over. */
  readonly planned: Day | null;
  readonly cells: number;
  readonly yields: YieldShape;
}
export interface GardenYearInput {
  readonly year: number;
  readonly today: Day;
  readonly stems: readonly Stem[];
  readonly spring: FrostEdge | null;
  readonly autumn: FrostEdge | null;
}
export interface GardenYear {
  readonly width: number;
  readonly height: number;
  /** Level of the ground: above it is outdoors. */
  readonly ground: number;
  readonly scale: YearScale;
  readonly marks: readonly Mark[];
}

/** Narrower than this names stand over their stems. */
const NARROW = 760;
const SIZE = { name: 14, small: 13 } as const;
const ROUND = 10;
const LEAF_STEP = 24;
/** What bears nothing this year is drawn growing on for so many days. */
const GROWS_ON = 45;
/** Stems that rise on the same day stand this far apart, px. */
const STEM_APART = 6;
const DAY_MS = 86_400_000;

interface Layout extends Sky {
  readonly row: number;
  readonly below: number;
  readonly height: number;
}

function layoutOf({ stems, today, spring, autumn }: GardenYearInput, width: number): Layout {
  const narrow = width < NARROW;
  const row = narrow ? 36 : 20;
  const outdoors = stems.filter(({ out }) => out !== null).length;
  const top = narrow ? 66 : 58;
  const ground = top + Math.max(outdoors, 2) * row + 12;
  const below = ground + (narrow ? 54 : 48);
  const height = below + Math.max(stems.length, 2) * row + 14;
  const first = Math.min(today, spring?.at50 ?? today, ...stems.map(({ start, planned }) => Math.min(start, planned ?? start)));
  const names = Math.max(...stems.map(({ title }) => textWidth(title, SIZE.name)), 80);
  const left = narrow ? 22 : Math.min(names + 44, width * 0.24);
  // Every stem has room for what is said at its end.
  const ends = [
    { day: today, room: 40 },
    { day: autumn?.at90 ?? today, room: narrow ? 30 : 60 },
    ...stems.map(({ ripe, out, moved, end }) => ({
      day: ripe ?? (out?.at90 ?? moved) + GROWS_ON,
      room: narrow ? 26 : 24 + textWidth(end, SIZE.name),
    })),
  ];
  const perDay = Math.min(...ends.map(({ day, room }) => (width - left - room) / Math.max(day - first, 60)));
  const x = (day: Day): number => left + (day - first) * perDay;
  return { narrow, width, row, top, ground, below, height, scale: { x, from: first - left / perDay, to: first + (width - left) / perDay } };
}

/** The ground with its months. */
function groundMarks({ scale, ground, width, narrow }: Layout): Mark[] {
  const marks: Mark[] = [{ kind: 'path', cls: 'ground', d: `M0 ${px(ground)}H${px(width)}` }];
  const from = new Date(Math.floor(scale.from) * DAY_MS);
  for (let month = -1; ; month++) {
    const at = Date.UTC(from.getUTCFullYear(), from.getUTCMonth() + month, 1) / DAY_MS;
    const next = Date.UTC(from.getUTCFullYear(), from.getUTCMonth() + month + 1, 1) / DAY_MS;
    if (at > scale.to) break;
    const [x, to] = [scale.x(at), scale.x(next)];
    if (x > 0 && x < width) marks.push({ kind: 'path', cls: 'tick', d: `M${px(x)} ${px(ground)}v6` });
    const name = MONTHS[new Date(at * DAY_MS).getUTCMonth()] ?? '';
    const text = narrow || to - x < 66 ? name.slice(0, to - x < 30 ? 1 : 3) : name;
    const middle = (x + to) / 2;
    const half = textWidth(text, SIZE.small) / 2;
    if (middle - half > 2 && middle + half < width - 2)
      marks.push({ kind: 'text', x: middle, y: ground + 22, text, anchor: 'middle', cls: 'month' });
  }
  return marks;
}

/** A line that wavers as a stem does, from left to right. */
function waver(x0: number, x1: number, y: number, nth: number): string {
  const steps = Math.max(Math.round((x1 - x0) / 70), 1);
  const step = (x1 - x0) / steps;
  let d = '';
  for (let i = 0; i < steps; i++) {
    const sway = Math.sin(i * 2.3 + nth * 1.7) * 1.6;
    d += `Q${px(x0 + (i + 0.5) * step)} ${px(y + sway)} ${px(x0 + (i + 1) * step)} ${px(y)}`;
  }
  return d;
}

const band = (x0: number, x1: number, y: number, deep: number): string => `M${px(x0)} ${px(y - deep / 2)}H${px(x1)}v${px(deep)}H${px(x0)}Z`;

/** Leaves along a stem; those of days that are over are inked. */
function leaves(x0: number, x1: number, y: number, todayX: number, of: string): Mark[] {
  const count = Math.max(Math.floor((x1 - x0 - 12) / LEAF_STEP), 0);
  const path = (past: boolean): string => {
    let d = '';
    for (let i = 0; i < count; i++) {
      const x = x0 + 14 + i * LEAF_STEP;
      if (x < todayX !== past) continue;
      const up = i % 2 === 0 ? -1 : 1;
      d += `M${px(x)} ${px(y)}q${px(2)} ${px(up * 7)} ${px(10)} ${px(up * 6.5)}q${px(-1)} ${px(-up * 6)} ${px(-10)} ${px(-up * 6.5)}Z`;
    }
    return d;
  };
  return [
    ...(path(true) ? [{ kind: 'path', cls: 'leaf', d: path(true), of } as const] : []),
    ...(path(false) ? [{ kind: 'path', cls: 'leaf later', d: path(false), of } as const] : []),
  ];
}

/** One sowing: its seed and root below, its stem above, and what it bears. */
function stemMarks(stem: Stem, nth: number, rises: number, layout: Layout, input: GardenYearInput): Mark[] {
  const { scale, ground, row, below, top, width, narrow } = layout;
  const of = stem.id;
  const yb = below + nth * row;
  const ya = stem.out ? top + nth * row : yb;
  const [xs, xm, todayX] = [scale.x(stem.start), scale.x(stem.moved), scale.x(input.today)];
  const xo = stem.out ? rises : xm;
  const xe = scale.x(stem.ripe ?? (stem.out?.at90 ?? stem.moved) + GROWS_ON);
  const when = stem.begun ? '' : ' later';
  const deep = Math.min(5 + stem.cells * 0.22, 16);
  const marks: Mark[] = [
    { kind: 'path', cls: 'warm', d: band(xs, Math.max(xm, xs + 4), yb, 9), of },
    ...(stem.out ? [{ kind: 'path', cls: 'lit', d: band(xm, xo, yb, deep), of } as const] : []),
  ];
  const rootTo = stem.out
    ? `M${px(xs)} ${px(yb)}${waver(xs, Math.max(xo - ROUND, xs + 1), yb, nth)}Q${px(xo)} ${px(yb)} ${px(xo)} ${px(yb - ROUND)}V${px(ground)}`
    : `M${px(xs)} ${px(yb)}${waver(xs, Math.max(xm, xs + 2), yb, nth)}`;
  marks.push({ kind: 'path', cls: `root-edge${when}`, d: rootTo, of }, { kind: 'path', cls: `root${when}`, d: rootTo, of });
  if (stem.out) {
    const hairs = [0, 12, 24].map((back) => `M${px(xo - 10 - back)} ${px(yb)}q-1 5 ${px(-4)} 7`).join('');
    marks.push({ kind: 'path', cls: `hair${when}`, d: hairs, of });
    const [w10, w90] = [scale.x(stem.out.at10), scale.x(stem.out.at90)];
    marks.push({ kind: 'path', cls: 'window', d: ellipse((w10 + w90) / 2, ground, Math.max((w90 - w10) / 2, 3), 4.5), of });
  }
  const sureX = stem.trouble && input.autumn?.at10 ? Math.min(Math.max(scale.x(input.autumn.at10), xo + 20), xe) : xe;
  const begins = stem.out
    ? `M${px(xo)} ${px(ground)}V${px(ya + ROUND)}Q${px(xo)} ${px(ya)} ${px(xo + ROUND)} ${px(ya)}`
    : `M${px(xm)} ${px(ya)}`;
  const from = stem.out ? xo + ROUND : xm;
  const d = `${begins}${waver(from, Math.max(sureX, from + 2), ya, nth + 3)}`;
  marks.push({ kind: 'path', cls: `stem-edge${when}`, d, of }, { kind: 'path', cls: `stem${when}`, d, of });
  if (sureX < xe) marks.push({ kind: 'path', cls: 'doubt', d: `M${px(sureX)} ${px(ya)}H${px(xe - 9)}`, of });
  marks.push(...leaves(from, sureX - 8, ya, todayX, of));
  if (stem.ripe !== null)
    marks.push({ kind: 'path', cls: `yield ${stem.yields}${stem.trouble ? ' doubtful' : ''}`, d: yieldPath(stem.yields, xe, ya), of });
  if (stem.planned !== null) marks.push({ kind: 'path', cls: 'ghost', d: ellipse(scale.x(stem.planned), yb, 7, 5), of });
  if (stem.due) marks.push({ kind: 'path', cls: 'ring', d: ellipse(xs, yb, 13, 13), of });
  marks.push({ kind: 'path', cls: 'seed', d: ellipse(xs, yb, 7, 5), of });
  const nameCls = stem.due ? 'name due' : 'name';
  if (narrow) {
    const w = textWidth(stem.title, SIZE.name);
    // Left of where it rises: right of that rise those that go out later.
    const x = Math.max(Math.min(xs - 4, (stem.out ? xo - 8 : width - 6) - w), 6);
    marks.push({ kind: 'text', x, y: yb - 11, text: stem.title, anchor: 'start', cls: nameCls, of });
    // Its name stands far below: it is said once more, and never beyond the edge.
    const text = `${stem.title.replace(/\s*[,/].*$/, '')}: ${stem.end}`;
    marks.push({
      kind: 'text',
      // Right of where it rises: left of that rise those that went out before.
      x: Math.max(Math.min(from + 2, width - 4 - textWidth(text, SIZE.name)), 4),
      y: ya - 11,
      text,
      anchor: 'start',
      cls: stem.trouble ? 'end trouble' : 'end',
      of,
    });
    return marks;
  }
  // Left of its seed, and of the day that was planned.
  const nameX = Math.min(xs - (stem.due ? 20 : 14), stem.planned === null ? Infinity : scale.x(stem.planned) - 14);
  marks.push({ kind: 'text', x: nameX, y: yb + 5, text: stem.title, anchor: 'end', cls: nameCls, of });
  const w = textWidth(stem.end, SIZE.name);
  const fits = xe + 18 + w < width - 2;
  marks.push({
    kind: 'text',
    x: fits ? xe + 16 : width - 4,
    y: fits ? ya + 5 : ya - 8,
    text: stem.end,
    anchor: fits ? 'start' : 'end',
    cls: stem.trouble ? 'end trouble' : 'end',
    of,
  });
  return marks;
}

/** Places that rise, those that would meet set apart about their middle. */
function setApart(places: readonly number[]): number[] {
  const found: number[] = [];
  let from = 0;
  const centre = (to: number): void => {
    const [first = 0, last = 0] = [found[from], found[to - 1]];
    const by = (last - (places[to - 1] ?? last) - (first - (places[from] ?? first))) / 2;
    for (let nth = from; nth < to; nth++) found[nth] = (found[nth] ?? 0) - by;
  };
  places.forEach((x, nth) => {
    const before = found[nth - 1] ?? -Infinity;
    if (x < before + STEM_APART) found.push(before + STEM_APART);
    else {
      centre(nth);
      from = nth;
      found.push(Math.max(x, (found[nth - 1] ?? -Infinity) + STEM_APART));
    }
  });
  centre(places.length);
  return found;
}

/**
 * The garden year: below the ground is indoors, above it outdoors; each sowing is one stem, and the
 * frosts drift in from both sides.
 *
 * @param width px; narrow ones are drawn with the names over the stems
 */
export function gardenYear(input: GardenYearInput, width: number): GardenYear {
  const layout = layoutOf(input, width);
  const { ground, height, scale, narrow, top } = layout;
  // Who goes out first stands on top, above and below: no stem crosses another.
  const stems = [...input.stems].sort(
    (a, b) => (a.out?.at50 ?? Infinity) - (b.out?.at50 ?? Infinity) || a.start - b.start || a.title.localeCompare(b.title),
  );
  const rises = setApart(stems.map(({ out, moved }) => scale.x(out?.at50 ?? moved)));
  const all = stems.flatMap((stem, nth) => stemMarks(stem, nth, rises[nth] ?? 0, layout, input));
  const [lines, words] = (['path', 'text'] as const).map((kind) => all.filter((mark) => mark.kind === kind)) as [Mark[], Mark[]];
  const todayX = scale.x(input.today);
  const marks: Mark[] = [
    { kind: 'path', cls: 'soil', d: `M0 ${px(ground)}H${px(width)}V${px(height)}H0Z` },
    ...frostMarks(input.spring, 'spring', layout, input.year),
    ...frostMarks(input.autumn, 'autumn', layout, input.year, input.spring?.at90 ? scale.x(input.spring.at90) + FROST_APART : 0),
    { kind: 'path', cls: 'today', d: `M${px(todayX)} ${px(top - 14)}V${px(height)}` },
    ...lines,
    // Words lie over every line.
    ...words,
    ...groundMarks(layout),
    { kind: 'text', x: todayX + 6, y: height - 6, text: 'today', anchor: 'start', cls: 'now' },
    ...(narrow
      ? []
      : ([
          { kind: 'text', x: 12, y: ground - 10, text: 'outdoors', anchor: 'start', cls: 'where' },
          { kind: 'text', x: 12, y: height - 10, text: 'indoors', anchor: 'start', cls: 'where' },
        ] as const)),
  ];
  return { width, height, ground, scale, marks };
}
