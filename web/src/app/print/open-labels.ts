import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { from, map, type Observable, switchMap } from 'rxjs';
import type { LabelsRequest } from '@fresh-tuck/contract';

/** Opens the sheet of labels from wherever something bears one. */
@Injectable({ providedIn: 'root' })
export class Labels {
  private readonly dialogs = inject(MatDialog);

  /** @returns whether they were printed, once */
  open(items: LabelsRequest['items']): Observable<boolean> {
    return from(import('./print-labels')).pipe(
      switchMap(({ PrintLabels }) => this.dialogs.open(PrintLabels, { width: '520px', data: { items } }).afterClosed()),
      map((printed) => printed === true),
    );
  }
}
