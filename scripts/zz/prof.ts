import { openDatabase, readerOn, memoryCache } from '@fresh-tuck/server';
import { answering } from '../../server/src/asking/questions.js';
import { fileCache } from '../../server/src/forecasts/lot-cache.js';
const [, , file, what = 'today', arg, n = '3'] = process.argv;
const db = openDatabase(file as string);
const t0 = performance.now();
const answer = answering(readerOn(db, process.env['MEM'] ? memoryCache() : fileCache(db)));
console.log('reader', (performance.now() - t0).toFixed(0));
for (let i = 0; i < Number(n); i++) {
  const t = performance.now();
  const r = answer(what as 'today', Date.parse('2026-04-11T07:10:00+02:00') + i * 20 * 60_000 * (process.env['STEP'] ? 1 : 0), arg ? [JSON.parse(arg)] : []);
  const t1 = performance.now();
  const s = JSON.stringify(r);
  console.log(what, i, (t1 - t).toFixed(0), 'ms; json', (performance.now() - t1).toFixed(0), 'ms', (s.length / 1000).toFixed(0), 'kB');
}
db.close();
