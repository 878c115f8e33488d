import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { catchError, from, map, type Observable, switchMap, throwError } from 'rxjs';
import type { LabelsRequest, Paper, PaperRequest, TemplateRequest } from '@fresh-tuck/contract';
import { problemFrom, Transport } from '../data/transport/transport.service';

/** Sheets of paper, drawn by the server. */
@Injectable({ providedIn: 'root' })
export class PrintApi {
  private readonly http = inject(HttpClient);
  private readonly transport = inject(Transport);

  readonly paper = () => this.transport.get<Paper>('print/paper');
  readonly savePaper = (body: PaperRequest) => this.transport.send<Paper>('PUT', 'print/paper', body);
  readonly labels = (body: LabelsRequest) => this.sheet('labels', body);
  readonly template = (body: TemplateRequest) => this.sheet('template', body);
  readonly round = (body: { batchIds: readonly string[] | null }) => this.sheet('round', body);

  /** A PDF, or why there is none: a refusal comes as a file here, and is read as one. */
  private sheet(what: string, body: object): Observable<Blob> {
    return this.http.post(`/api/print/${what}`, body, { responseType: 'blob' }).pipe(
      catchError((error: unknown) => {
        const units = this.transport.units();
        if (!(error instanceof HttpErrorResponse) || !(error.error instanceof Blob)) return throwError(() => problemFrom(error, units));
        return from(error.error.text()).pipe(
          map((text) => new HttpErrorResponse({ status: error.status, error: parsed(text) })),
          switchMap((read) => throwError(() => problemFrom(read, units))),
        );
      }),
    );
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Hands a file over as a download: the browser shows or keeps it. */
export function handOver(file: Blob, name: string): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has its own hold on it by then.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
