import { inject, Injectable } from '@angular/core';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, LookRequest } from '@fresh-tuck/contract';
import { Outbox, type Sent } from '../data/transport/outbox.service';
import { smallPicture } from './photo';

/** Sends a look, and then its picture; both wait in this browser where the server does not answer. */
@Injectable({ providedIn: 'root' })
export class LookSender {
  private readonly outbox = inject(Outbox);

  /**
   * @param what the look in words, for what is said while it waits
   * @throws Error where the picture is none, or the server refuses the look
   */
  async send(batchId: string, body: LookRequest, file: File | null, what: string): Promise<Sent<BatchWithJournal>> {
    const picture = file && (await smallPicture(file));
    const sent = await this.outbox.send<BatchWithJournal>({ id: body.id, method: 'POST', path: `batches/${batchId}/looks`, body, what });
    if (picture) {
      const id = uuid();
      await this.outbox.send({ id, method: 'PUT', path: `looks/${body.id}/photos/${id}`, body: picture, what: `the picture of ${what}` });
    }
    return sent;
  }
}
