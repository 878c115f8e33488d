import { workingsFor } from '../../core/src/looking/workings.js';
import { openDatabase, readerOn, memoryCache } from '@fresh-tuck/server';
const r = readerOn(openDatabase(process.argv[2] as string), memoryCache());
const home = r.household.get(); const now = Date.parse('2026-04-11T07:10:00+02:00');
for (const b of r.forecasts.at(home, now).live().slice(0, 12)) { const w = workingsFor(b.facts, now); console.log(b.cropId, b.facts.seeds, 'columns', w.posterior.columns.length, 'cells', w.posterior.columns.reduce((s, c) => s + c.weights.filter((x) => x > 0).length, 0), 'tips', w.evidence.tips.length); }
