import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { map, switchMap, tap, type Observable, EMPTY } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BoardParcel } from '@fresh-tuck/contract';
import { listed } from '@fresh-tuck/core/units';
import { Notice } from '../data/household/notice.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Carry, type Chosen } from './carry';
import { ShelfApi } from './shelf.api';

/** Carries a bag with all that lies in it to another board: asked for, stored with its moment, and taken back. */
@Injectable({ providedIn: 'root' })
export class Carrying {
  private readonly api = inject(ShelfApi);
  private readonly dialogs = inject(MatDialog);
  private readonly notice = inject(Notice);

  /** Shows the boards with what each would do, and carries it to the one that is chosen. @param along what stands on the shelf */
  choose(parcel: BoardParcel, along: readonly BoardParcel[]): Observable<unknown> {
    return this.dialogs
      .open<Carry, BoardParcel, Chosen>(Carry, {
        data: parcel,
        width: '640px',
        maxWidth: 'calc(100vw - 24px)',
        autoFocus: 'first-heading',
      })
      .afterClosed()
      .pipe(switchMap((chosen) => (chosen ? this.carry(parcel, along, chosen) : EMPTY)));
  }

  carry({ holderId, holderKind }: BoardParcel, along: readonly BoardParcel[], { spotId, name, at }: Chosen): Observable<unknown> {
    const id = uuid();
    const numbers = along
      .filter((one) => one.holderId === holderId)
      .map(({ number }) => number)
      .sort((a, b) => a - b);
    const who = numbers.length > 1 ? `The ${holderKind} with ${listed(numbers)}` : listed(numbers);
    return this.api.carry(holderId, { id, spotId, at }).pipe(
      map(() => `${who} stands at ${name}.`),
      tap({
        next: (said) =>
          this.notice
            .say(said, 'Undo')
            .onAction()
            .pipe(switchMap(() => this.api.takeBack(holderId, { id: uuid(), recordId: id })))
            .subscribe({ error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close') }),
        error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close'),
      }),
    );
  }
}
