import { existsSync, readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';

/** What a household must hold: acts that were answered, and acts that were on their way when the server was killed. */
export class Ledger {
  readonly must = new Set<string>();
  readonly may = new Set<string>();
  /** What each act stands for, to be looked for. */
  readonly kinds = new Map<string, { readonly kind: 'look' | 'move' | 'packets' | 'photo' | 'other'; readonly ids: readonly string[] }>();

  copy(): Ledger {
    const copy = new Ledger();
    for (const id of this.must) copy.must.add(id);
    for (const id of this.may) copy.may.add(id);
    for (const [id, kind] of this.kinds) copy.kinds.set(id, kind);
    return copy;
  }

  /** After a kill: what is there is there for good. @param acts ids that the database holds */
  settle(acts: ReadonlySet<string>): void {
    for (const id of this.may) if (acts.has(id)) this.must.add(id);
    this.may.clear();
  }
}

/** What was found wrong, by kind. */
export interface Found {
  lost: string[];
  half: string[];
  doubled: string[];
  damaged: string[];
}

export const nothingFound = (): Found => ({ lost: [], half: [], doubled: [], damaged: [] });

/** Ids of the acts that a database holds. */
export function actsIn(folder: string): Set<string> {
  const db = new Sqlite(join(folder, 'household.sqlite'), { readonly: true });
  try {
    return new Set(db.prepare('SELECT id FROM act').pluck().all() as string[]);
  } finally {
    db.close();
  }
}

/** Whether a database is what a ledger says: all that was answered, nothing that was never asked. */
export const fits = (ledger: Ledger, acts: ReadonlySet<string>): boolean =>
  [...ledger.must].every((id) => acts.has(id)) && [...acts].every((id) => ledger.must.has(id) || ledger.may.has(id));

/** Looks for every act's effect, whole and once. */
export function inspect(folder: string, ledger: Ledger, round: string, found: Found): void {
  const db = new Sqlite(join(folder, 'household.sqlite'), { readonly: true });
  const say = (kind: keyof Found, what: string): void => void found[kind].push(`${round}: ${what}`);
  try {
    const damage = db.pragma('integrity_check', { simple: true }) as string;
    if (damage !== 'ok') say('damaged', damage);
    if ((db.pragma('foreign_key_check') as unknown[]).length > 0) say('damaged', 'a row names one that is not there');
    const acts = new Set(db.prepare('SELECT id FROM act').pluck().all() as string[]);
    for (const id of ledger.must) if (!acts.has(id)) say('lost', `${ledger.kinds.get(id)?.kind} ${id}`);
    for (const id of acts) if (!ledger.must.has(id) && !ledger.may.has(id)) say('doubled', `an act that nobody asked for: ${id}`);
    const one = (sql: string, ...args: unknown[]): number =>
      db
        .prepare(sql)
        .pluck()
        .get(...args) as number;
    const orphans = one(`
      SELECT count(*) FROM entry e WHERE NOT EXISTS (SELECT 1 FROM act a WHERE a.id = e.id)
        OR NOT EXISTS (SELECT 1 FROM look WHERE entry_id = e.id UNION ALL SELECT 1 FROM move WHERE entry_id = e.id
          UNION ALL SELECT 1 FROM closing WHERE entry_id = e.id UNION ALL SELECT 1 WHERE e.kind = 'undo')`);
    if (orphans > 0) say('half', `${orphans} entries without what they say`);
    for (const [id, { kind, ids }] of ledger.kinds) {
      if (!acts.has(id)) {
        const left = kind === 'packets' ? ids.filter((packet) => one('SELECT count(*) FROM packet WHERE id = ?', packet) > 0).length : 0;
        if (left > 0) say('half', `${left} of ${ids.length} packets of an import that never was`);
        continue;
      }
      if (kind === 'look') {
        const marks = one('SELECT count(*) FROM seed_mark WHERE entry_id = ?', id);
        if (one('SELECT count(*) FROM look WHERE entry_id = ?', id) !== 1 || marks !== 3) say('half', `look ${id} with ${marks} marks`);
      }
      if (kind === 'move') {
        const cups = one('SELECT count(*) FROM cup WHERE entry_id = ?', id);
        if (cups !== 2) say(cups > 2 ? 'doubled' : 'half', `move ${id} with ${cups} labels`);
      }
      if (kind === 'packets') {
        const there = ids.filter((packet) => one('SELECT count(*) FROM packet WHERE id = ?', packet) === 1).length;
        if (there !== ids.length) say('half', `${there} of ${ids.length} packets of an import`);
      }
      if (kind === 'photo') {
        const row = db.prepare('SELECT content, size FROM photo WHERE id = ?').get(id) as { content: string; size: number } | undefined;
        const path = row && join(folder, 'photos', row.content.slice(0, 2), `${row.content}.png`);
        if (!row || !path || !existsSync(path)) say('half', `photograph ${id} without its file`);
        else if (createHash('sha256').update(readFileSync(path)).digest('hex') !== row.content) say('half', `photograph ${id} cut`);
      }
    }
    const numbers = one('SELECT count(*) - count(DISTINCT number) FROM cup');
    if (numbers !== 0) say('doubled', `${numbers} labels given twice`);
  } finally {
    db.close();
  }
}
