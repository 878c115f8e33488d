import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/**
 * Which side goes into each place, drawn by lot so that no place is any side's by habit:
 * every side as often as it has bags, in an order by chance. The same lot draws the same.
 *
 * @param sides 1 or more; @param bags of each side, 1 or more; @param lot a whole number
 * @returns the side's number for the first place, the second and so on
 */
export function drawnByLot(sides: number, bags: number, lot: number): number[] {
  const order = Array.from({ length: sides * bags }, (_, index) => index % sides);
  const random = xoroshiro128plus(lot);
  for (let index = order.length - 1; index > 0; index--) {
    const other = uniformInt(random, 0, index);
    [order[index], order[other]] = [order[other] as number, order[index] as number];
  }
  return order;
}
