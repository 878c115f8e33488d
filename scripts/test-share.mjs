/** Share of tests: non-blank lines of specs and journeys over all non-blank ts, js, html, css and sql. Crop data is JSON and counts nowhere. */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

const files = execFileSync('git', ['ls-files', '*.ts', '*.mjs', '*.cjs', '*.js', '*.html', '*.scss', '*.css', '*.sql'])
  .toString()
  .trim()
  .split('\n');
const isTest = (file) => /\.spec\.ts$|^e2e\/|\/testing\//.test(file);
const rooms = new Map();
for (const file of files) {
  const lines = readFileSync(file, 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '').length;
  const [room] = file.split('/');
  for (const name of [room.includes('.') ? 'root' : room, 'all']) {
    const sum = rooms.get(name) ?? { tests: 0, lines: 0 };
    rooms.set(name, { tests: sum.tests + (isTest(file) ? lines : 0), lines: sum.lines + lines });
  }
}
for (const [room, { tests, lines }] of rooms) console.log(`${room}: ${tests} of ${lines} lines, ${Math.round((100 * tests) / lines)} %`);
