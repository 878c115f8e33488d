import { tentRateAt } from '../../core/src/warmth/response.js';
import { daysAt, type BetaFit, type TentFit } from './fit.js';
import type { Point } from './tables.js';

const WIDTH = 420;
const HEIGHT = 260;
const x = (celsius: number): number => 44 + (celsius / 42) * (WIDTH - 60);

/** A crop's rates as tabled, its beta curve and its straight line, as SVG. Rates rather than days, so that "NG" is a place. */
export function figure(crop: string, points: readonly Point[], fit: BetaFit, tent: TentFit): string {
  const top = Math.max(...points.map(({ days }) => (days === null ? 0 : 1 / days)), 1 / fit.days) * 1.1;
  const y = (rate: number): number => HEIGHT - 34 - (rate / top) * (HEIGHT - 60);
  const path = (rate: (celsius: number) => number): string =>
    Array.from({ length: 85 }, (_, step) => step / 2)
      .map((celsius) => `${x(celsius).toFixed(1)} ${y(Math.min(rate(celsius), top)).toFixed(1)}`)
      .join('L');
  const peakC = tent.baseC + tent.heatSum / fit.days;
  const tentRate = (celsius: number): number =>
    tentRateAt({ baseC: tent.baseC, optimumC: peakC, ceilingC: Math.max(fit.beta.ceilingC, peakC + 1) }, celsius) / fit.days;
  const marks = points.map(({ celsius, days }) =>
    days === null
      ? `<path d="M${x(celsius) - 4} ${y(0) - 4}l8 8m0 -8l-8 8" stroke="#8E2A18" stroke-width="1.6"/>`
      : `<circle cx="${x(celsius)}" cy="${y(1 / days).toFixed(1)}" r="4.5" fill="#14342B"/>`,
  );
  const ticks = [0, 10, 20, 30, 40].map((celsius) => `<text x="${x(celsius)}" y="${HEIGHT - 14}" text-anchor="middle">${celsius}</text>`);
  const rates = [0.5, 1].map(
    (part) => `<text x="38" y="${y(top * part * 0.9) + 4}" text-anchor="end">${(1 / (top * part * 0.9)).toFixed(1)}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" font-family="sans-serif" font-size="12" fill="#4A635A">
<rect width="${WIDTH}" height="${HEIGHT}" fill="#F5F7F4"/>
<text x="44" y="18" font-size="15" font-weight="700" fill="#14342B">${crop}</text>
<text x="${WIDTH - 16}" y="18" text-anchor="end">days to emergence, on a scale of rates</text>
<path d="M44 ${y(0)}H${WIDTH - 16}" stroke="#D5DED8"/>
<path d="M${path(tentRate)}" fill="none" stroke="#8F6310" stroke-dasharray="4 3" stroke-width="1.5"/>
<path d="M${path((celsius) => 1 / daysAt(fit, celsius))}" fill="none" stroke="#2F7A4B" stroke-width="2.5"/>
${[...marks, ...ticks, ...rates].join('\n')}
<text x="${WIDTH - 16}" y="${HEIGHT - 14}" text-anchor="end">°C</text>
</svg>
`;
}
