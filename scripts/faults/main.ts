/** Kills a server in the middle of everything: `npm run faults`, `npm run faults -- 300 7`. */
import { faults } from './run.js';

const [count = 300, seed = 1] = process.argv.slice(2).map(Number);
const { kills, found, answered, onTheWay, restored, notRestored, seconds } = await faults(count, seed);
console.log(
  `${count} kills in ${seconds.toFixed(0)} s, seed ${seed}: ${Object.entries(kills)
    .map(([what, times]) => `${what} ${times}`)
    .join(', ')}`,
);
console.log(
  `${answered} acts answered, ${onTheWay} more stored that were on their way; ${restored} restores through, ${notRestored} not begun or not through`,
);
for (const [what, cases] of Object.entries(found) as [string, string[]][]) {
  console.log(`${what}: ${cases.length}`);
  for (const one of cases.slice(0, 5)) console.log(`- ${one}`);
}
process.exit(Object.values(found).every((cases: string[]) => cases.length === 0) ? 0 : 1);
