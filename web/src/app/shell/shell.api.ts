import { inject, Injectable } from '@angular/core';
import type { About, ClockRequest } from '@fresh-tuck/contract';
import { Transport } from '../data/transport/transport.service';

/** What this screen asks of the server. */
@Injectable({ providedIn: 'root' })
export class ShellApi {
  private readonly transport = inject(Transport);

  readonly settleClock = (body: ClockRequest) => this.transport.send<About>('POST', 'clock/settlements', body);
  readonly stepDemo = () => this.transport.send<{ nowMs: number }>('POST', 'demo/step', {});
  readonly resetDemo = () => this.transport.send<{ nowMs: number }>('POST', 'demo/reset', {});
}
