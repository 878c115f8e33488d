import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { DateTime } from 'luxon';
import type { Copy } from '@fresh-tuck/contract';
import { ownFolder } from '../db/database.js';
import { Problem } from '../http/problem.js';
import type { CopyContent } from './jobs.js';
import { keptDays } from './rule.js';
import { runJob } from './run.js';

const NAME = /^(?<day>\d{4}-\d{2}-\d{2})(?:-(?<clock>\d{6}))?(?:-(?<kind>by-hand|before-restore|brought)(?:-(?<nth>\d+))?)?$/;
/** Copies of the other kinds that are kept, the newest. */
const KEEP = { by_hand: 5, before_restore: 3, brought: 1 } as const;

type Kind = Copy['kind'];
const KINDS: Readonly<Record<string, Kind>> = { 'by-hand': 'by_hand', 'before-restore': 'before_restore', brought: 'brought' };
const ENDINGS: Readonly<Record<Exclude<Kind, 'daily'>, string>> = {
  by_hand: '-by-hand',
  before_restore: '-before-restore',
  brought: '-brought',
};

/**
 * The copies of a household: each a folder with its database and its photographs,
 * which are linked as long as they do not change.
 *
 * @param folder of the household
 */
export function copyStore(folder: string, file: string) {
  const backups = join(folder, 'backups');
  const photos = join(folder, 'photos');

  function kindOf(name: string): Kind | null {
    const match = NAME.exec(name);
    return match ? (KINDS[match.groups?.['kind'] ?? ''] ?? 'daily') : null;
  }

  function list(): Copy[] {
    if (!existsSync(backups)) return [];
    const copies = readdirSync(backups).flatMap((name): Copy[] => {
      const kind = kindOf(name);
      const about = join(backups, name, 'about.json');
      if (kind === null || !existsSync(about)) return [];
      return [{ ...(JSON.parse(readFileSync(about, 'utf8')) as CopyContent & { madeMs: number }), name, kind }];
    });
    return copies.sort((a, b) => b.madeMs - a.madeMs || b.name.localeCompare(a.name));
  }

  /** Lets go of what the rule does not keep. */
  function prune(): void {
    const all = list();
    const days = keptDays(all.filter(({ kind }) => kind === 'daily').map(({ name }) => name));
    for (const kind of ['daily', 'by_hand', 'before_restore', 'brought'] as const) {
      const own = all.filter((one) => one.kind === kind);
      const over = kind === 'daily' ? own.filter(({ name }) => !days.has(name)) : own.slice(KEEP[kind]);
      for (const { name } of over) rmSync(join(backups, name), { recursive: true, force: true });
    }
  }

  const nameFor = (kind: Kind, nowMs: number, zone: string): string => {
    const now = DateTime.fromMillis(nowMs, { zone });
    const day = now.toISODate() ?? '';
    if (kind === 'daily') return day;
    // Two in one second are two copies: one must never lie down over another that may be asked for.
    const name = `${day}-${now.toFormat('HHmmss')}${ENDINGS[kind]}`;
    for (let nth = 1; ; nth++) {
      const numbered = nth === 1 ? name : `${name}-${nth}`;
      if (!existsSync(join(backups, numbered))) return numbered;
    }
  };

  async function make(kind: Exclude<Kind, 'brought'>, nowMs: number, zone: string): Promise<string> {
    ownFolder(backups);
    const name = nameFor(kind, nowMs, zone);
    await runJob<'copy'>({ kind: 'copy', file, photos, to: join(backups, name), madeMs: nowMs });
    prune();
    return name;
  }

  function folderOf(name: string): string {
    if (kindOf(name) === null || !existsSync(join(backups, name, 'about.json'))) throw Problem.unknown('copy');
    return join(backups, name);
  }

  return {
    list,
    make,
    prune,
    folderOf,
    /** Whether today's copy is there. */
    madeToday: (nowMs: number, zone: string): boolean => existsSync(join(backups, nameFor('daily', nowMs, zone), 'about.json')),
    /** Takes in a file that somebody brought, and reads it through. */
    async bring(received: string, nowMs: number, zone: string): Promise<Copy> {
      ownFolder(backups);
      const name = nameFor('brought', nowMs, zone);
      await runJob<'receive'>({ kind: 'receive', file: received, to: join(backups, name), madeMs: nowMs });
      prune();
      const brought = list().find((copy) => copy.name === name);
      if (!brought) throw new Error('what was brought is gone');
      return brought;
    },
    /** The database alone, whole, for a download. */
    single: (to: string): Promise<null> => runJob<'single'>({ kind: 'single', file, to }),
    /** Reads a copy through once more before it is put back. */
    verify: (name: string): Promise<CopyContent> => runJob<'look'>({ kind: 'look', folder: folderOf(name) }),
    /** Lays a copy where the household lies; the household must be closed. */
    lay: (name: string): Promise<null> => runJob<'lay'>({ kind: 'lay', from: folderOf(name), file, photos }),
    /** Reads the present database through. */
    check: (): Promise<string | null> => runJob<'check'>({ kind: 'check', file }),
    folder: backups,
  };
}
export type CopyStore = ReturnType<typeof copyStore>;
