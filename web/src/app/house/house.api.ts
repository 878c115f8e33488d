import { inject, Injectable } from '@angular/core';
import type {
  About,
  Copies,
  Copy,
  CopyRequest,
  HouseholdRequest,
  ReadingRequest,
  Spot,
  SpotOrder,
  SpotRequest,
  WaysRequest,
} from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class HouseApi {
  private readonly transport = inject(Transport);

  readonly saveHousehold = (body: HouseholdRequest) => this.transport.send<About>('PUT', 'household', body);
  readonly saveWays = (body: WaysRequest) => this.transport.send<About>('PUT', 'household/ways', body);
  readonly copies = () => this.transport.get<Copies>('backups');
  readonly makeCopy = (body: CopyRequest) => this.transport.send<Copies>('POST', 'backups', body);
  readonly bringCopy = (file: Blob) => this.transport.send<Copy>('PUT', 'backups/brought', file);
  readonly restoreCopy = (name: string, body: CopyRequest) =>
    this.transport.send<{ id: string }>('POST', `backups/${name}/restorations`, body);
  readonly addSpot = (body: SpotRequest) => this.transport.send<Spot[]>('POST', 'spots', body);
  readonly orderSpots = (body: SpotOrder) => this.transport.send<Spot[]>('PUT', 'spots/order', body);
  readonly addReading = (spotId: string, body: ReadingRequest) => this.transport.send<Spot[]>('POST', `spots/${spotId}/readings`, body);
}
