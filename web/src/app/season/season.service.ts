import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { combineLatest, merge, type Observable, retry, startWith, Subject, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { FrostWordRequest, Season, SeasonActRequest, SeasonLot } from '@fresh-tuck/contract';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { SeasonApi } from './season.api';

/** The season for the screens that show it; and every word about it, with its undo. */
@Injectable()
export class SeasonService {
  private readonly api = inject(SeasonApi);
  private readonly notice = inject(Notice);
  private readonly answered = new Subject<Season>();
  private readonly shown = signal<Season | undefined>(undefined);
  readonly all = this.shown.asReadonly();
  /** The year that is looked at; null for the one that is planned or under way. */
  readonly year = signal<number | null>(null);
  /** What the server refused last, in a sentence. */
  readonly problem = signal<string | null>(null);

  constructor() {
    const { changed$ } = inject(Changes);
    const asked = combineLatest([changed$.pipe(startWith(undefined)), toObservable(this.year)]).pipe(
      switchMap(([, year]) => this.api.season(year).pipe(retry({ delay: 3000 }))),
    );
    merge(asked, this.answered)
      .pipe(takeUntilDestroyed())
      .subscribe((season) => this.shown.set(season));
  }

  /** Says wishes, all as one act. @param text what the line says that was done; @param carries trays that it carries elsewhere */
  say(
    wishes: SeasonActRequest['wishes'],
    text: string,
    done: () => void = () => undefined,
    carries: SeasonActRequest['carries'] = [],
  ): void {
    const id = uuid();
    const year = this.all()?.year ?? new Date().getFullYear();
    this.send(this.api.act({ id, year, wishes, carries }), text, () => this.api.undoAct({ id: uuid(), actId: id }), done);
  }

  /** Changes some of what a wish says, and leaves the rest. */
  change({ wishId, words }: Pick<SeasonLot, 'wishId' | 'words'>, change: Partial<SeasonLot['words']>, text: string): void {
    this.say([{ wishId, words: { ...words, ...change } }], text);
  }

  /** Sows a wish again and again for an even harvest. */
  again(wishId: string, everyDays: number, times: number): void {
    const id = uuid();
    const year = this.all()?.year ?? new Date().getFullYear();
    this.send(this.api.again(wishId, { id, year, everyDays, times }), `${times} lots, each ${everyDays} days after the one before.`, () =>
      this.api.undoAct({ id: uuid(), actId: id }),
    );
  }

  remove({ wishId, title }: Pick<SeasonLot, 'wishId' | 'title'>, done: () => void = () => undefined): void {
    this.say([{ wishId, words: null }], `${title} is off the list.`, done);
  }

  frost(word: Omit<FrostWordRequest, 'id'>, done: () => void = () => undefined): void {
    const id = uuid();
    this.send(
      this.api.frost({ id, ...word }),
      'Frost is counted so from now on.',
      () => this.api.takeBack({ id: uuid(), recordId: id }),
      done,
    );
  }

  room(spotId: string, cells: number | null): void {
    const id = uuid();
    const text = cells === null ? 'As much stands there as you like.' : `Room for ${cells} cells.`;
    this.send(this.api.room({ id, spotId, cells }), text, () => this.api.takeBack({ id: uuid(), recordId: id }));
  }

  private send(act: Observable<Season>, text: string, undo: () => Observable<Season>, done: () => void = () => undefined): void {
    act.subscribe({
      next: (season) => {
        this.problem.set(null);
        this.answered.next(season);
        done();
        this.notice
          .say(text, 'Undo')
          .onAction()
          .pipe(switchMap(undo))
          .subscribe({
            next: (before) => this.answered.next(before),
            error: ({ message }: ApiProblem) => this.notice.say(message, 'Close'),
          });
      },
      error: ({ message }: ApiProblem) => this.problem.set(message),
    });
  }
}
