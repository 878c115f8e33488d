import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { Router, type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { backupRoutes } from './backup/routes.js';
import { bedRoutes } from './beds/routes.js';
import { shelfRoutes } from './boards/routes.js';
import { partRoutes } from './batches/parts.js';
import { batchRoutes } from './batches/routes.js';
import { mendRoutes } from './mending/routes.js';
import { calendarRoutes } from './calendar/routes.js';
import { cropRoutes } from './crops/routes.js';
import { findRoutes } from './find/routes.js';
import { holderRoutes } from './holders/routes.js';
import { householdRoutes } from './household/routes.js';
import { refuseCrossSite, refuseForeign } from './http/guard.js';
import { Problem, problemHandler } from './http/problem.js';
import { nurseryRoutes } from './nursery/routes.js';
import { packetRoutes } from './packets/routes.js';
import type { Services } from './services.js';
import { printRoutes } from './print/routes.js';
import { photoRoutes } from './photos/routes.js';
import { rackRoutes } from './racks/routes.js';
import { roundRoutes } from './rounds/routes.js';
import { seasonRoutes } from './season/routes.js';
import { sittingRoutes } from './sittings/routes.js';
import { probeRoutes } from './spots/probe-routes.js';
import { spotRoutes } from './spots/routes.js';
import { todayRoutes } from './today/routes.js';
import { notebookRoutes } from './notebook/routes.js';
import { trialRoutes } from './trials/routes.js';

export interface AppOptions {
  /** Folder of the built interface; without it only the API answers. */
  readonly webRoot?: string;
  /** Host names besides localhost that the server answers to. */
  readonly hostNames?: readonly string[];
  /** Further API routes, for the demo. */
  readonly extra?: Router;
  readonly log?: (error: unknown) => void;
  /** Requests that are answered in a minute: far above what a household taps, far below what would starve it. */
  readonly limitPerMinute?: number;
}

const limiter = (limit: number) =>
  rateLimit({
    windowMs: 60_000,
    limit,
    // A look is what somebody saw: it is never turned away for coming after many.
    skip: ({ method, path }) => method === 'POST' && /^\/batches\/[^/]+\/looks$/.test(path),
    standardHeaders: true,
    legacyHeaders: false,
    handler: () => {
      throw new Problem(429, 'Too many requests', 'Wait a minute and try again.');
    },
  });

const UUIDS = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/gi;

/** The whole application over one household's services. */
export function createApp(services: Services, options: AppOptions = {}): Express {
  const { webRoot, hostNames = [], extra, log = console.error, limitPerMinute = 3000 } = options;
  const app = express();
  app.disable('x-powered-by');
  app.use(refuseForeign(hostNames));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          // Component styles are added by script as style elements; nothing of theirs comes from data.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          // Plain HTTP on one machine: there is no secure twin to upgrade to.
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(compression());
  const api = Router();
  api.use(refuseCrossSite);
  // Ids are the same however their letters are written.
  api.use((request, _response, next) => {
    const [path = '', ...query] = request.url.split('?');
    request.url = [path.replace(UUIDS, (id) => id.toLowerCase()), ...query].join('?');
    next();
  });
  api.use(limiter(limitPerMinute));
  api.get('/events', services.changes.stream);
  // A whole box of packets is more than any other request.
  api.use(['/packets/imports', '/packets/matches'], express.json({ limit: '1mb', strict: true }));
  // A station's nights are many: a century of them.
  api.use('/season/frost/records', express.json({ limit: '1mb', strict: true }));
  api.use(express.json({ limit: '100kb', strict: true }));
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  for (const routes of [
    householdRoutes,
    spotRoutes,
    probeRoutes,
    shelfRoutes,
    calendarRoutes,
    cropRoutes,
    packetRoutes,
    holderRoutes,
    batchRoutes,
    partRoutes,
    mendRoutes,
    todayRoutes,
    bedRoutes,
    nurseryRoutes,
    photoRoutes,
    rackRoutes,
    roundRoutes,
    sittingRoutes,
    seasonRoutes,
    trialRoutes,
    notebookRoutes,
    printRoutes,
    findRoutes,
    backupRoutes,
  ]) {
    api.use(routes(services));
  }
  if (extra) api.use(extra);
  api.use(() => {
    throw new Problem(404, 'Not found', 'There is nothing at this address.');
  });
  app.use('/api', api);
  if (webRoot && existsSync(webRoot)) {
    // File names carry a hash of their content, but for the page itself.
    app.use(express.static(webRoot, { index: false, maxAge: '1y', immutable: true }));
    app.get('/{*path}', (_request, response) => {
      response.set('Cache-Control', 'no-cache').sendFile(join(webRoot, 'index.html'));
    });
  }
  app.use(problemHandler(log, services.db.name));
  return app;
}
