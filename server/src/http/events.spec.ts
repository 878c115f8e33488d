import { type AddressInfo } from 'node:net';
import { listen } from '../listen.js';
import { household, lookBody } from '../testing/household.js';

describe('the stream of changes', () => {
  it('tells an open tab after a save, and is silent when a save is refused or repeated', async () => {
    const home = await household();
    const { server } = await listen(home.app, 0, '127.0.0.1');
    const { port } = server.address() as AddressInfo;
    const stop = new AbortController();
    const response = await fetch(`http://localhost:${port}/api/events`, { signal: stop.signal });
    expect(response.headers.get('cache-control')).toContain('no-transform');
    const reader = (response.body as ReadableStream<Uint8Array>).pipeThrough(new TextDecoderStream()).getReader();
    const body = lookBody(0, { seen: { tipped: 1, rotten: 0, basedOn: null } });
    const post = (sent: object) => home.request.post(`/api/batches/${home.batchId}/looks`).send(sent);
    await post({ ...body, via: 'guessed' }).expect(422);
    await post(body).expect(201);
    await post(body).expect(201);
    await post(lookBody(0, { seen: { tipped: 2, rotten: 0, basedOn: null } })).expect(201);
    let heard = '';
    while ((heard.match(/event: changed/g) ?? []).length < 2) heard += (await reader.read()).value ?? '';
    expect(heard.match(/data: \d+/g)?.length).toBe(2);
    stop.abort();
    server.closeAllConnections();
    server.close();
  });

  it('says in a sentence that a port is taken', async () => {
    const home = await household();
    const { server } = await listen(home.app, 0, '127.0.0.1');
    const { port } = server.address() as AddressInfo;
    await expectAsync(listen(home.app, port, '127.0.0.1')).toBeRejectedWithError(/already in use/);
    server.close();
  });
});
