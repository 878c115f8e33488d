import express, { Router } from 'express';
import { id as uuidSchema } from '@fresh-tuck/contract';
import { Problem, readAs } from '../http/problem.js';
import type { Services } from '../services.js';
import { contentOf, PHOTO_TYPES } from './files.js';

/** A photograph scaled by the browser is far below this. */
const MOST_BYTES = 3 * 1_048_576;
/** The first bytes of each kind: what a file is called is not what it is. */
const BEGINS: Readonly<Record<string, readonly (readonly [number, string])[]>> = {
  'image/jpeg': [[0, 'ffd8ff']],
  'image/png': [[0, '89504e470d0a1a0a']],
  'image/webp': [
    [0, '52494646'],
    [8, '57454250'],
  ],
};

function checkPicture(type: string, bytes: unknown): asserts bytes is Buffer {
  const begins = BEGINS[type];
  if (!begins || !Buffer.isBuffer(bytes) || begins.some(([at, hex]) => bytes.subarray(at, at + hex.length / 2).toString('hex') !== hex)) {
    throw Problem.field('photo', 'photo must be a JPEG, PNG or WebP picture of at most 3 MB');
  }
}

/** Photographs of looks and of plants: kept beside the household's own database, and nowhere else. */
export function photoRoutes({ act, notes, nursery, photoFiles, photos }: Services): Router {
  return Router()
    .get('/photos/:photoId', (request, response, next) => {
      const photo = photos.get(request.params.photoId);
      response.set('Cache-Control', 'private, max-age=31536000, immutable').type(photo.type);
      if ('bytes' in photo) {
        response.send(photo.bytes);
        return;
      }
      response.sendFile(photoFiles.pathOf(photo.content, photo.type), { cacheControl: false, dotfiles: 'allow' }, (error) => {
        if (error && !response.headersSent)
          next(new Problem(404, 'Not found', 'The file of this photograph is gone. A copy made before still has it.'));
      });
    })
    .put(
      '/looks/:lookId/photos/:photoId',
      express.raw({ type: Object.keys(PHOTO_TYPES), limit: MOST_BYTES }),
      async (request, response) => {
        const { lookId } = request.params;
        const photoId = readAs(uuidSchema, 'photoId', request.params.photoId);
        const type = request.get('Content-Type') ?? '';
        const bytes: unknown = request.body;
        checkPicture(type, bytes);
        photos.check(photoId, lookId ?? '');
        // Its bytes are part of the act: the same id with another picture is another act.
        const content = contentOf(bytes);
        await photoFiles.put(bytes, type);
        act(`photo ${lookId}`, { id: photoId, content }, (nowMs) => {
          photos.check(photoId, lookId ?? '');
          photos.add({ id: photoId, type, content, size: bytes.length }, lookId ?? '', nowMs);
        });
        response.status(201).json({ id: photoId });
      },
    )
    .put(
      '/notes/:noteId/photos/:photoId',
      express.raw({ type: Object.keys(PHOTO_TYPES), limit: MOST_BYTES }),
      async (request, response) => {
        const noteId = readAs(uuidSchema, 'noteId', request.params['noteId']);
        const photoId = readAs(uuidSchema, 'photoId', request.params['photoId']);
        const type = request.get('Content-Type') ?? '';
        const bytes: unknown = request.body;
        checkPicture(type, bytes);
        notes.get(noteId);
        photos.checkNote(photoId, noteId);
        const content = contentOf(bytes);
        await photoFiles.put(bytes, type);
        act(`photo of note ${noteId}`, { id: photoId, content }, (nowMs) => {
          photos.checkNote(photoId, noteId);
          photos.addToNote({ id: photoId, type, content, size: bytes.length }, noteId, nowMs);
        });
        response.status(201).json({ id: photoId });
      },
    )
    .put(
      '/nursery/:number/photos/:photoId',
      express.raw({ type: Object.keys(PHOTO_TYPES), limit: MOST_BYTES }),
      async (request, response) => {
        const number = Number(request.params['number']);
        const photoId = readAs(uuidSchema, 'photoId', request.params['photoId']);
        const type = request.get('Content-Type') ?? '';
        const bytes: unknown = request.body;
        checkPicture(type, bytes);
        nursery.get(number);
        const content = contentOf(bytes);
        await photoFiles.put(bytes, type);
        act(`picture ${number}`, { id: photoId, content }, (nowMs) => {
          const entryId = nursery.picture(number, photoId, nowMs);
          photos.add({ id: photoId, type, content, size: bytes.length }, entryId, nowMs);
        });
        response.status(201).json(nursery.get(number));
      },
    );
}
