import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { openDB } from 'idb';
import { Subject } from 'rxjs';
import type { ApiProblem } from './transport.service';
import { Changes } from './changes.service';
import { Outbox, type Outgoing } from './outbox.service';

const look = (id: string, what = `the look at ${id}`): Outgoing => ({
  id,
  method: 'POST',
  path: `batches/${id}/looks`,
  body: { id },
  what,
});

describe('the outbox', () => {
  let outbox: Outbox;
  let http: HttpTestingController;
  const reached = new Subject<void>();

  /** Waits for a request that is sent after the browser's database has answered. */
  async function asked(id: string): Promise<TestRequest> {
    for (let turn = 0; turn < 200; turn++) {
      const [found] = http.match(({ url }) => url === `/api/batches/${id}/looks`);
      if (found) return found;
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    throw new Error(`${id} was never sent`);
  }
  const until = async (ok: () => boolean): Promise<void> => {
    for (let turn = 0; turn < 200 && !ok(); turn++) await new Promise((resolve) => setTimeout(resolve, 5));
    expect(ok()).toBeTrue();
  };
  const stored = async (): Promise<string[]> => {
    const db = await openDB('fresh-tuck', 1);
    const keys = (await db.getAllKeys('outgoing')) as string[];
    db.close();
    return keys;
  };
  const gone = { status: 0, statusText: '' };
  const begin = (): void => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), { provide: Changes, useValue: { reached$: reached } }],
    });
    outbox = TestBed.inject(Outbox);
    http = TestBed.inject(HttpTestingController);
  };

  beforeEach(begin);
  afterEach(async () => {
    for (const { id } of [...outbox.waiting(), ...outbox.refused()]) await outbox.forget(id);
    TestBed.resetTestingModule();
  });

  it('keeps what is tapped before it is sent, and nothing once it is answered', async () => {
    const sending = outbox.send<{ ok: boolean }>(look('a'));
    const request = await asked('a');
    expect(await stored()).toEqual(['a']);
    request.flush({ ok: true });
    expect(await sending).toEqual({ kind: 'sent', reply: { ok: true } });
    expect(await stored()).toEqual([]);
  });

  it('waits where nobody answers, in order, says how long, and sends when the server is back', async () => {
    for (const id of ['a', 'b']) {
      const sending = outbox.send(look(id));
      (await asked(id)).error(new ProgressEvent('gone'), gone);
      expect((await sending).kind).toBe('waiting');
    }
    expect(outbox.waiting().map(({ what }) => what)).toEqual(['the look at a', 'the look at b']);
    reached.next();
    const first = await asked('a');
    expect(Number(first.request.headers.get('Fresh-Tuck-Waited'))).toBeGreaterThan(0);
    expect(http.match(() => true).length).toBe(0);
    first.flush({});
    (await asked('b')).flush({});
    await until(() => outbox.waiting().length === 0);
    expect(await stored()).toEqual([]);
  });

  it('outlives a closed tab', async () => {
    const sending = outbox.send(look('a'));
    (await asked('a')).error(new ProgressEvent('gone'), gone);
    await sending;
    TestBed.resetTestingModule();
    begin();
    (await asked('a')).flush({});
    await until(() => outbox.waiting().length === 0);
  });

  it('hands a refusal to whoever tapped, and keeps in sight what is refused later', async () => {
    const problem = { detail: 'There are only 8 seeds.' };
    const sending = outbox.send(look('a'));
    (await asked('a')).flush(problem, { status: 422, statusText: '' });
    await expectAsync(sending).toBeRejectedWith(jasmine.objectContaining<ApiProblem>({ message: problem.detail, status: 422 }));
    expect(await stored()).toEqual([]);
    const later = outbox.send(look('b'));
    (await asked('b')).error(new ProgressEvent('gone'), gone);
    await later;
    reached.next();
    (await asked('b')).flush(problem, { status: 409, statusText: '' });
    await until(() => outbox.refused().length === 1);
    expect(outbox.refused()[0]?.refused).toBe(problem.detail);
    expect(outbox.waiting()).toEqual([]);
    await outbox.forget('b');
    expect(outbox.refused()).toEqual([]);
  });
});
