import { Router } from 'express';
import { cropFiguresRequest, cropRequest, removalRequest, type CropSheet, type CropSummary } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';
import type { KnownCrop } from './store.js';

export function cropRoutes({ act, crops }: Services): Router {
  const summary = ({ crop, added, own }: KnownCrop): CropSummary => ({
    id: crop.id,
    name: crop.name,
    otherNames: [...crop.otherNames],
    latin: crop.latin,
    family: crop.family,
    added,
    changed: Object.keys(own).length > 0,
  });
  const sheet = (id: string): CropSheet => {
    const { crop, book, own, added } = crops.known(id);
    return { crop, book, own, added };
  };
  return Router()
    .get('/crops', (_request, response) => {
      response.json(
        crops
          .list()
          .map(summary)
          .sort((a, b) => a.name.localeCompare(b.name)),
      );
    })
    .get('/crops/:cropId', (request, response) => {
      response.json(sheet(request.params.cropId));
    })
    .post('/crops', (request, response) => {
      const body = read(cropRequest, request.body);
      act('crop', body, (nowMs) => crops.add(body.id, body.like, body.name, body.figures, nowMs));
      response.status(201).json(sheet(body.id));
    })
    .put('/crops/:cropId/figures', (request, response) => {
      const { cropId } = request.params;
      const body = read(cropFiguresRequest, request.body);
      act(`crop-figures ${cropId}`, body, (nowMs) => crops.set(body.id, cropId, body.name, body.figures, nowMs));
      response.json(sheet(cropId));
    })
    .post('/crops/:cropId/removals', (request, response) => {
      const { cropId } = request.params;
      const body = read(removalRequest, request.body);
      act(`crop-removal ${cropId}`, body, (nowMs) => crops.remove(body.id, cropId, nowMs));
      response.status(201).json({ id: cropId });
    });
}
