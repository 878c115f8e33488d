import { Router, type Response } from 'express';
import { lookingBackQuery, noteRequest, notesQuery, noteUndoRequest } from '@fresh-tuck/contract';
import { asSvg } from '@fresh-tuck/core/drawing';
import { USUAL_STICKERS } from '@fresh-tuck/core/paper';
import { json } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import type { Story } from './story.js';

/** Notes, and looking back. */
export function notebookRoutes({ act, ask, batches, clock, crops, household, notes, printer, takenBack }: Services): Router {
  const svg = (response: Response, { title, intro, drawing, lines }: Story): void =>
    void response
      .type('image/svg+xml')
      .set('Content-Disposition', 'attachment; filename="story.svg"')
      .send(asSvg(drawing, title, [title, intro, ...lines]));
  const pdf = async (response: Response, story: Story): Promise<void> => {
    const page = household.get().paper?.page ?? USUAL_STICKERS.page;
    const file = await printer.print({ kind: 'drawing', page, ...story });
    response.type('application/pdf').set('Content-Disposition', 'attachment; filename="story.pdf"').send(file);
  };
  return Router()
    .get('/batches/:batchId/story.svg', async (request, response) => {
      svg(response, await ask.value('batchStory', clock.now(), request.params.batchId));
    })
    .get('/batches/:batchId/story.pdf', async (request, response) => {
      await pdf(response, await ask.value('batchStory', clock.now(), request.params.batchId));
    })
    .get('/trials/:trialId/story.svg', async (request, response) => {
      svg(response, await ask.value('trialStory', clock.now(), request.params.trialId));
    })
    .get('/trials/:trialId/story.pdf', async (request, response) => {
      await pdf(response, await ask.value('trialStory', clock.now(), request.params.trialId));
    })
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
