import { inject, Injectable } from '@angular/core';
import type {
  Box,
  ImportUndone,
  Match,
  MatchesQuery,
  PacketChange,
  PacketImport,
  PacketImported,
  PacketName,
  PacketRequest,
  PacketSheet,
  ShelveRequest,
} from '@fresh-tuck/contract';
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
  readonly importPackets = (body: PacketImport) => this.transport.send<{ added: number; changed: number }>('POST', 'packets/imports', body);
  /** The packet that each row of a table is known as. */
  readonly matches = (body: MatchesQuery) => this.transport.send<Match[]>('POST', 'packets/matches', body);
  readonly imports = () => this.transport.get<PacketImported[]>('packets/imports');
  readonly undoImport = (importId: string, body: ShelveRequest) =>
    this.transport.send<ImportUndone>('POST', `packets/imports/${importId}/undos`, body);
  /** Put away: kept in records, offered no more. */
  readonly away = () => this.transport.get<Match[]>('packets/away');
  readonly takeOut = (packetId: string, body: ShelveRequest) => this.transport.send<PacketSheet>('POST', `packets/${packetId}/back`, body);
}
