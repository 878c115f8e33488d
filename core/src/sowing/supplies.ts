import { isLoose, looseLitres, MEDIA, SEED_PEROXIDE_PERCENT, HOUSEHOLD_PEROXIDE_PERCENT, diluted } from '../carrier/index.js';
import type { Closure, Medium, Setup } from '../carrier/index.js';
import type { CarrierKind, MethodId, Pane } from '../method/index.js';
import { methodOf } from '../method/index.js';
import type { Preparation } from '../preparing/index.js';
import { handsFor, type TimedHands } from './hands.js';

/** One packet of a sitting, as far as its supplies go. */
export interface SittingLine {
  readonly method: MethodId;
  readonly setup: Setup;
  readonly pane: Pane;
  readonly seeds: number;
  /** Cells, slots, pellets or pots; null where the way has none. */
  readonly places: number | null;
  readonly doseMl: number;
  readonly closure: Closure;
  readonly prepared: readonly Preparation[];
  /** Lines that share a bag or tray name the same one; null for one of its own. */
  readonly bag: string | null;
  /** Whether that bag stands there already, with parcels of earlier days. */
  readonly bagThere: boolean;
}

/** What stands on the table before the first packet is opened. */
export interface Supplies {
  /** Whole sheets of paper, cloth or pads, and litres of loose stuff, by what they are of. */
  readonly media: readonly { readonly medium: Medium; readonly sheets: number; readonly litres: number }[];
  readonly bags: number;
  readonly tubs: number;
  readonly trays: number;
  readonly waterMl: number;
  /** Of the household bottle that goes into the water of those who damp with peroxide; 0 where nobody does. */
  readonly peroxideMl: number;
  readonly cells: number;
  readonly pots: number;
  readonly pellets: number;
  readonly sponges: number;
  readonly mixLitres: number;
  /** One to each packet, and a second one where a bag is shared: one lies within, one is on the bag. */
  readonly labels: number;
  readonly twice: number;
  readonly minutes: { readonly towels: number; readonly others: number; readonly wiping: number; readonly all: number };
}

/** An open sheet of kitchen paper, mm. Common practice, no source. */
const SHEET_MM2 = 280 * 220;
/** Mix to a cell and to a pot, litres: 40 mm and 90 mm across. Common practice, no source. */
const MIX_LITRES: Readonly<Partial<Record<CarrierKind, number>>> = { cells: 0.045, pots: 0.35, lid: 0.015 };
/** Mix settles and is spilt. Guess. */
const SPARE = 1.15;
/** Minutes to clear and wipe the table afterwards. Guess. */
const WIPING = 10;

const sum = <T>(all: readonly T[], of: (one: T) => number): number => all.reduce((total, one) => total + of(one), 0);

/**
 * What a sitting takes, counted whole: pieces of a sheet are cut from whole ones.
 *
 * @param own timed minutes of this household, by method
 */
export function suppliesFor(lines: readonly SittingLine[], own: Readonly<Partial<Record<MethodId, TimedHands>>> = {}): Supplies {
  const of = (kind: CarrierKind): SittingLine[] => lines.filter(({ method }) => methodOf(method).carrier === kind);
  const towels = of('towel');
  const media = MEDIA.flatMap((medium) => {
    const these = towels.filter(({ setup }) => setup.medium === medium);
    if (these.length === 0) return [];
    const litres = isLoose(medium) ? sum(these, ({ pane }) => looseLitres(pane)) : 0;
    const open = isLoose(medium) ? 0 : sum(these, ({ pane }) => 2 * pane.widthMm * pane.heightMm);
    return [{ medium, sheets: Math.ceil(open / SHEET_MM2 - 1e-9), litres: Number(litres.toFixed(2)) }];
  });
  const holders = new Map<string, SittingLine>();
  lines.forEach((line, index) => {
    if (!line.bagThere && methodOf(line.method).carrier !== 'row') holders.set(line.bag ?? `own ${index}`, line);
  });
  const kind = ({ method, closure }: SittingLine): 'bag' | 'tub' | 'tray' =>
    methodOf(method).bagged ? (closure === 'lidded' ? 'tray' : 'bag') : method === 'water' ? 'tub' : 'tray';
  const held = (what: 'bag' | 'tub' | 'tray'): number => [...holders.values()].filter((line) => kind(line) === what).length;
  const places = (carrier: CarrierKind): number => sum(of(carrier), (line) => line.places ?? line.seeds);
  const mix = sum(lines, (line) => (MIX_LITRES[methodOf(line.method).carrier] ?? 0) * (line.places ?? line.seeds));
  const shared = lines.filter((line) => line.bag !== null && (line.bagThere || lines.filter(({ bag }) => bag === line.bag).length > 1));
  const hands = (these: readonly SittingLine[]): number => sum(these, (line) => handsFor(line, own[line.method] ?? null));
  const [first, rest] = [Math.round(hands(towels)), Math.round(hands(lines.filter((line) => !towels.includes(line))))];
  const wiping = lines.length > 1 ? WIPING : 0;
  return {
    media,
    bags: held('bag'),
    tubs: held('tub'),
    trays: held('tray'),
    waterMl: Math.round(sum(lines, ({ doseMl }) => doseMl)),
    peroxideMl: Math.ceil(
      sum(
        lines.filter(({ setup, method }) => setup.damped === 'peroxide' && methodOf(method).carrier !== 'row'),
        ({ doseMl }) => diluted(HOUSEHOLD_PEROXIDE_PERCENT, SEED_PEROXIDE_PERCENT, doseMl).stockMl,
      ),
    ),
    cells: places('cells'),
    pots: places('pots'),
    pellets: places('pellets'),
    sponges: places('slots'),
    mixLitres: Number((mix * SPARE).toFixed(1)),
    labels: lines.length + shared.length,
    twice: shared.length,
    minutes: { towels: first, others: rest, wiping, all: first + rest + wiping },
  };
}
