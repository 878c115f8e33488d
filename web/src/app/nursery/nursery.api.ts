import { inject, Injectable } from '@angular/core';
import type { Nursery, Seedling, SeedlingRequest, UndoRequest } from '@fresh-tuck/contract';
import type { NurseryGroup } from '@fresh-tuck/contract/choices';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class NurseryApi {
  private readonly transport = inject(Transport);

  readonly nursery = () => this.transport.get<Nursery>('nursery');
  readonly nurseryPage = (group: NurseryGroup, from: number) => this.transport.get<Nursery>('nursery', { group, from });
  readonly addSeedlingEvent = (number: number, body: SeedlingRequest) =>
    this.transport.send<Seedling>('POST', `nursery/${number}/events`, body);
  readonly undoSeedling = (number: number, body: UndoRequest) => this.transport.send<Seedling>('POST', `nursery/${number}/undos`, body);
}
