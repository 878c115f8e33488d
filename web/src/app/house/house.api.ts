import { inject, Injectable } from '@angular/core';
import type {
  About,
  Bed,
  BedChange,
  BedRequest,
  Copies,
  Copy,
  CopyRequest,
  HouseholdRequest,
  NursingRequest,
  Rack,
  RackChange,
  RackRequest,
  Reading,
  ReadingRequest,
  ShelveRequest,
  Spot,
  SpotChange,
  SpotOrder,
  SpotRequest,
  TakeBackRequest,
  WaysRequest,
} from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** An address at which a calendar asks. */
export interface Feed {
  readonly id: string;
  readonly name: string;
  readonly madeMs: number;
}

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class HouseApi {
  private readonly transport = inject(Transport);

  readonly saveHousehold = (body: HouseholdRequest) => this.transport.send<About>('PUT', 'household', body);
  readonly saveWays = (body: WaysRequest) => this.transport.send<About>('PUT', 'household/ways', body);
  readonly saveNursing = (body: NursingRequest) => this.transport.send<About>('PUT', 'household/nursing', body);
  readonly copies = () => this.transport.get<Copies>('backups');
  readonly makeCopy = (body: CopyRequest) => this.transport.send<Copies>('POST', 'backups', body);
  readonly bringCopy = (file: Blob) => this.transport.send<Copy>('PUT', 'backups/brought', file);
  readonly restoreCopy = (name: string, body: CopyRequest) =>
    this.transport.send<{ id: string }>('POST', `backups/${name}/restorations`, body);
  readonly addSpot = (body: SpotRequest) => this.transport.send<Spot[]>('POST', 'spots', body);
  readonly changeSpot = (spotId: string, body: SpotChange) => this.transport.send<Spot[]>('PUT', `spots/${spotId}`, body);
  readonly spotsAway = () => this.transport.get<Spot[]>('spots/away');
  readonly readings = (spotId: string) => this.transport.get<Reading[]>(`spots/${spotId}/readings`);
  readonly undoReading = (spotId: string, body: TakeBackRequest) => this.transport.send<Spot[]>('POST', `spots/${spotId}/undos`, body);
  readonly beds = () => this.transport.get<Bed[]>('beds');
  readonly bedsAway = () => this.transport.get<Bed[]>('beds/away');
  readonly addBed = (body: BedRequest) => this.transport.send<Bed[]>('POST', 'beds', body);
  readonly changeBed = (bedId: string, body: BedChange) => this.transport.send<Bed[]>('PUT', `beds/${bedId}`, body);
  readonly racks = () => this.transport.get<Rack[]>('racks');
  readonly racksAway = () => this.transport.get<Rack[]>('racks/away');
  readonly addRack = (body: RackRequest) => this.transport.send<Rack[]>('POST', 'racks', body);
  readonly changeRack = (rackId: string, body: RackChange) => this.transport.send<Rack[]>('PUT', `racks/${rackId}`, body);
  /** Put away, taken out again, or removed where nothing hangs on it. */
  readonly shelve = (what: 'beds' | 'racks' | 'spots', id: string, how: 'away' | 'back' | 'removals', body: ShelveRequest) =>
    this.transport.send<unknown>('POST', `${what}/${id}/${how}`, body);
  readonly feeds = () => this.transport.get<Feed[]>('calendar/feeds');
  readonly addFeed = (body: { id: string; name: string }) =>
    this.transport.send<{ id: string; path: string }>('POST', 'calendar/feeds', body);
  readonly withdrawFeed = (feedId: string, body: { id: string }) =>
    this.transport.send<Feed[]>('POST', `calendar/feeds/${feedId}/withdrawals`, body);
  readonly orderSpots = (body: SpotOrder) => this.transport.send<Spot[]>('PUT', 'spots/order', body);
  readonly addReading = (spotId: string, body: ReadingRequest) => this.transport.send<Spot[]>('POST', `spots/${spotId}/readings`, body);
}
