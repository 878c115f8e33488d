/** What a household of 0, 1 and 10 years costs: `npm run growth`, or `npm run growth -- 0 10`. */
import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeHousehold, NOW_MS } from './household.js';
import { tapThrough } from './browser.js';
import { measure } from './measure.js';
import { scanningPlans } from './plans.js';

const asked = process.argv
  .slice(2)
  .filter((word) => /^\d+$/.test(word))
  .map(Number);
const keep = process.argv.includes('--keep');
const years = asked.length > 0 ? asked : [0, 1, 10];
const base = join(tmpdir(), 'fresh-tuck-growth');
const sections: string[] = [];
for (const count of years) {
  const folder = join(base, String(count));
  const file = join(folder, 'household.sqlite');
  if (!keep || !existsSync(file)) {
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    const before = performance.now();
    const made = await makeHousehold(file, count);
    console.log(`${count} years made in ${((performance.now() - before) / 1000).toFixed(1)} s: ${JSON.stringify(made)}`);
    writeFileSync(join(folder, 'made.json'), JSON.stringify(made));
  } else for (const end of ['', '-wal', '-shm']) rmSync(join(folder, `reckoned.sqlite${end}`), { force: true });
  const { text } = await measure(folder, count);
  let taps = '';
  if (count === Math.max(...years)) {
    const tapped = await tapThrough(folder);
    for (const { what, shownMs, longestMs } of tapped)
      console.log(
        `${what.padEnd(46)} ${shownMs.toFixed(0)} ms shown, longest task ${longestMs === 0 ? 'under 50' : longestMs.toFixed(0)} ms`,
      );
    taps = `\n\nIn the browser:\n\n| what is done | shown after ms | longest task while tapping |\n| --- | --- | --- |\n${tapped.map(({ what, shownMs, longestMs }) => `| ${what} | ${shownMs.toFixed(0)} | ${longestMs === 0 ? 'under 50 ms' : `${longestMs.toFixed(0)} ms`} |`).join('\n')}`;
  }
  const { statements, scans } = scanningPlans(file);
  const plans = `${statements} statements, ${scans.length} that read a large table whole${scans.length > 0 ? `:\n\n${scans.map((line) => `- \`${line}\``).join('\n')}` : '.'}`;
  sections.push(`${text}${taps}\n\n${plans}`);
  console.log(plans);
}
if (process.argv.includes('--write')) {
  writeFileSync(
    'docs/growth.md',
    `# What years of records cost

Written by \`npm run growth -- --write\` on ${new Date().toISOString().slice(0, 10)}, Node ${process.versions.node}, on a machine with two cores. Households of 0, 1 and 10 years, each with 60 live batches on ${new Date(NOW_MS).toISOString().slice(0, 10)}; their past is made through the server's own stores. Today, warm and cold, is the best of three. Bytes are what goes over the wire to a browser that takes compressed answers, and as they were before. CPU is of the whole process, its reading thread among it. "Loop" is the longest stretch in which the request loop answered nothing, by Node's own monitor, and "meanwhile" the longest that a GET of \`/api/about\`, sent every 5 ms, waited for its answer on the same two cores.

${sections.join('\n\n')}
`,
  );
}
