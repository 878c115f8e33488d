import { Router } from 'express';
import { lookingBackQuery, noteRequest, notesQuery, noteUndoRequest } from '@fresh-tuck/contract';
import { json } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';

/** Notes, and looking back. */
export function notebookRoutes({ act, ask, batches, clock, crops, household, notes, takenBack }: Services): Router {
  return Router()
    .get('/looking-back', async (request, response) => {
      const { by, year, crop } = read(lookingBackQuery, request.query);
      household.get();
      json(response, await ask('lookingBack', clock.now(), by, year, crop));
    })
    .get('/notes', async (request, response) => {
      const asked = read(notesQuery, request.query);
      household.get();
      json(response, await ask('notes', clock.now(), asked));
    })
    .post('/notes', (request, response) => {
      const body = read(noteRequest, request.body);
      household.get();
      act('note', body, (nowMs) => {
        if (body.words?.batchId) batches.get(body.words.batchId);
        if (body.words?.cropId) crops.crop(body.words.cropId);
        notes.say(body.id, body.noteId, body.words, nowMs);
      });
      response.status(201).json({ id: body.id });
    })
    .post('/notes/undos', (request, response) => {
      const body = read(noteUndoRequest, request.body);
      act('note-undo', body, (nowMs) => {
        const said = notes.last(body.noteId);
        if (!said) throw Problem.unknown('note');
        takenBack.add({ id: said.id, kind: 'note', fromMs: said.atMs, toMs: said.atMs }, nowMs);
      });
      response.status(201).json({ id: body.id });
    });
}
