import { inject, Injectable } from '@angular/core';
import { catchError, of, shareReplay } from 'rxjs';
import { HouseholdApi } from './household.api';

/** Who has looked before, for "who looked". */
@Injectable({ providedIn: 'root' })
export class PeopleService {
  readonly names$ = inject(HouseholdApi)
    .people()
    .pipe(
      catchError(() => of([])),
      shareReplay({ bufferSize: 1, refCount: true }),
    );
}
