import { inject, Injectable } from '@angular/core';
import type { Box, PacketChange, PacketImport, PacketName, PacketRequest, PacketSheet } from '@fresh-tuck/contract';
import type { Divider } from '@fresh-tuck/contract/choices';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class SeedsApi {
  private readonly transport = inject(Transport);

  readonly box = (find: string) => this.transport.get<Box>('box', { find });
  readonly boxPage = (find: string, divider: Divider, from: number) => this.transport.get<Box>('box', { find, divider, from });
  readonly packetsOf = (crop: string) => this.transport.get<PacketName[]>('packets', { crop });
  readonly addPacket = (body: PacketRequest) => this.transport.send<PacketSheet>('POST', 'packets', body);
  readonly changePacket = (id: string, body: PacketChange) => this.transport.send<PacketSheet>('PUT', `packets/${id}`, body);
  readonly importPackets = (body: PacketImport) => this.transport.send<{ added: number }>('POST', 'packets/imports', body);
}
