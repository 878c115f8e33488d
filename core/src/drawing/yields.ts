import { px } from './marks.js';

/** What a stem bears at its end. */
export type YieldShape = 'fruit' | 'pod' | 'head' | 'root' | 'leaf' | 'flower' | 'plant';

const petals = (x: number, y: number): string =>
  [0, 1, 2, 3, 4]
    .map((nth) => {
      const angle = (nth / 5) * 2 * Math.PI - Math.PI / 2;
      const [cx, cy] = [x + Math.cos(angle) * 6, y + Math.sin(angle) * 6];
      return `M${px(cx - 4.4)} ${px(cy)}a4.4 4.4 0 1 0 8.8 0a4.4 4.4 0 1 0 -8.8 0Z`;
    })
    .join('');

/** Its lines about (x, y), some 20 px across. */
export function yieldPath(shape: YieldShape, x: number, y: number): string {
  const m = (dx: number, dy: number): string => `${px(x + dx)} ${px(y + dy)}`;
  switch (shape) {
    case 'flower':
      return petals(x, y);
    case 'fruit':
      return `M${m(-8, 0)}a8 8.6 0 1 0 16 0a8 8.6 0 1 0 -16 0ZM${m(0, -8)}v-4M${m(0, -8)}l-4 -2M${m(0, -8)}l4 -2M${m(-3, -6)}q-3 6 0 12M${m(3, -6)}q3 6 0 12`;
    case 'pod':
      return `M${m(-10, -3)}q2 9 10 9t10 -9q-10 4 -20 0ZM${m(-4, 2)}h.1M${m(0, 3)}h.1M${m(4, 2)}h.1`;
    case 'head':
      return `M${m(0, -9)}q9 6 8 12q-3 5 -8 5t-8 -5q-1 -6 8 -12ZM${m(-5, 0)}q5 -4 10 0M${m(-6, 4)}q6 -4 12 0`;
    case 'root':
      return `M${m(-10, -3)}q12 -3 20 3q-8 6 -20 3ZM${m(-10, -3)}l-4 -4M${m(-10, 0)}h-5M${m(-10, 3)}l-4 4`;
    case 'leaf':
      return `M${m(-9, 4)}q0 -11 18 -11q0 13 -18 11ZM${m(-7, 3)}q6 -5 13 -8`;
    case 'plant':
      return `M${m(0, 8)}V${px(y - 2)}M${m(0, 0)}q-9 0 -9 -8q9 0 9 8ZM${m(0, -2)}q9 0 9 -8q-9 0 -9 8Z`;
  }
}
