import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { catchError, of, switchMap } from 'rxjs';
import { marked, practiceTally, SURENESSES, type Exercise, type Marked } from '@fresh-tuck/core/practice';
import { formatTemperature, numberWord } from '@fresh-tuck/core/units';
import { askedInWords, markedInWords, optionInWords, parcelInWords, tallyInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { FindingPicture } from '../kit/finding';
import { Towel, type TowelSeed } from '../kit/towel';
import { PracticeService } from './practice.service';

/** Width of a practice towel, mm. */
const PANE = { widthMm: 140, heightMm: 110 };

/** Simulated parcels that train eye and timing: ten in three minutes, by keyboard or thumb. */
@Component({
  selector: 'ft-practice',
  imports: [FindingPicture, MatButton, RouterLink, Towel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'key($event)' },
  templateUrl: './practice.html',
  styleUrl: './practice.scss',
})
export class PracticeScreen {
  private readonly service = inject(PracticeService);
  protected readonly about = inject(AboutService);
  protected readonly pane = PANE;
  protected readonly surenesses = SURENESSES.map((sureness) => `${Math.round(10 * sureness)} times in 10`);
  private readonly seed = signal(Math.random());
  private readonly reply = toSignal(
    toObservable(this.seed).pipe(
      switchMap((seed) =>
        this.service.run(seed).pipe(catchError((error: Error) => of({ kind: 'failed' as const, message: error.message }))),
      ),
    ),
  );
  protected readonly failed = computed(() => {
    const reply = this.reply();
    return reply?.kind === 'failed' ? reply.message : null;
  });
  protected readonly run = computed(() => {
    const reply = this.reply();
    return reply?.kind === 'run' ? reply.exercises : null;
  });
  protected readonly at = signal(0);
  /** What was chosen of the exercise, before its sureness is said. */
  protected readonly chosen = signal<number | null>(null);
  protected readonly answers = signal<readonly Marked[]>([]);
  /** How the exercise at hand was answered; null while it is open. */
  protected readonly done = computed(() => this.answers()[this.at()] ?? null);
  protected readonly exercise = computed<Exercise | null>(() => this.run()?.[this.at()] ?? null);
  protected readonly over = computed(() => this.run() !== null && this.at() >= (this.run()?.length ?? 0));

  protected readonly asks = computed(() => {
    const exercise = this.exercise();
    if (!exercise) return '';
    return exercise.kind === 'count' && this.chosen() !== null && !this.done()
      ? 'How sure are you, give or take one?'
      : askedInWords(exercise);
  });
  protected readonly parcel = computed(() => {
    const exercise = this.exercise();
    if (!exercise || exercise.kind === 'what') return [];
    const { units } = this.about.household();
    return parcelInWords(exercise.parcel, { temperature: (celsius) => formatTemperature(celsius, units) });
  });
  protected readonly options = computed(() => {
    const exercise = this.exercise();
    if (!exercise) return [];
    if (exercise.kind === 'count' && this.chosen() !== null) return this.surenesses;
    return exercise.options.map((_, index) => optionInWords(exercise, index));
  });
  protected readonly told = computed(() => {
    const [exercise, done] = [this.exercise(), this.done()];
    return exercise && done ? markedInWords(exercise, done) : [];
  });
  protected readonly towel = computed<TowelSeed[]>(() => {
    const exercise = this.exercise();
    return exercise?.kind === 'do' ? exercise.towel.map((seed) => ({ ...seed, moved: false, fresh: false })) : [];
  });
  protected readonly tally = computed(() => practiceTally(this.answers()));
  protected readonly lead = computed(() => {
    const { right, asked } = this.tally();
    return right === asked ? `All ${numberWord(asked)} right` : `${right} of ${asked} right`;
  });
  protected readonly thisRun = computed(() => tallyInWords(this.tally()).slice(1));
  protected readonly everRun = computed(() => {
    this.answers();
    const ever = practiceTally(this.service.kept());
    return ever.asked > this.tally().asked ? tallyInWords(ever) : [];
  });

  protected choose(option: number): void {
    const exercise = this.exercise();
    if (!exercise || this.done() || option >= this.options().length) return;
    if (exercise.kind === 'count') {
      const chosen = this.chosen();
      if (chosen === null) return this.chosen.set(option);
      return this.mark(marked(exercise, { option: chosen, sureness: SURENESSES[option] ?? null }));
    }
    this.mark(marked(exercise, { option, sureness: null }));
  }
  private mark(answer: Marked): void {
    this.answers.update((all) => [...all, answer]);
    this.service.keep(answer);
  }
  protected next(): void {
    if (!this.done()) return;
    this.chosen.set(null);
    this.at.update((at) => at + 1);
  }
  protected again(): void {
    this.answers.set([]);
    this.chosen.set(null);
    this.at.set(0);
    this.seed.set(Math.random());
  }

  /** Numbers choose, Enter goes on: ten without the mouse. */
  protected key(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const number = Number(event.key);
    if (event.key !== ' ' && Number.isInteger(number) && number >= 1) return this.choose(number - 1);
    // A button in focus is pressed by Enter itself.
    const onButton = (event.target as HTMLElement | null)?.closest('button, a') !== null;
    if (event.key === 'Enter' && !onButton) this.next();
  }
}
