import express, { Router } from 'express';
import { id as uuidSchema } from '@fresh-tuck/contract';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import { photoStore } from './store.js';

const TYPES = ['image/jpeg', 'image/png', 'image/webp'];
/** A photograph scaled by the browser is far below this. */
const MOST_BYTES = 3_000_000;
/** The first bytes of each kind: what a file is called is not what it is. */
const BEGINS: Readonly<Record<string, readonly (readonly [number, string])[]>> = {
  'image/jpeg': [[0, 'ffd8ff']],
  'image/png': [[0, '89504e470d0a1a0a']],
  'image/webp': [
    [0, '52494646'],
    [8, '57454250'],
  ],
};

/** Photographs of looks: kept in the household's own database, and nowhere else. */
export function photoRoutes({ act, db }: Services): Router {
  const photos = photoStore(db);
  return Router()
    .get('/photos/:photoId', (request, response) => {
      const { type, bytes } = photos.get(request.params.photoId);
      response.set('Cache-Control', 'private, max-age=31536000, immutable').type(type).send(bytes);
    })
    .put('/looks/:lookId/photos/:photoId', express.raw({ type: TYPES, limit: MOST_BYTES }), (request, response) => {
      const { lookId, photoId } = request.params;
      read(uuidSchema, photoId);
      const type = request.get('Content-Type') ?? '';
      const bytes: unknown = request.body;
      const begins = BEGINS[type];
      if (
        !begins ||
        !Buffer.isBuffer(bytes) ||
        begins.some(([at, hex]) => bytes.subarray(at, at + hex.length / 2).toString('hex') !== hex)
      ) {
        throw Problem.field('photo', 'photo must be a JPEG, PNG or WebP picture of at most 3 MB');
      }
      act(`photo ${lookId}`, { id: photoId }, (nowMs) => photos.add(photoId, lookId, type, bytes, nowMs));
      response.status(201).json({ id: photoId });
    });
}
