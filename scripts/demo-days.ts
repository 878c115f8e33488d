/**
 * Steps the demo household through ten days, half a day at a time, doing what
 * Today says, and writes all that it said to docs/demo-days.md: `npm run demo:days`.
 * To be read line by line for contradictions and for what a gardener would laugh at.
 */
import { writeFileSync } from 'node:fs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Card, DemoParcel, Today } from '@fresh-tuck/contract';
import { start } from '../e2e/app.js';
import { build } from './lib.mjs';

const STEPS = 20;
await build();
const demo = await start('demo');
const get = async <T>(path: string): Promise<T> => (await (await fetch(`${demo.address}api/${path}`)).json()) as T;
const post = async (path: string, body: object): Promise<BatchWithJournal> => {
  const response = await fetch(`${demo.address}api/${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
  const reply = (await response.json()) as BatchWithJournal & { detail?: string };
  if (!response.ok) throw new Error(`${path}: ${reply.detail}`);
  return reply;
};
const tipped = (stage: string): boolean => ['tip', 'root', 'leaves'].includes(stage);

/** Opens a parcel, reports what lies there as a careful gardener would, and moves what is ready. */
async function lookAt(batch: Pick<Card, 'id' | 'lastLookId' | 'answers'>): Promise<string> {
  const truth = await get<DemoParcel>(`demo/parcels/${batch.id}`);
  const known = batch.answers.state;
  const marks = truth.seeds
    .filter(({ seed, stage }) => stage !== 'quiet' && !known.seeds[seed - 1]?.moved)
    .map(({ seed, stage, rootMm }) => ({ seed, stage, rootMm: tipped(stage) ? rootMm : null }));
  const movedNow = known.seeds.filter(({ moved }) => moved).length;
  const fresh = marks.filter(({ seed, stage }) => tipped(stage) && (known.seeds[seed - 1]?.tipToMs ?? null) === null).length;
  const uncounted = known.counted.reduce((sum, { count }) => sum + count, 0);
  // Counted tips get their places when the seeds are touched.
  const total = Math.max(known.tipped, known.tipped + fresh - uncounted);
  const seen = {
    tipped: Math.max(total, movedNow),
    rotten: Math.max(
      known.rotten,
      marks.filter(({ seed, stage }) => stage === 'rotten' && (known.seeds[seed - 1]?.tipToMs ?? null) === null).length,
    ),
    lost: known.lost,
    basedOn: batch.lastLookId,
  };
  const after = await post(`batches/${batch.id}/looks`, {
    id: uuid(),
    at: null,
    via: 'opened',
    seen,
    marks,
    damp: truth.damp,
    rewetted: truth.damp === 'drying' || truth.damp === 'dry',
    troubles: [],
    who: null,
    note: null,
    supersedes: null,
  });
  const shown = marks.filter(({ stage }) => tipped(stage)).length;
  const done = [`saw ${shown} ${shown === 1 ? 'tip or root' : 'tips and roots'} on the towel, ${truth.damp}`];
  done.push(...after.judgement.advice.map(({ lead, by, text }) => `**${lead}${by ? `, ${by}` : ''}.** ${text}`));
  const ready = after.answers.roots.filter(({ readyMs }) => readyMs <= after.answers.nowMs + 1_800_000).flatMap(({ seeds }) => seeds);
  if (ready.length > 0) {
    await post(`batches/${batch.id}/moves`, { id: uuid(), at: null, seeds: ready, uncounted: 0, destination: 'cup', who: null });
    done.push(`moved ${ready.length}`);
  }
  if (after.judgement.verdict === 'give_up' || after.judgement.verdict === 'restart' || after.answers.state.quiet === 0) {
    const left = (await get<BatchWithJournal>(`batches/${batch.id}`)).answers.state;
    if (left.showing === 0) {
      await post(`batches/${batch.id}/closings`, { id: uuid(), reason: 'given_up' });
      done.push('closed it');
    }
  }
  return done.join(' · ');
}

const lines: string[] = [];
const when = (ms: number): string =>
  new Date(ms).toLocaleString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: 'Europe/Copenhagen',
  });
for (let step = 0; step <= STEPS; step++) {
  const today = await get<Today>('today');
  lines.push(`\n## ${when(today.nowMs)}\n`);
  const stops = today.stations.flatMap((station) => station.stops.map((stop) => ({ ...stop, where: station.spot.name })));
  lines.push(stops.length === 0 ? 'Nothing to open.' : `Open ${stops.length}, about ${today.minutes} minutes.`, '');
  for (const { batch, where, bagReason } of stops) {
    const { lead, text } = batch.judgement.headline;
    lines.push(`- ${where}, **${batch.number} ${batch.title}**: ${lead}. ${bagReason ?? text}`);
    lines.push(`  - ${await lookAt(batch)}`);
  }
  if (today.shut.length > 0) {
    lines.push(
      `- shut: ${today.shut.map(({ batch, nextInWords }) => `${batch.number} ${batch.title} until ${nextInWords} (${batch.answers.next.reason})`).join('; ')}`,
    );
  }
  for (const change of today.changes) lines.push(`- changed: ${change.number} ${change.title}. ${change.text}`);
  await fetch(`${demo.address}api/demo/step`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: '{}' });
}
await demo.stop();
writeFileSync(
  new URL('../docs/demo-days.md', import.meta.url),
  `# Ten days at Lantern Court, as Today tells them

Written by \`npm run demo:days\`: the demo household stepped half a day at a time, its parcels opened when Today says so by somebody who reports what lies there and moves what is ready. The seed grows by laws that are not the forecast's.
${lines.join('\n')}
`,
);
