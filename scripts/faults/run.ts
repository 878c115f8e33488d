import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import type { Copies } from '@fresh-tuck/contract';
import { randomFrom } from '@fresh-tuck/core/testing';
import { Client } from './client.js';
import { actsIn, fits, type Found, inspect, Ledger, nothingFound } from './ledger.js';
import { older } from './older.js';
import { startVictim } from './server.js';

/** What was being done when the server was killed. */
export const SITUATIONS = ['work', 'copy', 'restore', 'upgrade'] as const;
export type Situation = (typeof SITUATIONS)[number];

export interface Told {
  readonly kills: Readonly<Record<Situation, number>>;
  readonly found: Found;
  /** Requests that were answered before a kill, and those on their way that turned out to be stored. */
  readonly answered: number;
  readonly onTheWay: number;
  /** Restores that were through when the kill came, and those that were not. */
  readonly restored: number;
  readonly notRestored: number;
  readonly seconds: number;
}

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Kills a server without warning in the middle of what a household does, starts it
 * again, and looks whether all that was answered is there, whole and once.
 *
 * @param kills how many; @param seed the same order of situations for the same seed
 */
export async function faults(kills: number, seed: number, situations: readonly Situation[] = SITUATIONS): Promise<Told> {
  const folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-faults-'));
  const old = join(folder, 'old.sqlite');
  const data = join(folder, 'data');
  mkdirSync(data);
  const random = randomFrom(seed);
  const began = performance.now();
  const done: Record<Situation, number> = { work: 0, copy: 0, restore: 0, upgrade: 0 };
  const found = nothingFound();
  let [answered, onTheWay, restored, notRestored] = [0, 0, 0, 0];
  let ledger = new Ledger();
  const client = new Client(ledger);
  const copies = new Map<string, { ledger: Ledger; batchIds: string[] }>();
  const start = async (): Promise<NonNullable<Awaited<ReturnType<typeof startVictim>>>> => {
    const server = await startVictim(data);
    if (!server) throw new Error('the server does not start');
    client.address = server.address;
    return server;
  };

  /** After a kill: what the database holds decides what was stored of what was on its way. */
  function settle(round: string, before: Ledger, other: { ledger: Ledger; batchIds: string[] } | null): void {
    const acts = actsIn(data);
    if (other && fits(other.ledger, acts) && !fits(before, acts)) {
      restored++;
      ledger = other.ledger.copy();
      client.batchIds = [...other.batchIds];
      client.use(ledger);
    } else if (other) notRestored++;
    inspect(data, ledger, round, found);
    const may = [...ledger.may].filter((id) => acts.has(id)).length;
    onTheWay += may;
    ledger.settle(acts);
  }

  let server = await start();
  try {
    await client.begin();
    let nth = 0;
    for (let kill = 0; kill < kills; kill++) {
      const situation = situations[kill % situations.length] ?? 'work';
      const round = `${situation} ${kill}`;
      const restorable = [...copies.entries()];
      const target = situation === 'restore' ? restorable[Math.floor(random() * restorable.length)] : undefined;
      const before = ledger.must.size;
      if (situation === 'upgrade') {
        // The household as an older version left it, killed while it is brought up to date.
        await server.stop();
        rmSync(join(folder, 'upgrade'), { recursive: true, force: true });
        mkdirSync(join(folder, 'upgrade'));
        // Filled once: a household of the schema before photographs were files.
        if (!existsSync(old)) older(old, OLDER_BATCHES);
        copyFileSync(old, join(folder, 'upgrade', 'household.sqlite'));
        const begun = await startVictim(join(folder, 'upgrade'), 40 + random() * 400);
        await begun?.kill();
        const again = await startVictim(join(folder, 'upgrade'));
        if (!again) found.damaged.push(`${round}: does not start after it was killed while upgrading`);
        else {
          const response = await fetch(`${again.address}api/batches`);
          const count = response.ok ? ((await response.json()) as unknown[]).length : -1;
          if (count !== OLDER_BATCHES) found.lost.push(`${round}: ${count} of ${OLDER_BATCHES} batches`);
          if (readdirSync(join(folder, 'upgrade', 'backups')).filter((name) => name.startsWith('before-upgrade')).length !== 1)
            found.lost.push(`${round}: no copy from before the upgrade`);
          await again.kill();
        }
        server = await start();
      } else {
        const working = (async () => {
          for (;;) await client.some(nth++);
        })().catch(() => undefined);
        await wait(20 + random() * 250);
        let ending: Promise<unknown> = Promise.resolve();
        if (situation === 'copy') {
          ending = client.raw('POST', 'backups', { id: uuid() }).catch(() => undefined);
          await wait(random() * 450);
        } else if (target) {
          // What is done while it is put back belongs to the household before or to the one after: so nothing is done.
          ending = working;
        }
        if (target) {
          stopWorking(client);
          await working;
          client.address = server.address;
          const asked = client.raw('POST', `backups/${target[0]}/restorations`, { id: uuid() }).catch(() => undefined);
          await wait(random() * 2200);
          await server.kill();
          await asked;
        } else await server.kill();
        await working;
        await ending;
        settle(round, ledger, target?.[1] ?? null);
        server = await start();
        if (client.last && !target) {
          const { method, path, body, id } = client.last;
          const again = await client.raw(method, path, body);
          if (!again.ok) found.lost.push(`${round}: sent again, refused with ${again.status}: ${path}`);
          else ledger.must.add(id);
        }
        inspect(data, ledger, `${round}, started again`, found);
      }
      answered += Math.max(ledger.must.size - before, 0);
      done[situation]++;
      // A copy now and then, of which it is known what is in it.
      if (kill % 8 === 0) {
        const made = await fetch(`${server.address}api/backups`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ id: uuid() }),
        });
        const { copies: listed } = (await made.json()) as Copies;
        const newest = listed.find(({ kind }) => kind === 'by_hand');
        if (newest) copies.set(newest.name, { ledger: ledger.copy(), batchIds: [...client.batchIds] });
        for (const name of copies.keys()) if (!listed.some((one) => one.name === name)) copies.delete(name);
      }
    }
    await server.stop();
  } finally {
    // Whatever went wrong, nothing is left running.
    await server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
  return { kills: done, found, answered, onTheWay, restored, notRestored, seconds: (performance.now() - began) / 1000 };
}

/** Lets the next request fail, so that the work ends between two. */
function stopWorking(client: Client): void {
  client.address = 'http://127.0.0.1:1/';
}

const OLDER_BATCHES = 30;
