import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { firstValueFrom } from 'rxjs';
import { type ApiProblem, problemFrom, Transport } from './transport.service';
import { Changes } from './changes.service';

/** Something tapped that the server must get, once. */
export interface Outgoing {
  /** Of the request itself: the server knows it again. */
  readonly id: string;
  readonly method: 'POST' | 'PUT';
  readonly path: string;
  readonly body: object | Blob;
  /** In words, for the line that says what waits: "the look at 12". */
  readonly what: string;
}

interface Kept extends Outgoing {
  /** Of this browser's clock, when it was tapped. */
  readonly tappedMs: number;
  /** Why the server would not have it; null while it only waits. */
  readonly refused: string | null;
}

interface Box extends DBSchema {
  outgoing: { key: string; value: Kept };
}

export type Sent<T> = { readonly kind: 'sent'; readonly reply: T } | { readonly kind: 'waiting' };

const RETRY_MS = 4000;

/** What must arrive in the order in which it was tapped: "batches/<id>". */
const orderOf = (path: string): string => path.split('/').slice(0, 2).join('/');

/** No server, or one that is just starting: worth another try. */
const mayPass = (status: number): boolean => status === 0 || status === 429 || status >= 500;

/**
 * What was tapped and not yet answered. Each is written into the browser's own
 * database before it is sent, and taken out when the server has answered; so it
 * outlives a lost answer, a dead network, a closed tab and a killed server. Ids
 * are made here, so that sending again never doubles anything.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly http = inject(HttpClient);
  private readonly transport = inject(Transport);
  private readonly box: Promise<IDBPDatabase<Box> | null>;
  private readonly kept = signal<readonly Kept[]>([]);
  private sending = false;
  private readonly turns = new Map<string, Promise<unknown>>();

  readonly waiting = computed(() => this.kept().filter(({ refused }) => refused === null));
  readonly refused = computed(() => this.kept().filter(({ refused }) => refused !== null));
  /** Paths with something on its way: what the server says of them is old. */
  readonly pending = computed(() => new Set(this.waiting().map(({ path }) => path)));

  constructor() {
    // A browser that keeps nothing (a private window) still sends; it only cannot wait over a reload.
    this.box = openDB<Box>('fresh-tuck', 1, { upgrade: (db) => void db.createObjectStore('outgoing', { keyPath: 'id' }) }).catch(
      () => null,
    );
    void this.load();
    inject(Changes).reached$.subscribe(() => void this.flush());
    addEventListener('online', () => void this.flush());
    setInterval(() => this.waiting().length > 0 && void this.flush(), RETRY_MS);
  }

  /**
   * Sends what was tapped.
   *
   * @returns the server's reply, or that it waits in this browser
   * @throws ApiProblem where the server refuses it; it is kept no longer then
   */
  async send<T>(outgoing: Outgoing): Promise<Sent<T>> {
    const kept: Kept = { ...outgoing, tappedMs: Date.now(), refused: null };
    await (await this.box)?.put('outgoing', kept);
    return this.inTurn(kept.path, () => this.attempt<T>(kept));
  }

  /** One after another for the same batch: a move never arrives before the look that found its sprouts. */
  private inTurn<T>(path: string, act: () => Promise<T>): Promise<T> {
    const before = this.turns.get(orderOf(path)) ?? Promise.resolve();
    const turn = before.then(act, act);
    this.turns.set(orderOf(path), turn);
    return turn;
  }

  private async attempt<T>(kept: Kept): Promise<Sent<T>> {
    const earlier = (): boolean =>
      this.waiting().some(({ path, tappedMs }) => orderOf(path) === orderOf(kept.path) && tappedMs <= kept.tappedMs);
    if (earlier()) await this.flush();
    // What was tapped before it still waits: so does this.
    if (earlier()) {
      this.kept.update((all) => [...all.filter(({ id }) => id !== kept.id), kept]);
      return { kind: 'waiting' };
    }
    try {
      const reply = await this.post<T>(kept);
      await this.forget(kept.id);
      return { kind: 'sent', reply };
    } catch (error) {
      const problem = error as ApiProblem;
      if (!mayPass(problem.status)) {
        await this.forget(kept.id);
        throw problem;
      }
      this.kept.update((all) => [...all.filter(({ id }) => id !== kept.id), kept]);
      return { kind: 'waiting' };
    }
  }

  /** Puts something aside that the server will not have. */
  async forget(id: string): Promise<void> {
    await (await this.box)?.delete('outgoing', id);
    this.kept.update((all) => all.filter((one) => one.id !== id));
  }

  /** Sends what waits, each batch in the order in which it was tapped. */
  private async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    const held = new Set<string>();
    try {
      for (const one of this.waiting()) {
        if (held.has(orderOf(one.path))) continue;
        try {
          await this.post(one);
          await this.forget(one.id);
        } catch (error) {
          const problem = error as ApiProblem;
          // No server at all, or trouble with one batch: then only what belongs to it waits on.
          if (problem.status === 0) return;
          if (mayPass(problem.status)) {
            held.add(orderOf(one.path));
            continue;
          }
          const refused = { ...one, refused: problem.message };
          await (await this.box)?.put('outgoing', refused);
          this.kept.update((all) => all.map((other) => (other.id === one.id ? refused : other)));
        }
      }
    } finally {
      this.sending = false;
    }
  }

  private async load(): Promise<void> {
    const found = (await (await this.box)?.getAll('outgoing')) ?? [];
    const known = new Set(this.kept().map(({ id }) => id));
    this.kept.update((all) => [...found.filter(({ id }) => !known.has(id)), ...all].sort((a, b) => a.tappedMs - b.tappedMs));
    await this.flush();
  }

  private async post<T>({ method, path, body, tappedMs }: Kept): Promise<T> {
    const headers: Record<string, string> = { 'Fresh-Tuck-Waited': String(Math.max(Date.now() - tappedMs, 0)) };
    if (body instanceof Blob) headers['Content-Type'] = body.type;
    try {
      return await firstValueFrom(this.http.request<T>(method, `/api/${path}`, { body, headers }));
    } catch (error) {
      throw error instanceof HttpErrorResponse ? problemFrom(error, this.transport.units()) : error;
    }
  }
}
