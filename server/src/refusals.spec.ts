import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { toldToPeople } from '@fresh-tuck/contract/told';
import { slipsIn } from '@fresh-tuck/core/testing';

const folder = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** Everything that a file says where it refuses: the words of a problem, or of a schema's error, holes filled with a number. */
function refusalsIn(source: string): string[] {
  const said = [
    ...source.matchAll(/Problem\.field\(\s*(?:[^,()]|\([^()]*\))+,\s*(['`])((?:\\.|(?!\1)[^\\])*)\1/g),
    ...source.matchAll(/new Problem\(\s*\d+,\s*'[^']*',\s*(['`])((?:\\.|(?!\1)[^\\])*)\1/g),
    ...source.matchAll(/\b(?:error|message):\s*(['`])((?:\\.|(?!\1)[^\\])*)\1/g),
    ...source.matchAll(/new (?:FigureError|Unreadable)\([^'`]*(?:'[^']*',\s*)?(['`])((?:\\.|(?!\1)[^\\])*)\1/g),
  ];
  return said.map(([, , text = '']) =>
    text
      .replace(/^\$\{(?:field|what|at|name|changed|MUST\[[^\]]*\]\([^)]*\))\}/, 'seeds')
      .replace(/\$\{[^{}]*(?:\{[^{}]*\}[^{}]*)*\}/g, '3'),
  );
}

const FILES = ['.', '../../contract/src', '../../core/src/crops', '../../core/src/seedbox'].flatMap((path) =>
  readdirSync(folder(path), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.spec.ts') && !file.includes('testing'))
    .map((file) => join(folder(path), file)),
);

describe('what the server refuses', () => {
  it('is told to people in whole sentences, without a field’s name, in their own units', () => {
    const refusals = FILES.flatMap((file) => refusalsIn(readFileSync(file, 'utf8')))
      // A template within a template is cut at its inner end.
      .filter((text) => text.includes(' ') && !text.includes('${'));
    expect(refusals.length).toBeGreaterThan(100);
    const heard = refusals.flatMap((refusal) =>
      (['metric', 'us'] as const).flatMap((units) => {
        const told = toldToPeople(refusal, units);
        const slips = slipsIn(told.replace(/Fresh-Tuck-Waited|"3"/g, 'it'), units);
        if (!/^[A-Z0-9“"].*[.!?]$/.test(told)) slips.push('no whole sentence');
        return slips.length > 0 ? [`${slips.join(' and ')}: ${told}`] : [];
      }),
    );
    expect(heard).toEqual([]);
  });
});
