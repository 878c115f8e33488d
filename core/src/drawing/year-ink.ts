import type { Mark } from './marks.js';

/** How a line, a shape or a word of the garden year looks on paper: the day's colours, as the page has them. */
export interface Ink {
  readonly fill?: string;
  readonly opacity?: number;
  readonly stroke?: string;
  readonly width?: number;
  readonly dash?: readonly number[];
  /** Of words: size and whether they are bold. */
  readonly size?: number;
  readonly bold?: boolean;
}

const INK = '#14342B';
const SOFT = '#4A635A';
const EDGE = '#6E5A2E';
const WATER = '#1D4F79';
const TROUBLE = '#8E2A18';
const GROWTH = '#2F7A4B';
const GROWTH_WORD = '#1C5631';
const PALE = '#CFE6D3';

const BY_CLASS: Readonly<Record<string, Ink>> = {
  soil: { fill: '#EFE9DC' },
  frost: { fill: '#D7E6F2', opacity: 0.55 },
  'frost-edge': { stroke: '#2A6A9E', width: 1, opacity: 0.5 },
  'frost-day': { fill: WATER, size: 14, bold: true },
  'frost-word': { fill: WATER, size: 13 },
  ground: { stroke: EDGE, width: 2 },
  tick: { stroke: EDGE, width: 1.2 },
  month: { fill: SOFT, size: 13 },
  where: { fill: INK, size: 13, bold: true },
  warm: { fill: '#F3E6C8' },
  lit: { fill: PALE },
  'root-edge': { stroke: EDGE, width: 5 },
  'root-edge later': { stroke: EDGE, width: 3.4 },
  root: { stroke: '#FBF4E2', width: 2.4 },
  'root later': { stroke: '#FBF4E2', width: 1.6 },
  'stem-edge': { stroke: GROWTH_WORD, width: 4.4 },
  'stem-edge later': { stroke: GROWTH_WORD, width: 3 },
  stem: { stroke: PALE, width: 2 },
  'stem later': { stroke: PALE, width: 1.3 },
  hair: { stroke: EDGE, width: 1.2 },
  'hair later': { stroke: EDGE, width: 1.2 },
  leaf: { fill: GROWTH, stroke: GROWTH_WORD, width: 0.8 },
  'leaf later': { fill: PALE, stroke: GROWTH_WORD, width: 0.8 },
  window: { fill: PALE, stroke: GROWTH, width: 1 },
  doubt: { stroke: SOFT, width: 1.6, dash: [5, 4] },
  seed: { fill: '#E4D6B4', stroke: EDGE, width: 1.6 },
  ghost: { stroke: EDGE, width: 1.2, dash: [2, 2] },
  ring: { stroke: INK, width: 1.6, dash: [4, 3] },
  today: { stroke: INK, width: 1.5, dash: [4, 4] },
  now: { fill: INK, size: 14, bold: true },
  name: { fill: INK, size: 14 },
  'name due': { fill: INK, size: 14, bold: true },
  end: { fill: INK, size: 14 },
  'story-grid': { stroke: '#D5DED8', width: 1 },
  'story-axis': { fill: SOFT, size: 13 },
  'end trouble': { fill: TROUBLE, size: 14, bold: true },
};
const YIELD: Readonly<Record<string, string>> = { flower: '#D7E6F2', fruit: '#F3E6C8', root: '#FFFFFF' };

/** Sides of a story, as the page has their colours. */
const SIDES: Readonly<Record<string, { readonly line: string; readonly word: string; readonly dash?: readonly number[] }>> = {
  first: { line: GROWTH, word: GROWTH_WORD },
  second: { line: '#8F6310', word: '#6B490A', dash: [9, 5] },
  third: { line: '#2A6A9E', word: WATER, dash: [3, 4] },
  fourth: { line: INK, word: INK, dash: [12, 3, 3, 3] },
};

function storyInk(part: string, tone: string): Ink | null {
  const side = SIDES[tone];
  if (!side) return null;
  switch (part) {
    case 'story-line':
      return { stroke: side.line, width: 2.6, ...(side.dash ? { dash: side.dash } : {}) };
    case 'story-more':
      return { fill: side.line, stroke: side.line, width: 1.6 };
    case 'story-none':
      return { fill: '#FFFFFF', stroke: side.line, width: 1.6 };
    case 'story-name':
      return { fill: side.word, size: 15, bold: true };
    default:
      return null;
  }
}

/** How a mark is inked on paper. */
export function inkOf({ cls }: Pick<Mark, 'cls'>): Ink {
  const known = BY_CLASS[cls];
  if (known) return known;
  const [first = '', shape = '', doubtful] = cls.split(' ');
  const story = storyInk(first, shape);
  if (story) return story;
  if (first === 'yield')
    return doubtful ? { stroke: SOFT, width: 1.3, dash: [3, 2] } : { fill: YIELD[shape] ?? PALE, stroke: INK, width: 1.3 };
  return { stroke: INK, width: 1 };
}

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** A drawing as an SVG file that stands by itself. @param below further words under it, line by line */
export function asSvg(
  { width, height, marks }: { readonly width: number; readonly height: number; readonly marks: readonly Mark[] },
  title: string,
  below: readonly string[] = [],
): string {
  const lines = marks.map((mark) => {
    const { fill = 'none', opacity, stroke, width: wide, dash, size = 14, bold = false } = inkOf(mark);
    if (mark.kind === 'text')
      return `<text x="${mark.x}" y="${mark.y}" text-anchor="${mark.anchor}" fill="${fill}" font-size="${size}"${bold ? ' font-weight="700"' : ''}>${escaped(mark.text)}</text>`;
    const pen = stroke
      ? ` stroke="${stroke}" stroke-width="${wide}" stroke-linecap="round" stroke-linejoin="round"${dash ? ` stroke-dasharray="${dash.join(' ')}"` : ''}`
      : '';
    return `<path d="${mark.d}" fill="${fill}"${opacity === undefined ? '' : ` opacity="${opacity}"`}${pen}/>`;
  });
  const words = below.map((text, nth) => `<text x="12" y="${height + 24 + nth * 20}" fill="${INK}" font-size="14">${escaped(text)}</text>`);
  const high = height + (below.length > 0 ? 24 + below.length * 20 : 0);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${high}" viewBox="0 0 ${width} ${high}" font-family="Atkinson Hyperlegible Next, sans-serif"><title>${escaped(title)}</title><rect width="${width}" height="${high}" fill="#FFFFFF"/>${lines.join('')}${words.join('')}</svg>`;
}
