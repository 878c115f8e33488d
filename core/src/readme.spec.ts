import { readFileSync } from 'node:fs';
import { runInNewContext } from 'node:vm';
import { transformSync } from 'esbuild';
import * as germinationTest from './germination-test.js';
import * as core from './index.js';

const readme = readFileSync(new URL('../README.md', import.meta.url), 'utf8');
const examples = [...readme.matchAll(/## ([^\n]+)\n(?:(?!\n## )[\s\S])*?```ts\n([\s\S]*?)```\s*```text\n([\s\S]*?)```/g)];

describe('the README of the core', () => {
  it('has its examples', () => expect(examples.length).toBeGreaterThanOrEqual(4));

  for (const [, title = '', code = '', printed = ''] of examples) {
    it(`tells the truth about: ${title}`, () => {
      const lines: string[] = [];
      const { code: script } = transformSync(code, { loader: 'ts', format: 'cjs' });
      const console = { log: (...parts: unknown[]) => lines.push(parts.map(String).join(' ')) };
      // The example may use the public surface and nothing else.
      runInNewContext(script, {
        console,
        require: (name: string) => (name.endsWith('germination-test') ? germinationTest : core),
        module: {},
        exports: {},
      });
      expect(lines.join('\n')).toBe(printed.trim());
    });
  }
});
