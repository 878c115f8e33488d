import { inject, Injectable } from '@angular/core';
import type { RemovalRequest, SittingName, Today } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class TodayApi {
  private readonly transport = inject(Transport);

  readonly today = () => this.transport.get<Today>('today');
  readonly sittings = () => this.transport.get<SittingName[]>('sittings');
  readonly shown = (body: RemovalRequest) => this.transport.send<{ id: string }>('POST', 'today/shown', body);
}
