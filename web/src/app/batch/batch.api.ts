import { inject, Injectable } from '@angular/core';
import type {
  BatchWithJournal,
  ClosureRequest,
  Holder,
  JoinRequest,
  LookRequest,
  PlaceRequest,
  ReadingRequest,
  RebagRequest,
  RecountRequest,
  SplitRequest,
  WeighingRequest,
} from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class BatchApi {
  private readonly transport = inject(Transport);

  readonly addLook = (batchId: string, body: LookRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/looks`, body);
  /** Part of it laid apart: the new batch. */
  readonly split = (batchId: string, body: SplitRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/splits`, body);
  readonly join = (batchId: string, body: JoinRequest) => this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/joins`, body);
  readonly recount = (batchId: string, body: RecountRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/recounts`, body);
  readonly rebag = (batchId: string, body: RebagRequest) => this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/bag`, body);
  readonly setClosure = (holderId: string, body: ClosureRequest) =>
    this.transport.send<Holder>('POST', `holders/${holderId}/closure`, body);
  readonly probe = (holderId: string, body: ReadingRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/probe`, body);
  readonly weigh = (holderId: string, body: WeighingRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/weighings`, body);
  readonly placeHolder = (holderId: string, body: PlaceRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/place`, body);
}
