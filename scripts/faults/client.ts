import { randomBytes } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import { batchBody, lookBody, moveBody, packetBody } from '@fresh-tuck/contract/testing';
import type { Ledger } from './ledger.js';

/** What a household does, request by request, until its server is gone. */
export class Client {
  address = '';
  spotId = uuid();
  batchIds: string[] = [];
  private packetId = uuid();
  /** The last request, to be sent again: it must be known as the same. */
  last: { readonly method: string; readonly path: string; readonly body: unknown; readonly id: string } | null = null;

  constructor(private ledger: Ledger) {}

  use(ledger: Ledger): void {
    this.ledger = ledger;
  }

  async raw(method: string, path: string, body: unknown): Promise<Response> {
    const picture = Buffer.isBuffer(body);
    const response = await fetch(`${this.address}api/${path}`, {
      method,
      headers: { 'content-type': picture ? 'image/png' : 'application/json', prefer: 'return=minimal' },
      body: picture ? new Uint8Array(body) : JSON.stringify(body),
    });
    await response.arrayBuffer();
    return response;
  }

  /** Sends an act and writes down what is known of it. @throws where the server is gone */
  async act(
    method: string,
    path: string,
    id: string,
    body: unknown,
    kind: 'look' | 'move' | 'packets' | 'photo' | 'other' = 'other',
    ids: readonly string[] = [],
  ): Promise<void> {
    this.ledger.kinds.set(id, { kind, ids });
    this.ledger.may.add(id);
    this.last = { method, path, body, id };
    const { ok, status } = await this.raw(method, path, body);
    this.ledger.may.delete(id);
    if (ok) this.ledger.must.add(id);
    else throw new Error(`refused with ${status}: ${path}`);
  }

  async begin(): Promise<void> {
    const post = (path: string, id: string, body: object): Promise<void> => this.act('POST', path, id, { id, ...body });
    const home = uuid();
    await this.act('PUT', 'household', home, {
      id: home,
      name: 'Faults',
      zone: 'Europe/Copenhagen',
      units: 'metric',
      lookingTimes: ['07:00'],
      millilitresPerSpray: 0.8,
    });
    await post('spots', this.spotId, { name: 'Shelf', kind: 'room' });
    await post('packets', this.packetId, packetBody({ id: this.packetId, printedRatePercent: 80, seedCount: 90_000 }));
    for (let nth = 0; nth < 3; nth++) await this.batch();
  }

  async batch(): Promise<void> {
    const id = uuid();
    await this.act('POST', 'batches', id, batchBody(this.packetId, this.spotId, { id, seeds: 400, wanted: 200 }));
    this.batchIds.push(id);
  }

  /** One thing of what happens on a day. @param nth chooses what */
  async some(nth: number): Promise<void> {
    const batchId = this.batchIds[nth % this.batchIds.length] ?? '';
    const id = uuid();
    const what = nth % 10;
    if (what === 9) {
      const packets = Array.from({ length: 60 }, (_, row) =>
        packetBody({ cropId: 'okra', variety: `Row ${row}`, printedRatePercent: 80, seedCount: 40 }),
      );
      await this.act(
        'POST',
        'packets/imports',
        id,
        { id, packets },
        'packets',
        packets.map((packet) => packet.id),
      );
      return;
    }
    const look = lookBody(400, { marks: [1, 2, 3].map((seed) => ({ seed, stage: 'tip', rootMm: null })) });
    if (what === 4 || what === 7) {
      await this.act('POST', `batches/${batchId}/moves`, id, moveBody({ id }), 'move');
      return;
    }
    await this.act('POST', `batches/${batchId}/looks`, id, { ...look, id }, 'look');
    if (what === 2) {
      const photo = uuid();
      await this.act(
        'PUT',
        `looks/${id}/photos/${photo}`,
        photo,
        Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), randomBytes(60_000)]),
        'photo',
      );
    }
  }
}
