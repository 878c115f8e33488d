import { inject, Injectable } from '@angular/core';
import type { Kin, MuddleRequest, PacketIdea, PacketSheet, PastSeasons, Rack, RackRequest } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class TuckApi {
  private readonly transport = inject(Transport);

  /** What could be started now, and why. */
  readonly ideas = () => this.transport.get<PacketIdea[]>('packets/ideas');
  readonly kin = (packetId: string) => this.transport.get<Kin[]>(`packets/${packetId}/kin`);
  readonly seasons = (cropId: string) => this.transport.get<PastSeasons>(`crops/${cropId}/seasons`);
  readonly muddle = (body: MuddleRequest) => this.transport.send<PacketSheet>('POST', 'packets/muddles', body);
  readonly racks = () => this.transport.get<Rack[]>('racks');
  readonly addRack = (body: RackRequest) => this.transport.send<Rack[]>('POST', 'racks', body);
}
