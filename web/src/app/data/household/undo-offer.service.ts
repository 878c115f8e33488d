import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { Notice } from './notice.service';
import { type ApiProblem } from '../transport/transport.service';
import { Outbox } from '../transport/outbox.service';
import { HouseholdApi } from './household.api';

/** Says what was saved and offers to take it back, on whatever screen one has come to meanwhile. */
@Injectable({ providedIn: 'root' })
export class UndoOffer {
  private readonly outbox = inject(Outbox);
  private readonly api = inject(HouseholdApi);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);

  /** Says that something waits in this browser, and offers to take it back before it is ever sent. */
  waiting(id: string, text: string): void {
    this.notice
      .say(text, 'Take it back')
      .onAction()
      .subscribe(() => void this.outbox.forget(id));
  }

  show(batchId: string, entryId: string, text: string): void {
    this.notice
      .say(text, 'Undo')
      .onAction()
      .pipe(switchMap(() => this.api.undo(batchId, { id: uuid(), entryId })))
      .subscribe({
        // The parcel is opened again as it was before: what was seen can be said anew.
        next: () => void this.router.navigateByUrl('/', { skipLocationChange: true }).then(() => this.router.navigate(['/open', batchId])),
        error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close'),
      });
  }
}
