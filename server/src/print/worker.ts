import { parentPort } from 'node:worker_threads';
import { labelsPdf } from './draw-labels.js';
import { roundPdf } from './draw-round.js';
import { drawingPdf } from './draw-drawing.js';
import { templatePdf } from './draw-template.js';
import type { PrintJob, PrintReply } from './jobs.js';

/** Draws sheets of paper beside the request loop. */
const draw = (job: PrintJob): Promise<Uint8Array> => {
  switch (job.kind) {
    case 'labels':
      return labelsPdf(job);
    case 'template':
      return templatePdf(job);
    case 'round':
      return roundPdf(job);
    case 'drawing':
      return drawingPdf(job);
  }
};

parentPort?.on('message', ({ key, job }: { key: number; job: PrintJob }) => {
  const reply = (message: PrintReply, moved: ArrayBuffer[] = []): void => parentPort?.postMessage(message, moved);
  draw(job).then(
    (pdf) => reply({ key, pdf }, [pdf.buffer as ArrayBuffer]),
    (error: unknown) => reply({ key, failed: (error as Error).stack ?? String(error) }),
  );
});
