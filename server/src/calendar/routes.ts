import { Router, type Response } from 'express';
import { feedRequest, feedWithdrawal } from '@fresh-tuck/contract';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import { asCalendar } from './ics.js';

/** What is to be done, for the calendars that a household uses besides: as a file, or at a private address. */
export function calendarRoutes({ act, ask, calendars, clock, db, household }: Services): Router {
  async function send(response: Response): Promise<void> {
    const { name, zone } = household.get();
    const nowMs = clock.now();
    const entries = await ask.value('calendar', nowMs);
    const told = db.transaction(() => calendars.tell(entries, nowMs)).immediate();
    response
      .type('text/calendar')
      .set('Content-Disposition', 'inline; filename="fresh-tuck.ics"')
      .send(asCalendar(name, zone, told));
  }
  return Router()
    .get('/calendar.ics', async (_request, response) => {
      await send(response);
    })
    .get('/calendar/feeds', (_request, response) => {
      response.json(calendars.list());
    })
    .get('/calendar/:token.ics', async (request, response) => {
      calendars.letIn(request.params.token);
      await send(response);
    })
    .post('/calendar/feeds', (request, response) => {
      const body = read(feedRequest, request.body);
      household.get();
      let token: string | null = null;
      act('calendar-feed', body, (nowMs) => {
        token = calendars.add(body.id, body.name, nowMs);
      });
      if (token === null) throw new Problem(409, 'Told already', 'This address was told when it was made. Withdraw it and make another.');
      response.status(201).json({ id: body.id, path: `/api/calendar/${token as string}.ics` });
    })
    .post('/calendar/feeds/:feedId/withdrawals', (request, response) => {
      const body = read(feedWithdrawal, request.body);
      act(`calendar-withdrawal ${request.params.feedId}`, body, (nowMs) => calendars.withdraw(request.params.feedId, nowMs));
      response.status(201).json(calendars.list());
    });
}
