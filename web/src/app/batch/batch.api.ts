import { inject, Injectable } from '@angular/core';
import type {
  BatchWithJournal,
  ClosureRequest,
  Holder,
  LookRequest,
  PlaceRequest,
  ReadingRequest,
  RebagRequest,
  RecountRequest,
  WeighingRequest,
} from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class BatchApi {
  private readonly transport = inject(Transport);

  readonly addLook = (batchId: string, body: LookRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/looks`, body);
  readonly recount = (batchId: string, body: RecountRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/recounts`, body);
  readonly rebag = (batchId: string, body: RebagRequest) => this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/bag`, body);
  readonly setClosure = (holderId: string, body: ClosureRequest) =>
    this.transport.send<Holder>('POST', `holders/${holderId}/closure`, body);
  readonly probe = (holderId: string, body: ReadingRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/probe`, body);
  readonly weigh = (holderId: string, body: WeighingRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/weighings`, body);
  readonly placeHolder = (holderId: string, body: PlaceRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/place`, body);
}
