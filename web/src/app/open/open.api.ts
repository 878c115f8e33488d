import { inject, Injectable } from '@angular/core';
import type { Bed, BedChange, BedRequest, DemoParcel, SoilRequest } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class OpenApi {
  private readonly transport = inject(Transport);

  readonly demoParcel = (id: string) => this.transport.get<DemoParcel>(`demo/parcels/${id}`);
  readonly addBed = (body: BedRequest) => this.transport.send<Bed[]>('POST', 'beds', body);
  readonly changeBed = (bedId: string, body: BedChange) => this.transport.send<Bed[]>('PUT', `beds/${bedId}`, body);
  readonly addSoil = (bedId: string, body: SoilRequest) => this.transport.send<Bed[]>('POST', `beds/${bedId}/soil`, body);
}
