import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { catchError, combineLatest, distinctUntilChanged, EMPTY, filter, map, of, startWith, switchMap } from 'rxjs';
import type { Trial } from '@fresh-tuck/contract';
import { QUESTION_WORDS } from '@fresh-tuck/core/words';
import { capital } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { StoryLinks } from '../print/story-links';
import { CameCurves } from './came-curves';
import { Dimples } from './dimples';
import { HowSure } from './how-sure';
import { IndexTable } from '../kit/index-table';
import { NotebookApi } from './notebook.api';
import { Scale } from './scale';
import { TONES } from './tones';
import { TrialBegun } from './trial-begun';
import type { TrialQuestion } from './trial.messages';
import { TrialWork } from './trial.service';

/** Seeds drawn for "by chance", of a hundred. */
const HUNDRED = Array.from({ length: 100 }, (_, nth) => nth);

/** One trial: what it came to, whether it is fair, how sure it is. */
@Component({
  selector: 'ft-trial',
  imports: [CameCurves, Dimples, HowSure, IndexTable, MatButton, RouterLink, Scale, StoryLinks, TrialBegun],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './trial.html',
  styleUrl: './trial.scss',
})
export class TrialScreen {
  private readonly api = inject(NotebookApi);
  private readonly work = inject(TrialWork);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  readonly trialId = input.required<string>();

  protected readonly tones = TONES;
  protected readonly hundred = HUNDRED;
  protected readonly problem = signal<string | null>(null);
  protected readonly gone = signal<string | null>(null);
  private readonly changes = inject(Changes);
  protected readonly trial = toSignal(
    toObservable(this.trialId).pipe(
      switchMap((id) =>
        this.changes.keep(() =>
          this.api.trial(id).pipe(
            catchError(({ message }: ApiProblem) => {
              this.gone.set(message);
              return EMPTY;
            }),
          ),
        ),
      ),
    ),
  );

  /** Whether it is being worked out: stopped by whoever will not wait, and begun again. */
  protected readonly going = signal(true);
  private readonly asked = computed<Extract<TrialQuestion, { kind: 'compare' }> | null>(() => {
    const trial = this.trial();
    if (!trial || (trial.state !== 'closed' && trial.state !== 'read')) return null;
    const { words, arms } = trial;
    return {
      kind: 'compare',
      question: words.question,
      arms: arms.map(({ name, batches }) => ({ name: name.replace(/^./, (letter) => letter.toLowerCase()), batches })),
      seed: Number.parseInt(trial.id.slice(-7), 16),
      nowMs: this.about.nowMs(),
      household: this.about.household(),
    };
  });
  private readonly reply = toSignal(
    combineLatest([toObservable(this.asked), toObservable(this.going)]).pipe(
      // What else happens in the household leaves a comparison as it is.
      distinctUntilChanged((a, b) => a[1] === b[1] && JSON.stringify(a[0]?.arms) === JSON.stringify(b[0]?.arms)),
      switchMap(([asked, going]) =>
        asked && going
          ? this.work.ask(asked).pipe(
              catchError((error: Error) => of({ kind: 'failed' as const, message: error.message })),
              startWith({ kind: 'progress' as const, done: 0 }),
            )
          : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly progress = computed(() => {
    const reply = this.reply();
    return reply?.kind === 'progress' ? Math.round(100 * reply.done) : null;
  });
  protected readonly failed = computed(() => {
    const reply = this.reply();
    return reply?.kind === 'failed' ? reply.message : null;
  });
  private readonly kept = toSignal(
    toObservable(this.reply).pipe(
      filter((reply) => reply?.kind === 'compared'),
      map(({ shown }) => shown),
    ),
  );
  protected readonly shown = computed(() => (this.asked() ? (this.kept() ?? null) : null));
  /** The pair that is looked at. */
  protected readonly at = linkedSignal(() => this.shown()?.lead ?? 0);
  protected readonly pair = computed(() => this.shown()?.pairs[this.at()] ?? null);
  protected readonly figures = computed(() => this.shown()?.compared.pairs[this.at()] ?? null);
  protected readonly names = computed<readonly [string, string]>(() => {
    const [shown, pair] = [this.shown(), this.pair()];
    const name = (index: number): string => capital(shown?.arms[index]?.name ?? '');
    return pair ? [name(pair.first), name(pair.second)] : ['', ''];
  });

  protected asks({ words }: Trial): string {
    return QUESTION_WORDS[words.question];
  }

  /** When, of what, how many: in one quiet line. */
  protected inShort(trial: Trial): string {
    const all = trial.arms.flatMap(({ batches }) => batches);
    const titles = [...new Set(all.map(({ title }) => title))];
    const days = [Math.min(...all.map(({ startMs }) => startMs)), Math.max(...all.map(({ closedMs }) => closedMs ?? 0))] as const;
    const { dated } = this.about.moments();
    const span = all.length === 0 ? '' : days[1] > 0 ? `${dated(days[0])} to ${dated(days[1])}` : `since ${dated(days[0])}`;
    const seeds = trial.arms.map(({ batches }) => batches.reduce((sum, batch) => sum + batch.seeds, 0));
    return [`Trial of ${this.asks(trial)}`, span, titles.slice(0, 2).join(' and '), all.length === 0 ? '' : `${seeds.join(' and ')} seeds`]
      .filter(Boolean)
      .join(' · ');
  }

  protected writeDown(trial: Trial, lead: string, better: number | null): void {
    this.say(trial, lead, better, 'Written down. Tuck in will say so for its kind.');
  }

  private say(trial: Trial, read: string, better: number | null, text: string): void {
    this.api
      .say(trial.id, { ...trial.words, read, better })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => this.offer(trial.id, text),
        error: ({ message }: ApiProblem) => this.problem.set(message),
      });
  }

  protected takeOut(trial: Trial): void {
    this.api
      .takeOut(trial.id)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.offer(trial.id, `${trial.words.name} is out of the notebook. Its batches stay.`);
          void this.router.navigate(['/notebook']);
        },
        error: ({ message }: ApiProblem) => this.problem.set(message),
      });
  }

  /** Says what was done and offers to take it back, on whatever screen one has come to. */
  private offer(trialId: string, text: string): void {
    this.notice
      .say(text, 'Undo')
      .onAction()
      .pipe(switchMap(() => this.api.takeBack(trialId)))
      .subscribe({ error: ({ message }: ApiProblem) => this.notice.say(message, 'Close') });
  }
}
