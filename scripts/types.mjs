import { bin, run } from './lib.mjs';

const projects = ['core', 'contract', 'server', 'demo', 'e2e', 'bench', 'scripts', 'web/tsconfig.worker.json'];
let failed = 0;
for (const project of projects) {
  const { code } = await run(bin('tsc'), ['-p', project, '--noEmit']);
  if (code !== 0) {
    console.error(`types: ${project} failed`);
    failed++;
  }
}
process.exit(failed > 0 ? 1 : 0);
