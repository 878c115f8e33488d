import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal, output, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, MoveRequest } from '@fresh-tuck/contract';
import { hasTipped } from '@fresh-tuck/core/states';
import { formatLength } from '@fresh-tuck/core/units';
import { AboutService } from '../data/about.service';
import { Api, type ApiProblem } from '../data/api.service';

const DESTINATIONS: readonly MoveRequest['destination'][] = ['cup', 'cell', 'pot'];

/** Sprouts to their labelled cups: which, where to, and the numbers to write. */
@Component({
  selector: 'ft-move',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './move.html',
  styleUrl: './move.scss',
})
export class Move {
  private readonly api = inject(Api);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  readonly batch = input.required<BatchWithJournal>();
  readonly done = output();
  readonly later = output();

  protected readonly destinations = DESTINATIONS;
  protected readonly showing = computed(() => {
    const { state, roots, nowMs } = this.batch().answers;
    const { units } = this.about.household();
    return state.seeds
      .filter(({ stage, moved }) => hasTipped(stage) && !moved)
      .map(({ seed, measuredMm }) => {
        const root = roots.find(({ seeds }) => seeds.includes(seed));
        return {
          seed,
          length: measuredMm === null ? null : formatLength(root?.usualMm ?? measuredMm, units),
          ready: root !== undefined && root.readyMs <= nowMs + 1_800_000,
        };
      });
  });
  protected readonly countedMost = computed(() => this.batch().answers.state.counted.reduce((sum, { count }) => sum + count, 0));
  /** What was just seen and is ready is proposed; every one can be taken out or added. */
  protected readonly chosen = linkedSignal<ReadonlySet<number>>(
    () =>
      new Set(
        this.showing()
          .filter(({ ready }) => ready)
          .map(({ seed }) => seed),
      ),
  );
  protected readonly uncounted = linkedSignal(() => {
    const { roots, nowMs } = this.batch().answers;
    return roots
      .filter(({ seeds, readyMs }) => seeds.length === 0 && readyMs <= nowMs + 1_800_000)
      .reduce((sum, { count }) => sum + count, 0);
  });
  protected readonly destination = signal<MoveRequest['destination'] | null>(null);
  protected readonly saving = signal(false);
  protected readonly error = signal<string | null>(null);
  /** Labels given, once it is saved. */
  protected readonly labels = signal<{ number: number; seed: number | null }[] | null>(null);
  protected readonly count = computed(() => this.chosen().size + this.uncounted());
  protected readonly how = computed(
    () => this.batch().judgement.advice.find(({ kind }) => kind === 'move' || kind === 'rescue')?.text ?? '',
  );

  protected toggle(seed: number): void {
    const next = new Set(this.chosen());
    if (!next.delete(seed)) next.add(seed);
    this.chosen.set(next);
  }

  protected countBy(by: 1 | -1): void {
    this.uncounted.update((count) => Math.min(Math.max(count + by, 0), this.countedMost()));
  }

  protected save(): void {
    const destination = this.destination();
    if (destination === null) {
      this.error.set('Say where they go: a cup, a cell or a pot.');
      return;
    }
    const body: MoveRequest = {
      id: uuid(),
      at: null,
      seeds: [...this.chosen()].sort((a, b) => a - b),
      uncounted: this.uncounted(),
      destination,
      who: null,
    };
    const known = new Set(this.batch().cups.map(({ number }) => number));
    this.saving.set(true);
    this.api
      .addMove(this.batch().id, body)
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (batch) => this.labels.set(batch.cups.filter(({ number }) => !known.has(number))),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
