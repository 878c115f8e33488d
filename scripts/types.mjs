import { bin, run } from './lib.mjs';

/** The folders' own are for editors and lint; rooms that see the same world are checked as one. */
const projects = ['core', 'tsconfig.node.json', 'tsconfig.tools.json', 'web/tsconfig.worker.json'];
let failed = 0;
for (const project of projects) {
  const { code } = await run(bin('tsc'), ['-p', project, '--noEmit']);
  if (code !== 0) {
    console.error(`types: ${project} failed`);
    failed++;
  }
}
process.exit(failed > 0 ? 1 : 0);
