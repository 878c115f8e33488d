import { inject, Injectable } from '@angular/core';
import type { PacketCountRequest, PacketSheet, ShelveRequest, TakeBackRequest } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class PacketApi {
  private readonly transport = inject(Transport);

  readonly undoCount = (id: string, body: TakeBackRequest) => this.transport.send<PacketSheet>('POST', `packets/${id}/undos`, body);
  readonly shelve = (id: string, how: 'away' | 'back' | 'removals', body: ShelveRequest) =>
    this.transport.send<unknown>('POST', `packets/${id}/${how}`, body);
  readonly countPacket = (id: string, body: PacketCountRequest) => this.transport.send<PacketSheet>('POST', `packets/${id}/counts`, body);
}
