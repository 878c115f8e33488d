/** Requests drawn from the contract against a server: `npm run fuzz`, `npm run fuzz -- 30000 7`. */
import { fuzz } from './run.js';

const [count = 30_000, seed = 1] = process.argv.slice(2).map(Number);
const { requests, byStatus, wrong, seconds } = await fuzz(count, seed);
console.log(
  `${requests} requests in ${seconds.toFixed(0)} s, seed ${seed}: ${Object.entries(byStatus)
    .map(([status, times]) => `${status}: ${times}`)
    .join(', ')}`,
);
for (const line of wrong) console.log(`- ${line}`);
console.log(wrong.length === 0 ? 'No answer of 500, nothing changed on an error, every refusal a sentence.' : `${wrong.length} wrong.`);
process.exit(wrong.length === 0 ? 0 : 1);
