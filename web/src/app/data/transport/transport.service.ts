import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { catchError, throwError, type Observable } from 'rxjs';
import type { Problem } from '@fresh-tuck/contract';
import { toldToPeople } from '@fresh-tuck/contract/told';
import type { UnitSystem } from '@fresh-tuck/core/units';

/** A refusal of the server in people's words, with the fields it names. */
export class ApiProblem extends Error {
  constructor(
    message: string,
    readonly status: number,
    private readonly fields: ReadonlyMap<string, string>,
  ) {
    super(message);
  }

  /** What is wrong with a field, or null. */
  at(field: string): string | null {
    return this.fields.get(field) ?? null;
  }
}

export function problemFrom(error: unknown, units: UnitSystem = 'metric'): ApiProblem {
  if (error instanceof HttpErrorResponse) {
    const problem = error.error as Partial<Problem> | null;
    if (error.status === 0)
      return new ApiProblem('The server does not answer. Nothing was saved; try again when it is back.', 0, new Map());
    const fields = new Map((problem?.errors ?? []).map(({ field, message }) => [field, toldToPeople(message, units)]));
    return new ApiProblem(toldToPeople(problem?.detail ?? 'The server could not do that.', units), error.status, fields);
  }
  return new ApiProblem('Something went wrong here.', 0, new Map());
}

/** The way to the server and back; what a screen asks stands beside the screen. */
@Injectable({ providedIn: 'root' })
export class Transport {
  private readonly http = inject(HttpClient);
  /** In which refusals are told; the household says it as soon as it is known. */
  readonly units = signal<UnitSystem>('metric');

  get<T>(path: string, params: Record<string, string | number> = {}): Observable<T> {
    return this.http
      .get<T>(`/api/${path}`, { params })
      .pipe(catchError((error: unknown) => throwError(() => problemFrom(error, this.units()))));
  }

  send<T>(method: 'POST' | 'PUT', path: string, body: object): Observable<T> {
    return this.http
      .request<T>(method, `/api/${path}`, { body })
      .pipe(catchError((error: unknown) => throwError(() => problemFrom(error, this.units()))));
  }
}
