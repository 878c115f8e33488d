import { readFileSync } from 'node:fs';
import { runInNewContext } from 'node:vm';
import { transformSync } from 'esbuild';
import * as carrier from './carrier/index.js';
import * as chance from './chance/index.js';
import * as crops from './crops/index.js';
import * as drawing from './drawing/index.js';
import * as forecast from './forecast/index.js';
import * as judging from './judging/index.js';
import * as looking from './looking/index.js';
import * as method from './method/index.js';
import * as moving from './moving/index.js';
import * as parcel from './parcel/index.js';
import * as preparing from './preparing/index.js';
import * as seedbox from './seedbox/index.js';
import * as seedtest from './seedtest/index.js';
import * as sowing from './sowing/index.js';
import * as units from './units/index.js';
import * as warmth from './warmth/index.js';
import * as words from './words/index.js';

const rooms: Readonly<Record<string, unknown>> = {
  carrier,
  chance,
  crops,
  drawing,
  forecast,
  judging,
  looking,
  method,
  moving,
  parcel,
  preparing,
  seedbox,
  seedtest,
  sowing,
  units,
  warmth,
  words,
};

const readme = readFileSync(new URL('../README.md', import.meta.url), 'utf8');
const examples = [...readme.matchAll(/## ([^\n]+)\n(?:(?!\n## )[\s\S])*?```ts\n([\s\S]*?)```\s*```text\n([\s\S]*?)```/g)];

describe('the README of the core', () => {
  it('has its examples', () => expect(examples.length).toBeGreaterThanOrEqual(4));

  for (const [, title = '', code = '', printed = ''] of examples) {
    it(`tells the truth about: ${title}`, () => {
      const lines: string[] = [];
      const { code: script } = transformSync(code, { loader: 'ts', format: 'cjs' });
      const console = { log: (...parts: unknown[]) => lines.push(parts.map(String).join(' ')) };
      // The example may use what the rooms show and nothing else.
      runInNewContext(script, {
        console,
        require: (name: string) => rooms[name.replace('@fresh-tuck/core/', '')],
        module: {},
        exports: {},
      });
      expect(lines.join('\n')).toBe(printed.trim());
    });
  }
});
