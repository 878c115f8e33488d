import { inject, Injectable } from '@angular/core';
import type {
  FrostRecordRequest,
  FrostWordRequest,
  RoomRequest,
  Season,
  SeasonActRequest,
  SeasonChain,
  SeasonFit,
  SeasonSources,
  SeasonTakeBackRequest,
  SeasonUndoRequest,
  SuccessionRequest,
} from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What the Season asks of the server. */
@Injectable({ providedIn: 'root' })
export class SeasonApi {
  private readonly transport = inject(Transport);

  readonly season = (year: number | null) => this.transport.get<Season>('season', year === null ? {} : { year });
  readonly chain = (wishId: string, year: number | null) =>
    this.transport.get<SeasonChain>(`season/wishes/${wishId}`, year === null ? {} : { year });
  readonly sources = (year: number | null) => this.transport.get<SeasonSources>('season/sources', year === null ? {} : { year });
  readonly again = (wishId: string, body: SuccessionRequest) =>
    this.transport.send<Season>('POST', `season/wishes/${wishId}/successions`, body);
  readonly fit = (year: number | null) => this.transport.get<SeasonFit>('season/fit', year === null ? {} : { year });
  readonly act = (body: SeasonActRequest) => this.transport.send<Season>('POST', 'season/acts', body);
  readonly undoAct = (body: SeasonUndoRequest) => this.transport.send<Season>('POST', 'season/acts/undos', body);
  readonly record = (body: FrostRecordRequest) => this.transport.send<{ id: string }>('POST', 'season/frost/records', body);
  readonly frost = (body: FrostWordRequest) => this.transport.send<Season>('POST', 'season/frost', body);
  readonly room = (body: RoomRequest) => this.transport.send<Season>('POST', 'season/rooms', body);
  readonly takeBack = (body: SeasonTakeBackRequest) => this.transport.send<Season>('POST', 'season/undos', body);
}
