/** Runs everything and closes with one line: N passed, N failed. */
import { join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { bin, build, checkNode, chromium, install, poppler, root, run } from './lib.mjs';

checkNode();
await install();
const CHROME_BIN = chromium();
poppler();
const total = { passed: 0, failed: 0 };

/** Adds up what a stage counted; a stage that failed without counting counts as one failure. */
function tally(name, code, passed, failed) {
  total.passed += passed;
  total.failed += failed > 0 || code === 0 ? failed : 1;
  console.log(`— ${name}: ${passed} passed, ${failed > 0 || code === 0 ? failed : 1} failed`);
}

/** Runs one stage of a lane; what it printed is shown whole when it is done, as the other lane prints too. */
async function stage(name, command, args, options = {}) {
  const began = Date.now();
  const result = await run(command, args, { ...options, quiet: true });
  console.log(`\n${name} (${Math.round((Date.now() - began) / 1000)} s) …\n${result.output.trimEnd()}`);
  return result;
}

async function check(name, command, args) {
  const { code } = await stage(name, command, args);
  tally(name, code, code === 0 ? 1 : 0, 0);
}

/** What reads the sources only, but for their types. */
async function readings() {
  const rooms = ['core', 'contract', 'server', 'web', 'demo'].map((room) => `${room}/src`);
  await check('lint', bin('eslint'), ['.']);
  await check('rooms', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', ...rooms]);
  await check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
}

async function specs() {
  const jasmine = ['--import', 'tsx', join('node_modules', 'jasmine', 'bin', 'jasmine.js'), '--config=jasmine.json'];
  const { code, output } = await stage('core, server and demo specs', process.execPath, jasmine);
  const [, ran = 0, broke = 0] = (/(\d+) specs?, (\d+) failures?/.exec(output) ?? []).map(Number);
  tally('specs', code, ran - broke, broke);
}

async function interfaceSpecs() {
  const karma = await stage('interface specs', bin('ng'), ['test'], {
    cwd: join(root, 'web'),
    env: { CHROME_BIN, NG_CLI_ANALYTICS: 'false' },
  });
  // Karma overwrites its line; the last one counts.
  const last = stripVTControlCharacters(karma.output).split('Executed ').at(-1) ?? '';
  const unit = Number(/^(\d+) of/.exec(last)?.[1] ?? 0);
  const failed = Number(/\((\d+) FAILED\)/.exec(last)?.[1] ?? 0);
  tally('interface specs', karma.code, unit - failed, failed);
}

// Two lanes of about one length, as no stage alone keeps two cores busy.
await Promise.all([
  (async () => {
    await specs();
    await check('types', process.execPath, [join('scripts', 'types.mjs')]);
  })(),
  (async () => {
    await build();
    await readings();
    await interfaceSpecs();
  })(),
]);

console.log('\njourneys …');
const e2e = await run(bin('playwright'), ['test', '--config', join('e2e', 'playwright.config.ts')], { env: { CHROME_BIN } });
const count = (word) => Number(new RegExp(`^\\s+(\\d+) ${word}`, 'm').exec(e2e.output)?.[1] ?? 0);
tally('journeys', e2e.code, count('passed') + count('flaky'), count('failed'));

console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed > 0 ? 1 : 0);
