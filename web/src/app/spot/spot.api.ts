import { inject, Injectable } from '@angular/core';
import type {
  OccurrenceRequest,
  Reading,
  ReadingRequest,
  SetupRequest,
  Spot,
  SpotSheet,
  TakeBackRequest,
  WhatIf,
  WhatIfRequest,
} from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

type Named = { readonly id: string; readonly name: string };

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class SpotApi {
  private readonly transport = inject(Transport);

  readonly sheet = (id: string) => this.transport.get<SpotSheet>(`spots/${id}/sheet`);
  readonly readings = (id: string) => this.transport.get<Reading[]>(`spots/${id}/readings`);
  readonly whatIf = (id: string, body: WhatIfRequest) => this.transport.send<WhatIf>('POST', `spots/${id}/what-if`, body);
  readonly setUp = (id: string, body: SetupRequest) => this.transport.send<SpotSheet>('POST', `spots/${id}/setup`, body);
  readonly event = (id: string, body: OccurrenceRequest) => this.transport.send<SpotSheet>('POST', `spots/${id}/events`, body);
  readonly read = (id: string, body: ReadingRequest) => this.transport.send<Spot[]>('POST', `spots/${id}/readings`, body);
  readonly takeBack = (id: string, body: TakeBackRequest) => this.transport.send<Spot[]>('POST', `spots/${id}/undos`, body);
  readonly begin = (id: string, body: Named & { readonly lines: number; readonly hours: number }) =>
    this.transport.send<{ id: string }>('POST', `spots/${id}/imports`, body);
  readonly part = (
    id: string,
    importId: string,
    body: { readonly id: string; readonly hours: readonly (readonly [number, number, number])[] },
  ) => this.transport.send<{ known: number }>('POST', `spots/${id}/imports/${importId}/parts`, body);
  readonly finish = (id: string, importId: string, body: { readonly id: string }) =>
    this.transport.send<SpotSheet>('POST', `spots/${id}/imports/${importId}/end`, body);
  readonly addProbe = (id: string, body: Named) => this.transport.send<{ id: string; token: string }>('POST', `spots/${id}/probes`, body);
  readonly withdraw = (id: string, probeId: string, body: { readonly id: string }) =>
    this.transport.send<SpotSheet>('POST', `spots/${id}/probes/${probeId}/withdrawals`, body);
}
