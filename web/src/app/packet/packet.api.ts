import { inject, Injectable } from '@angular/core';
import type { PacketCountRequest, PacketSheet } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class PacketApi {
  private readonly transport = inject(Transport);

  readonly countPacket = (id: string, body: PacketCountRequest) => this.transport.send<PacketSheet>('POST', `packets/${id}/counts`, body);
}
