import { inject, Injectable } from '@angular/core';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, LookRequest } from '@fresh-tuck/contract';
import { UndoOffer } from '../data/household/undo-offer.service';
import { Outbox, type Sent } from '../data/transport/outbox.service';
import { smallPicture } from '../kit/photo';

/** Sends a look, and then its picture; both wait in this browser where the server does not answer. */
@Injectable({ providedIn: 'root' })
export class LookSender {
  private readonly outbox = inject(Outbox);
  private readonly undoOffer = inject(UndoOffer);

  /**
   * Sends it, and says what became of it with its undo.
   *
   * @returns the batch as it is since; null where the look waits in this browser
   * @throws Error where the picture is none, or the server refuses the look
   */
  async send(
    { id, number }: Pick<BatchWithJournal, 'id' | 'number'>,
    body: LookRequest,
    file: File | null,
  ): Promise<BatchWithJournal | null> {
    const what = `the look at ${number}`;
    const sent = await this.sendWith(id, body, file, what);
    if (sent.kind === 'waiting') {
      this.undoOffer.waiting(body.id, `No answer: ${what} is kept in this browser and sent when it can be.`);
      return null;
    }
    this.undoOffer.show(id, body.id, body.via === 'skipped' ? `${number} skipped, not opened.` : `Look at ${number} saved.`);
    return sent.reply;
  }

  /** @param what the look in words, for what is said while it waits */
  private async sendWith(batchId: string, body: LookRequest, file: File | null, what: string): Promise<Sent<BatchWithJournal>> {
    const picture = file && (await smallPicture(file));
    const sent = await this.outbox.send<BatchWithJournal>({ id: body.id, method: 'POST', path: `batches/${batchId}/looks`, body, what });
    if (picture) {
      const id = uuid();
      await this.outbox.send({ id, method: 'PUT', path: `looks/${body.id}/photos/${id}`, body: picture, what: `the picture of ${what}` });
    }
    return sent;
  }
}
