import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { combineLatest, repeat, switchMap, takeWhile } from 'rxjs';
import type { LookingBack } from '@fresh-tuck/contract';
import type { Grouping } from '@fresh-tuck/core/trials';
import { capital, counted } from '@fresh-tuck/core/units';
import { Changes } from '../data/transport/changes.service';
import { Choices, type Choice } from '../kit/choices';
import { Word } from '../kit/word';
import { NotebookApi } from './notebook.api';
import { OwnCurve } from './own-curve';
import { SaidAndCame } from './said-and-came';

const BY: readonly Choice<Grouping>[] = [
  { value: 'crop', text: 'crop by crop' },
  { value: 'packet', text: 'packet by packet' },
  { value: 'method', text: 'method by method' },
  { value: 'spot', text: 'place by place' },
  { value: 'year', text: 'year by year' },
];
/** What is still being read is asked for again, ms. */
const AGAIN_MS = 700;
/** Pieces of a row's bar. */
const PIECES = [
  { part: 'moved', text: 'moved on' },
  { part: 'thrown', text: 'came, never planted' },
  { part: 'rotten', text: 'rotted' },
  { part: 'quiet', text: 'stayed quiet' },
] as const;

/** What the house's own batches tell: rates, days, losses, the forecast's score, and what to change. */
@Component({
  selector: 'ft-looking-back',
  imports: [Choices, MatButton, OwnCurve, RouterLink, SaidAndCame, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './looking-back.html',
  styleUrl: './looking-back.scss',
})
export class LookingBackScreen {
  private readonly api = inject(NotebookApi);
  private readonly changes = inject(Changes);
  protected readonly by = signal<Grouping>('crop');
  protected readonly year = signal<number | null>(null);
  protected readonly crop = signal<{ readonly id: string; readonly name: string } | null>(null);
  protected readonly groupings = BY;
  protected readonly pieces = PIECES;
  protected readonly counted = counted;
  protected readonly lost = (all: readonly string[]): string => `${capital(all.join('; '))}.`;

  protected readonly all = toSignal(
    combineLatest([toObservable(this.by), toObservable(this.year), toObservable(this.crop)]).pipe(
      switchMap(([by, year, crop]) =>
        this.changes.keep(() =>
          // While batches are still being read it is asked again.
          this.api.lookingBack(by, year, crop?.id ?? null).pipe(
            repeat({ delay: AGAIN_MS }),
            takeWhile(({ left }) => left > 0, true),
          ),
        ),
      ),
    ),
  );
  protected readonly byText = computed(() => BY.find(({ value }) => value === this.by())?.text ?? '');
  protected readonly yearText = computed(() => (this.year() === null ? 'of all years' : `of ${this.year()}`));
  protected readonly years = computed((): Choice<number | null>[] => [
    { value: null, text: 'of all years' },
    ...(this.all()?.years ?? []).map((value) => ({ value, text: `of ${value}` })),
  ]);
  private readonly most = computed(() => Math.max(1, ...(this.all()?.rows ?? []).map(({ sum }) => sum.seeds)));

  /** Pieces of a row's bar, in hundredths of the longest. */
  protected bar({ sum }: LookingBack['rows'][number]): { readonly part: string; readonly width: number }[] {
    const parts = {
      moved: Math.max(Math.min(sum.moved, sum.came) - (sum.thrown - Math.max(sum.came - sum.moved - sum.snapped, 0)), 0),
      thrown: Math.min(sum.thrown, sum.came),
      rotten: sum.rotten,
      quiet: sum.quiet,
    };
    return PIECES.map(({ part }) => ({ part, width: (100 * parts[part]) / this.most() })).filter(({ width }) => width > 0);
  }
  protected share = ({ came, seeds }: LookingBack['whole']): string => `${Math.round((100 * came) / Math.max(seeds, 1))} in 100`;

  /** A crop's row leads to its packets. */
  protected into(row: LookingBack['rows'][number]): void {
    this.crop.set({ id: row.key, name: row.title });
    this.by.set('packet');
  }
  protected everything(): void {
    this.crop.set(null);
    this.by.set('crop');
  }
}
