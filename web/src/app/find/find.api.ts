import { inject, Injectable } from '@angular/core';
import type { Found } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class FindApi {
  private readonly transport = inject(Transport);

  readonly find = (words: string) => this.transport.get<Found[]>('find', { words });
}
