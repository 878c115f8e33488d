/** Builds the benchmarks as the application is built and runs them: `npm run bench`, or one of them by name. */
import { join } from 'node:path';
import { build, bundle, checkNode, chromium, install, root, run } from './lib.mjs';

checkNode();
await install();
await build();
const asked = process.argv.slice(2);
const names = ['forecast', 'household', 'warmth', 'nursery', 'paper', 'season', 'browser'].filter(
  (name) => asked.length === 0 || asked.includes(name),
);
const folder = join(root, 'dist', 'bench');
await bundle(Object.fromEntries(names.map((name) => [name, join(root, 'bench', `${name}.ts`)])), folder);
for (const name of names) {
  console.log(`\n${name}`);
  await run(process.execPath, [join(folder, `${name}.mjs`)], {
    env: ['browser', 'warmth', 'nursery'].includes(name) ? { CHROME_BIN: chromium() } : {},
  });
}
