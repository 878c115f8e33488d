import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { DateTime } from 'luxon';
import { Router, type Response } from 'express';
import { copyRequest, type Copies } from '@fresh-tuck/contract';
import { ZipFile } from 'yazl';
import { ownFolder } from '../db/database.js';
import { DatabaseTrouble } from '../db/identity.js';
import { Problem, read, sizeInWords } from '../http/problem.js';
import { photoPath } from '../photos/files.js';
import type { Services } from '../services.js';

/** A household of decades with its photographs is below this, bytes. */
const MOST_BROUGHT = 16 * 1_073_741_824;

/** Lets bytes through up to a limit. */
function limited(most: number): Transform {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      if (seen > most) done(new Problem(413, 'Too much', `A copy that is brought may hold at most ${sizeInWords(most)}.`));
      else done(null, chunk);
    },
  });
}

/** Copies of the household: made, looked into, taken away and put back. */
export function backupRoutes({ clock, copies, host, household, photoFiles, photos }: Services): Router {
  const zone = (): string => household.find()?.zone ?? 'UTC';
  const listed = (): Copies => ({ folder: copies.folder, copies: copies.list() });
  const fileName = (end: string): string => `fresh-tuck-${DateTime.fromMillis(clock.now(), { zone: zone() }).toISODate()}.${end}`;

  /** A folder of its own for one download, gone when it is through. */
  async function download(response: Response, send: (file: string) => Promise<void> | void): Promise<void> {
    const folder = await mkdtemp(join(tmpdir(), 'fresh-tuck-'));
    response.on('close', () => void rm(folder, { recursive: true, force: true }));
    const file = join(folder, 'household.sqlite');
    await copies.single(file);
    await send(file);
  }

  return Router()
    .get('/backup', async (_request, response) => {
      await download(response, (file) => response.download(file, fileName('sqlite')));
    })
    .get('/backup.zip', async (_request, response) => {
      await download(response, async (file) => {
        const zip = new ZipFile();
        zip.addFile(file, 'household.sqlite');
        // Pictures are packed already.
        for (const { content, type } of photos.all())
          zip.addFile(photoFiles.pathOf(content, type), `photos/${photoPath(content, type)}`, { compress: false });
        zip.end();
        response.type('application/zip').attachment(fileName('zip'));
        await pipeline(zip.outputStream, response);
      });
    })
    .get('/backups', (_request, response) => {
      response.json(listed());
    })
    .post('/backups', async (request, response) => {
      read(copyRequest, request.body);
      await copies.make('by_hand', clock.now(), zone());
      response.status(201).json(listed());
    })
    .put('/backups/brought', async (request, response) => {
      ownFolder(copies.folder);
      const received = join(copies.folder, `.brought-${process.pid}-${Date.now()}`);
      try {
        await pipeline(request, limited(MOST_BROUGHT), createWriteStream(received, { mode: 0o600 }));
        response.status(201).json(
          await copies.bring(received, clock.now(), zone()).catch((error: unknown) => {
            if (!(error instanceof DatabaseTrouble)) throw error;
            throw Problem.field('file', `The file is not taken in: ${error.reason}. Nothing here was changed.`);
          }),
        );
      } finally {
        await rm(received, { force: true });
      }
    })
    .post('/backups/:name/restorations', async (request, response) => {
      const { id } = read(copyRequest, request.body);
      const { name } = request.params;
      if (!host) throw new Problem(409, 'Not here', 'A copy can only be put back where the server runs on a household of its own.');
      await copies.verify(name);
      const before = household.find() ? await copies.make('before_restore', clock.now(), zone()) : null;
      await host.reopen(() => copies.lay(name).then(() => undefined));
      response.status(201).json({ id, before });
    });
}
