import { Router, type Response } from 'express';
import { codeQuery, labelsRequest, paperRequest, roundSheetRequest, templateRequest } from '@fresh-tuck/contract';
import { layOut, spacingNeededMm } from '@fresh-tuck/core/carrier';
import { gridFault, gridFor, labelPlaces, spacedSpots, templatePages, USUAL_STICKERS, type LabelGrid } from '@fresh-tuck/core/paper';
import { counted, formatLength } from '@fresh-tuck/core/units';
import type * as z from 'zod';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import type { PrintJob, TemplateJob } from './jobs.js';
import { labelsOn } from './labels.js';

/** A field named by what the core says of it: "from must be …". */
function fieldOf(error: unknown): never {
  if (error instanceof RangeError) throw Problem.field(error.message.split(' ')[0] ?? 'body', error.message);
  throw error;
}
const checkGrid = (grid: LabelGrid): void => {
  const fault = gridFault(grid);
  if (!fault) return;
  const field = `stickers.${fault.field}`;
  throw Problem.field(field, `${field} must be at most ${fault.mostMm} mm: so many labels of this size do not fit on the page`);
};

/** Sheets of paper: labels, templates to scale, rounds; drawn beside the request loop. */
export function printRoutes(services: Services): Router {
  const { act, ask, clock, crops, household, printer } = services;
  const { labelOf, leadsTo } = labelsOn(services);
  const paper = () => household.get().paper ?? { page: USUAL_STICKERS.page, stickers: USUAL_STICKERS };
  const send = async (response: Response, name: string, job: PrintJob): Promise<void> => {
    const pdf = await printer.print(job);
    response.type('application/pdf').set('Content-Disposition', `inline; filename="${name}.pdf"`).send(pdf);
  };

  function towelSheet({ cropId, seeds, widthMm, heightMm }: Extract<z.output<typeof templateRequest>, { kind: 'towel' }>): TemplateJob {
    const { units } = household.get();
    const crop = cropId === null ? null : crops.crop(cropId);
    const { spots, nearestMm } = layOut(seeds, widthMm, heightMm);
    const needed = crop ? spacingNeededMm(crop.seed.lengthMm, crop.root.lateMm) : 0;
    const mm = (length: number): string => formatLength(length, units);
    const apart = seeds > 1 ? `, the nearest two ${mm(nearestMm)} apart` : '';
    return {
      kind: 'template',
      page: paper().page,
      title: `${crop ? `${crop.name}: ` : ''}${counted(seeds, 'seed')} on a towel`,
      note: `Folded ${mm(widthMm)} × ${mm(heightMm)}${apart}. Lay the towel over the sheet; the dashed line is the middle.`,
      widthMm,
      heightMm,
      foldMm: widthMm / 2,
      spots,
      dotMm: Math.max(crop?.seed.lengthMm ?? 4, 2),
      roomMm: Math.min(needed, nearestMm),
    };
  }
  function bedSheet(body: Extract<z.output<typeof templateRequest>, { kind: 'bed' }>): TemplateJob {
    const { units } = household.get();
    const crop = body.cropId === null ? null : crops.crop(body.cropId);
    const { widthMm, lengthMm, inRowMm, rowsMm, staggered } = body;
    const spots = spacedSpots(widthMm, lengthMm, inRowMm, rowsMm, staggered);
    const mm = (length: number): string => formatLength(length, units);
    return {
      kind: 'template',
      page: paper().page,
      title: `${crop ? `${crop.name}: ` : ''}${counted(spots.length, 'place')}, ${mm(widthMm)} × ${mm(lengthMm)}`,
      note: `${mm(inRowMm)} in the row, rows ${mm(rowsMm)} apart${staggered ? ', every second row shifted by half' : ''}. Pages meet at the crosses.`,
      widthMm,
      heightMm: lengthMm,
      foldMm: null,
      spots,
      dotMm: 6,
      roomMm: Math.min(inRowMm, rowsMm),
    };
  }

  return Router()
    .get('/print/paper', (_request, response) => {
      response.json(paper());
    })
    .put('/print/paper', (request, response) => {
      const body = read(paperRequest, request.body);
      household.get();
      checkGrid(body.stickers);
      act('paper', body, () => household.savePaper({ page: body.page, stickers: body.stickers }));
      response.json(paper());
    })
    .post('/print/labels', async (request, response) => {
      const body = read(labelsRequest, request.body);
      const { page, stickers } = paper();
      const grid = gridFor(body.kind, page, stickers);
      try {
        labelPlaces(grid, body.items.length, body.from);
      } catch (error) {
        fieldOf(error);
      }
      const labels = body.items.map((item, index) => labelOf(item, `items.${index}.id`));
      await send(response, 'labels', { kind: 'labels', as: body.kind, grid, from: body.from, labels });
    })
    .post('/print/template', async (request, response) => {
      const body = read(templateRequest, request.body);
      household.get();
      const job = body.kind === 'towel' ? towelSheet(body) : bedSheet(body);
      try {
        templatePages(job.widthMm, job.heightMm, job.page);
      } catch (error) {
        throw Problem.field(body.kind === 'bed' ? 'lengthMm' : 'heightMm', (error as Error).message);
      }
      await send(response, 'template', job);
    })
    .post('/print/round', async (request, response) => {
      const { batchIds } = read(roundSheetRequest, request.body);
      const job = await ask.value('round', clock.now(), batchIds);
      if (job.stations.length === 0) throw Problem.field('batchIds', 'batchIds must name at least one parcel that is still open');
      await send(response, 'round', job);
    })
    .get('/labels', (request, response) => {
      response.json(leadsTo(read(codeQuery, request.query).code));
    });
}
