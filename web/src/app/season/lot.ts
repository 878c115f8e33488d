import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { switchMap } from 'rxjs';
import type { WishWords } from '@fresh-tuck/contract';
import { gardenYear, stemOf } from '@fresh-tuck/core/drawing';
import { Changes } from '../data/transport/changes.service';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { Word } from '../kit/word';
import { GoalFields } from './goal-fields';
import { Marks } from './marks';
import { SeasonApi } from './season.api';
import { SeasonService } from './season.service';

const DAY_MS = 86_400_000;
/** A start within so many days is this week's. */
const DUE_DAYS = 7;
const isoOf = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

const dated = (day: number): string =>
  new Date(day * DAY_MS).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' });

/** One lot: the chain of its stages with their days, what a week sooner or later does, and what was fixed of it. */
@Component({
  selector: 'ft-season-lot',
  imports: [Field, GoalFields, Marks, MatButton, RouterLink, Word],
  providers: [SeasonService],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lot.html',
  styleUrl: './lot.scss',
})
export class LotScreen {
  private readonly api = inject(SeasonApi);
  private readonly router = inject(Router);
  protected readonly service = inject(SeasonService);
  readonly wishId = input.required<string>();
  readonly year = input<string>();
  protected readonly all = this.service.all;
  private readonly asked = computed(() => ({ wishId: this.wishId(), year: Number(this.year()) || null }));
  private readonly changes = inject(Changes);
  protected readonly chain = toSignal(
    toObservable(this.asked).pipe(switchMap(({ wishId, year }) => this.changes.keep(() => this.api.chain(wishId, year)))),
  );
  protected readonly lot = computed(() => this.chain()?.lot);
  protected readonly begun = computed(() => this.lot()?.state !== 'planned');
  /** Whether its day is this week's or behind us, and still makes sense. */
  protected readonly soon = computed(() => !this.lot()?.over && (this.lot()?.start ?? Infinity) < (this.all()?.today ?? 0) + DUE_DAYS);
  protected readonly plants = text('', wholeFrom(1, 400));
  protected readonly every = text('14', wholeFrom(2, 90));
  protected readonly times = text('3', wholeFrom(2, 12));
  protected readonly day = text('');
  protected readonly goalText = computed(() => {
    const goal = this.lot()?.words.goal;
    if (!goal || goal.kind === 'season') return 'as the year gives it';
    return `${goal.kind === 'ripe' ? 'ripe' : 'planted out'} by ${dated(Date.parse(`${goal.day}T00:00:00Z`) / DAY_MS)}`;
  });
  protected readonly startText = computed(() => {
    const lot = this.lot();
    if (!lot) return '';
    const day = dated(lot.start);
    return lot.words.start === null ? `${day}, counted back` : day;
  });
  protected readonly drawing = computed(() => {
    const [lot, season] = [this.lot(), this.all()];
    if (!lot || !season || lot.stages.length === 0) return null;
    const stems = [
      stemOf(
        lot,
        season.due.some(({ wishId }) => wishId === lot.wishId),
      ),
    ];
    return gardenYear(
      { year: season.year, today: season.today, stems, spring: season.frost.spring, autumn: season.frost.autumn },
      innerWidth < 760 ? 358 : 900,
    );
  });

  protected change(words: Partial<WishWords>, said: string): void {
    const lot = this.lot();
    if (lot) this.service.change(lot, words, said);
  }
  protected startOn(day: number, said: string): void {
    this.change({ start: isoOf(day) }, said);
  }
  protected startTyped(): void {
    if (/^\d{4}-\d\d-\d\d$/.test(this.day.value)) this.change({ start: this.day.value }, 'Its day is fixed.');
  }
  protected countedBack(): void {
    this.change({ start: null, pinned: false }, 'Its day is counted back again.');
  }
  /** Its day stands as it is, and no plan moves it. */
  protected pin(): void {
    const lot = this.lot();
    if (lot) this.change({ pinned: true, start: isoOf(lot.start) }, 'No plan moves it.');
  }
  protected asMany(): void {
    this.plants.markAsTouched();
    if (this.plants.valid && this.plants.value.trim() !== '')
      this.change({ plants: Number(this.plants.value) }, `${this.plants.value} plants of it.`);
  }
  protected again(): void {
    const lot = this.lot();
    if (lot && this.every.valid && this.times.valid) this.service.again(lot.wishId, Number(this.every.value), Number(this.times.value));
  }
  protected remove(): void {
    const lot = this.lot();
    if (lot) this.service.remove(lot, () => void this.router.navigate(['/season']));
  }
}
