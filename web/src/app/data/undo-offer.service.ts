import { inject, Injectable } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { Router } from '@angular/router';
import { switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { Api, type ApiProblem } from './api.service';

/** Says what was saved and offers to take it back, on whatever screen one has come to meanwhile. */
@Injectable({ providedIn: 'root' })
export class UndoOffer {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly snacks = inject(MatSnackBar);

  show(batchId: string, entryId: string, text: string): void {
    this.snacks
      .open(text, 'Undo', { duration: 8000 })
      .onAction()
      .pipe(switchMap(() => this.api.undo(batchId, { id: uuid(), entryId })))
      .subscribe({
        // The parcel is opened again as it was before: what was seen can be said anew.
        next: () => void this.router.navigateByUrl('/', { skipLocationChange: true }).then(() => this.router.navigate(['/open', batchId])),
        error: (problem: ApiProblem) => this.snacks.open(problem.message, 'Close', { duration: 8000 }),
      });
  }
}
