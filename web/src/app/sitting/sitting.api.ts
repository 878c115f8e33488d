import { inject, Injectable } from '@angular/core';
import type { Sitting, SittingChange, SittingName, SittingRequest } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What the screens of a sitting ask of the server. */
@Injectable({ providedIn: 'root' })
export class SittingApi {
  private readonly transport = inject(Transport);

  readonly names = () => this.transport.get<SittingName[]>('sittings');
  readonly sitting = (id: string) => this.transport.get<Sitting>(`sittings/${id}`);
  readonly add = (body: SittingRequest) => this.transport.send<Sitting>('POST', 'sittings', body);
  readonly change = (id: string, body: SittingChange) => this.transport.send<Sitting>('PUT', `sittings/${id}`, body);
  readonly skip = (id: string, lineId: string, body: { id: string; skipped: boolean }) =>
    this.transport.send<Sitting>('POST', `sittings/${id}/lines/${lineId}/skips`, body);
  readonly end = (id: string, body: { id: string }) => this.transport.send<Sitting>('POST', `sittings/${id}/ends`, body);
}
