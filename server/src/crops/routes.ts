import { Router } from 'express';
import { CROPS } from '@fresh-tuck/core';
import { cropOf } from '../packets/store.js';

export function cropRoutes(): Router {
  const summaries = CROPS.map(({ id, name, otherNames, latin }) => ({ id, name, otherNames, latin })).sort((a, b) =>
    a.name.localeCompare(b.name),
  );
  return Router()
    .get('/crops', (_request, response) => {
      response.json(summaries);
    })
    .get('/crops/:cropId', (request, response) => {
      response.json(cropOf(request.params.cropId));
    });
}
