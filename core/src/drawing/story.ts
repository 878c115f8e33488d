import { ellipse, px, type Mark } from './marks.js';

/** One side of a story: how many had come by each look. */
export interface StorySide {
  readonly name: string;
  readonly seeds: number;
  /** Looks in their order: the day, and how many had come by then. */
  readonly looks: readonly { readonly day: number; readonly came: number }[];
}

const WIDTH = 900;
const HEIGHT = 330;
const [LEFT, RIGHT, TOP, BOTTOM] = [48, 720, 20, 286];
const TONES = ['first', 'second', 'third', 'fourth'] as const;

/**
 * The story of a batch or a trial as a drawing: each side's count as steps from look to
 * look, a ring where a look found nothing and a filled mark where it found more.
 *
 * @param sides one to four, each with at least one look
 */
export function storyDrawing(sides: readonly StorySide[]): {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
} {
  const lastDay = Math.max(1, Math.ceil(Math.max(...sides.flatMap(({ looks }) => looks.map(({ day }) => day)))));
  // Sides of other sizes are drawn in hundredths.
  const alike = new Set(sides.map(({ seeds }) => seeds)).size === 1;
  const most = alike ? Math.max(...sides.map(({ seeds }) => seeds)) : 100;
  const x = (day: number): number => LEFT + ((RIGHT - LEFT) * day) / lastDay;
  const y = (value: number): number => BOTTOM - ((BOTTOM - TOP) * value) / most;
  const marks: Mark[] = [];
  const text = (at: number, height: number, words: string, anchor: 'start' | 'middle' | 'end', cls: string): void =>
    void marks.push({ kind: 'text', x: Number(px(at)), y: Number(px(height)), text: words, anchor, cls });
  const step = stepOf(most);
  for (let value = 0; value <= most; value += step) {
    marks.push({ kind: 'path', d: `M${LEFT} ${px(y(value))}H${RIGHT}`, cls: 'story-grid' });
    text(LEFT - 8, y(value) + 5, alike ? String(value) : `${value} %`, 'end', 'story-axis');
  }
  const days = stepOf(lastDay);
  for (let day = 0; day <= lastDay; day += days) text(x(day), BOTTOM + 22, day === 0 ? 'day 0' : String(day), 'middle', 'story-axis');
  const ends = sides.map(({ looks, seeds }) => y(scaled(looks.at(-1)?.came ?? 0, seeds, alike)));
  sides.forEach(({ name, seeds, looks }, nth) => {
    const tone = TONES[nth] ?? 'first';
    let [path, came] = [`M${LEFT} ${px(y(0))}`, 0];
    const dots: Mark[] = [];
    for (const look of looks) {
      const at = y(scaled(look.came, seeds, alike));
      path += `H${px(x(look.day))}V${px(at)}`;
      dots.push({ kind: 'path', d: ellipse(x(look.day), at, 4, 4), cls: look.came > came ? `story-more ${tone}` : `story-none ${tone}` });
      came = Math.max(came, look.came);
    }
    marks.push({ kind: 'path', d: path, cls: `story-line ${tone}` }, ...dots);
    const crowded = ends.some((end, other) => other !== nth && Math.abs(end - (ends[nth] ?? 0)) < 36);
    const height = (ends[nth] ?? 0) + (crowded ? (nth - (sides.length - 1) / 2) * 38 : 0);
    text(RIGHT + 12, height, name, 'start', `story-name ${tone}`);
    text(RIGHT + 12, height + 17, `${looks.at(-1)?.came ?? 0} of ${seeds}`, 'start', 'story-axis');
  });
  return { width: WIDTH, height: HEIGHT, marks };
}

const scaled = (value: number, seeds: number, alike: boolean): number => (alike ? value : (100 * value) / Math.max(seeds, 1));

/** A round step of which four or five make the whole. */
function stepOf(whole: number): number {
  const rough = Math.max(whole / 5, 1);
  const size = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((times) => times * size >= rough) ?? 10) * size;
}
