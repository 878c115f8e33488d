import { inject, Injectable } from '@angular/core';
import type { Elsewhere, Holder, PlaceRequest, ShelfView, Spot, TakeBackRequest } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class ShelfApi {
  private readonly transport = inject(Transport);

  readonly shelf = () => this.transport.get<ShelfView>('shelf');
  readonly elsewhere = (holderId: string) => this.transport.get<Elsewhere>(`holders/${holderId}/elsewhere`);
  readonly carry = (holderId: string, body: PlaceRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/place`, body);
  readonly takeBack = (holderId: string, body: TakeBackRequest) => this.transport.send<Holder>('POST', `holders/${holderId}/undos`, body);
  readonly order = (body: { id: string; spotIds: string[] }) => this.transport.send<Spot[]>('PUT', 'spots/order', body);
}
