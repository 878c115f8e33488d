import { inject, Injectable } from '@angular/core';
import type {
  AmendRequest,
  BatchWithJournal,
  CorrectRequest,
  DaysRequest,
  Holder,
  TakeBackRequest,
  Undoing,
  UndoRequest,
  UntuckRequest,
  Untucking,
} from '@fresh-tuck/contract';
import { Transport } from '../transport/transport.service';

/** What of a batch's record is put right afterwards. */
@Injectable({ providedIn: 'root' })
export class MendApi {
  private readonly transport = inject(Transport);

  /** What taking an entry back does, said before it is done. */
  readonly undoing = (batchId: string, entryId: string) => this.transport.get<Undoing>(`batches/${batchId}/entries/${entryId}/undoing`);
  readonly undo = (batchId: string, body: UndoRequest) => this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/undos`, body);
  readonly undoBag = (holderId: string, body: TakeBackRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/undos`, body);
  readonly correct = (batchId: string, body: CorrectRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/corrections`, body);
  readonly amend = (batchId: string, body: AmendRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/amendments`, body);
  readonly untucking = (batchId: string) => this.transport.get<Untucking>(`batches/${batchId}/untucking`);
  readonly untuck = (batchId: string, body: UntuckRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/untuckings`, body);
  readonly days = (batchId: string, body: DaysRequest) => this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/days`, body);
}
