import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { merge, retry, startWith, Subject, switchMap, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { CareWord, Nursery, NurseryTask, SeedlingWord, WeatherRequest } from '@fresh-tuck/contract';
import type { SeedlingStage } from '@fresh-tuck/core/nursing';
import { SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { NurseryApi } from './nursery.api';

/** What stands in the nursery, for the screens that show it; and every act on it, with its undo. */
@Injectable()
export class NurseryService {
  private readonly api = inject(NurseryApi);
  private readonly notice = inject(Notice);
  private readonly answered = new Subject<Nursery>();
  private readonly shown = signal<Nursery | undefined>(undefined);
  readonly all = this.shown.asReadonly();
  /** When what is marked was seen; null is now. */
  readonly at = signal<string | null>(null);

  constructor() {
    const { changed$ } = inject(Changes);
    const asked = changed$.pipe(
      startWith(undefined),
      switchMap(() => this.api.nursery().pipe(retry({ delay: 3000 }))),
    );
    // What an act answers is shown before the stream says that something changed.
    merge(asked, this.answered)
      .pipe(takeUntilDestroyed())
      .subscribe((nursery) => this.shown.set(nursery));
  }

  /** Says a stage of seedlings. */
  stage(numbers: readonly number[], stage: SeedlingStage): void {
    this.say(numbers, { kind: 'stage', stage }, SEEDLING_WORDS[stage].title.toLowerCase());
  }

  /** Says anything of seedlings. @param text what the line says that it was */
  say(numbers: readonly number[], said: SeedlingWord, text: string): void {
    const id = uuid();
    const who = numbers.length === 1 ? `${numbers[0]}` : `${numbers.length} of them`;
    this.done(this.api.act({ id, numbers: [...numbers], said, at: this.at() }), `${who}: ${text}.`, () =>
      this.api.undoAct({ id: uuid(), actId: id }),
    );
  }

  /** Puts seedlings into slots of a rack. */
  slot(rackId: string, into: readonly { readonly number: number; readonly slot: number }[]): void {
    const slots = into.map(({ slot }) => slot);
    const numbers = into.map(({ number }) => number);
    this.say(numbers, { kind: 'slotted', rackId, slots }, slots.length === 1 ? `in slot ${slots[0]}` : `in slots ${slots.join(', ')}`);
  }

  /** Does something for trays. */
  care(trayIds: readonly string[], done: CareWord, text: string): void {
    const id = uuid();
    this.done(this.api.care({ id, trayIds: [...trayIds], done, at: this.at() }), `${text}.`, () =>
      this.api.undoCare({ id: uuid(), recordId: id }),
    );
  }

  /** What a task's button does. */
  settle({ kind, trayIds, numbers, batchId, done, says, act }: NurseryTask): void {
    if (says !== null) this.say(numbers, says, (act ?? 'done').replace(/^\d+ /, '').toLowerCase());
    else if (kind === 'take_in' && batchId !== null) this.stay(batchId);
    else if (trayIds.length > 0 && done !== null) this.care(trayIds, done, act ?? 'Done');
  }
  /** Whether one touch does what a task asks for. */
  settles = ({ kind, done, says, act }: NurseryTask): boolean => act !== null && (done !== null || says !== null || kind === 'take_in');

  /** What came up where it was sown stays there, each with its label. */
  private stay(batchId: string): void {
    const id = uuid();
    this.done(this.api.stay({ id, batchId, at: this.at() }), 'They have their labels, and stand here.', () =>
      this.api.undoMove(batchId, { id: uuid(), entryId: id }).pipe(switchMap(() => this.api.nursery())),
    );
  }

  /** A finger was in it: it is damp still. */
  feltInstead({ trayIds, instead }: NurseryTask): void {
    if (trayIds.length > 0 && instead !== null) this.care(trayIds, instead, 'Damp still: asked again later');
  }

  /** Tells the weather ahead. */
  weather(spans: WeatherRequest['spans']): void {
    const id = uuid();
    this.done(
      this.api.weather({ id, spans }),
      `Weather of ${spans.length === 1 ? 'one stretch' : `${spans.length} days or hours`} noted.`,
      () => this.api.undoWeather({ id: uuid(), recordId: id }),
    );
  }

  private done(asked: Observable<Nursery>, text: string, undo: () => Observable<Nursery>): void {
    asked.subscribe({
      next: (nursery) => {
        this.answered.next(nursery);
        this.notice
          .say(text, 'Undo')
          .onAction()
          .pipe(switchMap(() => undo()))
          .subscribe({ next: (back) => this.answered.next(back), ...this.complain });
      },
      ...this.complain,
    });
  }
  private readonly complain = { error: (problem: ApiProblem) => void this.notice.say(problem.message, 'Close') };
}
