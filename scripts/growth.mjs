/** Builds what is stale and measures households of years: `npm run growth`. */
import { join } from 'node:path';
import { build, bundle, checkNode, install, root, run } from './lib.mjs';

checkNode();
await install();
await build();
const folder = join(root, 'dist', 'growth');
await bundle({ growth: join(root, 'scripts', 'growth', 'main.ts') }, folder);
const { code } = await run(process.execPath, [join(folder, 'growth.mjs'), ...process.argv.slice(2)]);
process.exit(code);
