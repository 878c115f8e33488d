import { inject, Injectable } from '@angular/core';
import type { CropFiguresRequest, CropRequest, CropSheet, RemovalRequest } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class CropApi {
  private readonly transport = inject(Transport);

  readonly addCrop = (body: CropRequest) => this.transport.send<CropSheet>('POST', 'crops', body);
  readonly setFigures = (id: string, body: CropFiguresRequest) => this.transport.send<CropSheet>('PUT', `crops/${id}/figures`, body);
  readonly removeCrop = (id: string, body: RemovalRequest) => this.transport.send<{ id: string }>('POST', `crops/${id}/removals`, body);
}
