import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { Router, RouterLink } from '@angular/router';
import { finalize, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { TrialCandidate } from '@fresh-tuck/contract';
import type { Question } from '@fresh-tuck/core/trials';
import { capital, counted } from '@fresh-tuck/core/units';
import { QUESTION_WORDS, settingInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Word } from '../kit/word';
import { NotebookApi } from './notebook.api';

/** Sides that a trial may have, and batches on one. */
const MOST_SIDES = 4;
const MOST_BATCHES = 12;
const ASKED = Object.keys(QUESTION_WORDS) as Question[];

/** Puts a trial together from batches that are over: by what they differ in. */
@Component({
  selector: 'ft-compare',
  imports: [Choices, MatButton, MatButtonToggleModule, RouterLink, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './compare.html',
  styleUrl: './compare.scss',
})
export class CompareScreen {
  private readonly api = inject(NotebookApi);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  /** The crop to begin with, where another screen named one. */
  readonly crop = input<string>();

  protected readonly cropId = linkedSignal<string | null>(() => this.crop() ?? null);
  private readonly changes = inject(Changes);
  protected readonly all = toSignal(toObservable(this.cropId).pipe(switchMap((id) => this.changes.keep(() => this.api.candidates(id)))), {
    initialValue: { crops: [], batches: [], names: {} },
  });
  protected readonly crops = computed((): Choice<string>[] =>
    this.all()
      .crops.filter(({ batches }) => batches > 1)
      .map(({ id, name, batches }) => ({ value: id, text: name, follows: counted(batches, 'batch', 'batches') })),
  );
  protected readonly cropName = computed(() => this.all().crops.find(({ id }) => id === this.cropId())?.name ?? null);

  /** What its batches differ in, with how many ways there are. */
  protected readonly questions = computed((): Choice<Question>[] =>
    ASKED.flatMap((question) => {
      const ways = new Set(this.all().batches.map(({ settings }) => settings[question]));
      return ways.size > 1 ? [{ value: question, text: QUESTION_WORDS[question], follows: `${ways.size} ways` }] : [];
    }),
  );
  private readonly chosen = signal<Question | null>(null);
  protected readonly question = computed(() => this.chosen() ?? this.questions()[0]?.value ?? null);
  protected readonly questionText = computed(() => {
    const question = this.question();
    return question ? QUESTION_WORDS[question] : 'what';
  });
  /** The ways that there are, each with its batches: the most seeds first. */
  protected readonly ways = computed(() => {
    const question = this.question();
    if (!question) return [];
    const { batches, names } = this.all();
    const groups = new Map<string, TrialCandidate[]>();
    for (const batch of batches) {
      const setting = batch.settings[question];
      groups.set(setting, [...(groups.get(setting) ?? []), batch]);
    }
    const seeds = (group: readonly TrialCandidate[]): number => group.reduce((sum, batch) => sum + batch.seeds, 0);
    return [...groups]
      .map(([setting, group]) => ({
        setting,
        name: capital(settingInWords(question, setting, (id) => names[id] ?? id)),
        batches: group,
        seeds: seeds(group),
      }))
      .sort((a, b) => b.seeds - a.seeds);
  });
  /** Sides that are compared: the two with the most seeds, until somebody says otherwise. */
  protected readonly sides = linkedSignal<readonly string[]>(() =>
    this.ways()
      .slice(0, 2)
      .map(({ setting }) => setting),
  );
  /** Batches that are left out. */
  protected readonly without = linkedSignal<ReadonlySet<string>>(() => {
    this.ways();
    return new Set<string>();
  });
  protected readonly saving = signal(false);
  protected readonly problem = signal<string | null>(null);

  protected choose(cropId: string): void {
    this.chosen.set(null);
    this.cropId.set(cropId);
  }
  protected ask(question: Question): void {
    this.chosen.set(question);
  }
  protected side(setting: string): void {
    this.sides.update((sides) => (sides.includes(setting) ? sides.filter((one) => one !== setting) : [...sides, setting]));
  }
  protected leave(batchId: string): void {
    this.without.update((out) => {
      const next = new Set(out);
      if (!next.delete(batchId)) next.add(batchId);
      return next;
    });
  }
  protected told({ startMs, seeds, came, spots }: TrialCandidate): string {
    return `${this.about.moments().dated(startMs)} · ${came} of ${seeds} · ${spots.join(', then ')}`;
  }

  protected compare(): void {
    const question = this.question();
    const [sides, out] = [this.sides(), this.without()];
    if (!question || sides.length < 2) return this.problem.set('Choose two sides at least: one alone is no comparison.');
    if (sides.length > MOST_SIDES) return this.problem.set(`Choose at most ${MOST_SIDES} sides.`);
    const arms = sides.map((setting) => {
      const way = this.ways().find((one) => one.setting === setting);
      const batchIds = (way?.batches ?? []).filter(({ id }) => !out.has(id)).map(({ id }) => id);
      return { name: (way?.name ?? setting).slice(0, 40), setting, batchIds: batchIds.slice(0, MOST_BATCHES) };
    });
    const empty = arms.find(({ batchIds }) => batchIds.length === 0);
    if (empty) return this.problem.set(`${empty.name} has no batch left: take one in again, or leave the side out.`);
    const trialId = uuid();
    const name = `${capital(QUESTION_WORDS[question])}, ${(this.cropName() ?? '').toLowerCase()}`;
    this.saving.set(true);
    this.api
      .say(trialId, { name, question, arms, plan: null, read: null })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: () => void this.router.navigate(['/notebook/trials', trialId]),
        error: ({ message }: ApiProblem) => this.problem.set(message),
      });
  }
}
