import { spawn } from 'node:child_process';
import { build, checkNode, demoFile, install, serverFile, webFolder } from './lib.mjs';

checkNode();
await install();
await build();
const demo = process.argv.includes('--demo');
const child = spawn(process.execPath, ['--enable-source-maps', demo ? demoFile : serverFile], {
  stdio: 'inherit',
  env: { ...process.env, FRESH_TUCK_WEB: webFolder },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
child.on('close', (code) => process.exit(code ?? 0));
