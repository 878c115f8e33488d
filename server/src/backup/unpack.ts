import { createWriteStream, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { open, type Entry, type ZipFile } from 'yauzl';
import { DatabaseTrouble } from '../db/identity.js';

/** Pictures by their content, as a packed copy names them; nothing else of a photograph's folder is taken. */
const PICTURE = /^photos\/([0-9a-f]{2})\/(\1[0-9a-f]{62})\.(jpg|png|webp)$/;

/**
 * Takes a packed copy apart: its database and its pictures, and nothing that is
 * named otherwise, so that no file can land outside its folder.
 *
 * @throws DatabaseTrouble where it cannot be read or holds no database
 */
export async function unpack(file: string, to: string, names: { readonly database: string; readonly photos: string }): Promise<void> {
  const zip = await new Promise<ZipFile>((resolve, reject) => {
    open(file, { lazyEntries: true, autoClose: true, validateEntrySizes: true }, (error, opened) =>
      error
        ? reject(new DatabaseTrouble(`The packed copy cannot be read: ${error.message}. It may have come through only in part.`))
        : resolve(opened),
    );
  });
  let found = false;
  const take = async (entry: Entry): Promise<void> => {
    const picture = PICTURE.exec(entry.fileName);
    const database = entry.fileName === names.database;
    if (!picture && !database) return;
    found ||= database;
    const path = database ? join(to, names.database) : join(to, names.photos, picture?.[1] ?? '', `${picture?.[2]}.${picture?.[3]}`);
    mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
    const stream = await new Promise<NodeJS.ReadableStream>((resolve, reject) =>
      zip.openReadStream(entry, (error, opened) => (error ? reject(error) : resolve(opened))),
    );
    await pipeline(stream, createWriteStream(path, { mode: 0o600 }));
  };
  await new Promise<void>((resolve, reject) => {
    const broken = (error: unknown): void =>
      reject(new DatabaseTrouble(`The packed copy cannot be read to its end: ${error instanceof Error ? error.message : String(error)}.`));
    zip.on('entry', (entry: Entry) => {
      take(entry).then(() => zip.readEntry(), broken);
    });
    zip.on('end', () => resolve());
    zip.on('error', broken);
    zip.readEntry();
  });
  if (!found) throw new DatabaseTrouble(`The packed copy holds no ${names.database}: it is none of ours.`);
}
