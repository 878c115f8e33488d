import { inject, Injectable } from '@angular/core';
import type {
  About,
  AbsenceRequest,
  AwayView,
  ClosureRequest,
  Holder,
  LookRequest,
  PlaceRequest,
  RemovalRequest,
  SeasonDue,
  Sitting,
  SittingDay,
  SittingName,
  TakeBackRequest,
  Today,
} from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class TodayApi {
  private readonly transport = inject(Transport);

  readonly today = () => this.transport.get<Today>('today');
  readonly seasonDue = () => this.transport.get<SeasonDue>('season/due');
  readonly sittings = () => this.transport.get<SittingName[]>('sittings');
  readonly beginOn = (sittingId: string, body: SittingDay) => this.transport.send<Sitting>('PUT', `sittings/${sittingId}/day`, body);
  /** What an absence would do, and the remedies. */
  readonly away = (leaving: string, back: string) => this.transport.get<AwayView>('household/away', { leaving, back });
  readonly planAway = (body: AbsenceRequest) => this.transport.send<About>('POST', 'household/absences', body);
  readonly undoAway = (body: TakeBackRequest) => this.transport.send<About>('POST', 'household/absences/undos', body);
  readonly carry = (holderId: string, body: PlaceRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/place`, body);
  readonly undoBag = (holderId: string, body: TakeBackRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/undos`, body);
  readonly close = (holderId: string, body: ClosureRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/closure`, body);
  readonly look = (batchId: string, body: LookRequest) => this.transport.send<unknown>('POST', `batches/${batchId}/looks`, body);
  readonly shown = (body: RemovalRequest) => this.transport.send<{ id: string }>('POST', 'today/shown', body);
}
