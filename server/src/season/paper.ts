import type { Season } from '@fresh-tuck/contract';
import { asSvg, gardenYear, stemOf } from '@fresh-tuck/core/drawing';
import { dayInWords } from '@fresh-tuck/core/words';
import { counted } from '@fresh-tuck/core/units';

/** As wide as the drawing is made for paper, px. */
const WIDE = 1080;
/** Of the drawing's place on a page that lies, its width to its height. */
const LYING = 1.9;

/** The garden year as it goes on paper: its drawing, and the starts in the order of their days. */
export function seasonPaper(season: Season) {
  const { lots, due, frost, today, year } = season;
  const soon = new Set(due.map(({ wishId }) => wishId));
  const stems = lots.filter(({ stages }) => stages.length > 0).map((lot) => stemOf(lot, soon.has(lot.wishId)));
  const starts = lots
    .filter(({ state }) => state === 'planned')
    .sort((a, b) => a.start - b.start || a.title.localeCompare(b.title))
    .map(({ start, title, seeds }) => `${dayInWords(start, year)}: ${title}${seeds === null ? '' : `, ${counted(seeds, 'seed')}`}`);
  const input = { year, today, stems, spring: frost.spring, autumn: frost.autumn };
  // A year of many sowings is as wide as it is high for a page that lies.
  const wide = Math.max(gardenYear(input, WIDE).height * LYING, WIDE);
  const { width, height, marks } = gardenYear(input, wide);
  return {
    title: `The garden year ${year}`,
    intro: season.text,
    drawing: { width, height, marks },
    lines: starts,
  };
}

/** The same as an SVG file. */
export function seasonSvg(season: Season): string {
  const { title, intro, drawing, lines } = seasonPaper(season);
  return asSvg(drawing, title, [intro, ...lines]);
}
