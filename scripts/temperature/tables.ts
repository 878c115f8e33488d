import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';

export const root = new URL('../..', import.meta.url);

/** Days to emergence at one soil temperature; null for little or no germination. */
export interface Point {
  readonly celsius: number;
  readonly days: number | null;
}

const read = (file: string): Record<string, string>[] =>
  parse<Record<string, string>>(readFileSync(new URL(`reference/${file}`, root)), { columns: true, comment: '#', comment_no_infix: true });

/** Harrington and Minges (1954): days to emergence by crop. */
export const emergence: ReadonlyMap<string, readonly Point[]> = new Map(
  read('emergence_days.csv').map((row) => [
    row['crop'] ?? '',
    Object.entries(row).flatMap(([column, cell]): Point[] => {
      const celsius = /^(\d+)C_/.exec(column)?.[1];
      if (celsius === undefined || cell === '') return [];
      return [{ celsius: Number(celsius), days: cell === 'NG' ? null : Number(cell) }];
    }),
  ]),
);

/** The same crops under the names of the table of normal seedlings. */
export const seedlingName = (crop: string): string =>
  ({ 'bean, lima': 'bean_lima', 'bean, snap': 'bean_snap', 'corn, sweet': 'corn_sweet' })[crop] ?? crop;

/** Harrington and Minges (1954): normal seedlings by temperature, as a share of the best. */
export const seedlings: ReadonlyMap<string, readonly (readonly [number, number])[]> = new Map(
  read('normal_seedlings_percent.csv').map((row) => {
    const cells = Object.entries(row).flatMap(([column, cell]): [number, number][] =>
      /^\d+$/.test(column) && /^\d+$/.test(cell) ? [[Number(column), Number(cell)]] : [],
    );
    const best = Math.max(...cells.map(([, percent]) => percent));
    return [row['crop'] ?? '', cells.map(([celsius, percent]): [number, number] => [celsius, Number((percent / best).toFixed(3))])];
  }),
);

/** Bierhuizen and Wagenvoort (1974): base temperatures, °C. */
export const heatBases: ReadonlyMap<string, number> = new Map(
  read('heat_sums.csv').map((row) => [row['crop'] ?? '', Number(row['base_temperature_C'])]),
);
