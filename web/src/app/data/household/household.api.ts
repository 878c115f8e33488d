import { inject, Injectable } from '@angular/core';
import { map } from 'rxjs';
import type {
  About,
  BatchRequest,
  BatchWithJournal,
  Bed,
  CloseRequest,
  CropSheet,
  CropSummary,
  Holder,
  PacketName,
  PacketSheet,
  Round,
  RoundRequest,
  Spot,
  Start,
  TrialInShort,
  UndoRequest,
  WhyPanel,
} from '@fresh-tuck/contract';
import { Transport } from '../transport/transport.service';

/** What several screens ask of the household. */
@Injectable({ providedIn: 'root' })
export class HouseholdApi {
  private readonly transport = inject(Transport);

  readonly about = () => this.transport.get<About>('about');
  readonly crops = () => this.transport.get<CropSummary[]>('crops');
  readonly cropSheet = (id: string) => this.transport.get<CropSheet>(`crops/${id}`);
  readonly crop = (id: string) => this.cropSheet(id).pipe(map(({ crop }) => crop));
  readonly spots = () => this.transport.get<Spot[]>('spots');
  readonly holders = () => this.transport.get<Holder[]>('holders');
  readonly batch = (id: string) => this.transport.get<BatchWithJournal>(`batches/${id}`);
  readonly why = (batchId: string) => this.transport.get<WhyPanel>(`batches/${batchId}/why`);
  /** Packets to choose from, the newest first; a page of them. */
  readonly packets = (find: string) => this.transport.get<PacketName[]>('packets', { find });
  readonly packet = (id: string) => this.transport.get<PacketSheet>(`packets/${id}`);
  /** What a batch of a packet would rest on in every spot, begun at a moment of the household's clock; null is now. */
  readonly start = (packetId: string, at: string | null) =>
    this.transport.get<Start>(`packets/${packetId}/start`, at === null ? {} : { at });
  readonly addBatch = (body: BatchRequest) => this.transport.send<BatchWithJournal>('POST', 'batches', body);
  readonly close = (batchId: string, body: CloseRequest) =>
    this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/closings`, body);
  readonly undo = (batchId: string, body: UndoRequest) => this.transport.send<BatchWithJournal>('POST', `batches/${batchId}/undos`, body);
  readonly startRound = (body: RoundRequest) => this.transport.send<Round | null>('POST', 'rounds', body);
  readonly people = () => this.transport.get<string[]>('people');
  /** Trials of the notebook, the newest first. */
  readonly trials = () => this.transport.get<TrialInShort[]>('trials');
  readonly beds = () => this.transport.get<Bed[]>('beds');
}
