/** Builds what is stale and runs one of the long scripts against it: `npm run growth`, `npm run faults`, `npm run fuzz`. */
import { join } from 'node:path';
import { build, bundle, checkNode, install, root, run } from './lib.mjs';

const [name = '', ...args] = process.argv.slice(2);
checkNode();
await install();
await build();
const folder = join(root, 'dist', name);
await bundle({ [name]: join(root, 'scripts', name, 'main.ts') }, folder);
const { code } = await run(process.execPath, [join(folder, `${name}.mjs`), ...args]);
process.exit(code);
