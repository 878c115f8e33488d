import type { Response, Router } from 'express';
import { shelveRequest } from '@fresh-tuck/contract';
import type { Act } from '../http/act.js';
import { read } from '../http/problem.js';
import type { shelving } from './shelved.js';

/**
 * The ways off a list and back: put away, taken out again, removed where nothing hangs on it.
 *
 * @param path of the list, "beds"; @param answer what is sent when it is done
 */
export function addShelfRoutes(
  router: Router,
  {
    act,
    path,
    shelf,
    answer,
  }: {
    readonly act: Act;
    readonly path: 'beds' | 'packets' | 'racks' | 'spots';
    readonly shelf: Pick<ReturnType<typeof shelving>, 'putAway' | 'remove' | 'takeOut'>;
    readonly answer: (response: Response, id: string) => Promise<void> | void;
  },
): Router {
  const ways = {
    away: (id: string, nowMs: number) => shelf.putAway(id, nowMs),
    back: (id: string) => shelf.takeOut(id),
    removals: (id: string) => shelf.remove(id),
  };
  for (const [way, run] of Object.entries(ways)) {
    router.post(`/${path}/:id/${way}`, async (request, response) => {
      const id = String(request.params['id']);
      const body = read(shelveRequest, request.body);
      act(`${path}-${way} ${id}`, body, (nowMs) => run(id, nowMs));
      await answer(response, id);
    });
  }
  return router;
}
