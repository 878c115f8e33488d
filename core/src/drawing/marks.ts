/** A line, a shape or a word of a drawing that is shown on the page, as SVG and on paper; how it looks is said by its class. */
export type Mark =
  | { readonly kind: 'path'; readonly d: string; readonly cls: string; readonly of?: string }
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly cls: string;
      readonly of?: string;
    };

/** Figures of a path: a tenth of a pixel is enough. */
export const px = (value: number): string => String(Math.round(value * 10) / 10);

/** An ellipse as a path, so that all of a drawing is paths and words. */
export const ellipse = (cx: number, cy: number, rx: number, ry: number): string =>
  `M${px(cx - rx)} ${px(cy)}a${px(rx)} ${px(ry)} 0 1 0 ${px(2 * rx)} 0a${px(rx)} ${px(ry)} 0 1 0 ${px(-2 * rx)} 0Z`;

/** About how wide a word is set, px. @param size of its letters */
export const textWidth = (text: string, size: number): number => text.length * size * 0.53;
