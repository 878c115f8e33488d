import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Subscription } from 'rxjs';
import { switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Season, SeasonActRequest, SeasonLot } from '@fresh-tuck/contract';
import { fitChangeInWords, fitLead } from '@fresh-tuck/core/words';
import type { ApiProblem } from '../data/transport/transport.service';
import type { Fit, FitQuestion } from './fit.messages';
import { FitService } from './fit.service';
import { SeasonApi } from './season.api';
import { SeasonService } from './season.service';

type Change = Fit['changes'][number];
type Wishes = SeasonActRequest['wishes'];
const DAY_MS = 86_400_000;
const isoOf = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

/** What a change makes of its wish; a lot in two halves becomes two. */
export function wishesOf({ days, way, keeps, splitDays }: Change, lot: SeasonLot, start: number): Wishes {
  const { wishId, words } = lot;
  if (keeps === 0) return [{ wishId, words: null }];
  const placed = {
    ...words,
    start: isoOf(start + days),
    ...(way.kind === 'lit' ? { litId: way.id } : way.kind === 'warm' ? { spotId: way.id } : {}),
    ...(way.kind === 'method' ? { method: 'bed' as const, destination: 'bed' as const, spotId: null } : {}),
  };
  const plants = Math.ceil(words.plants * keeps);
  if (splitDays === null || plants < 2) return [{ wishId, words: { ...placed, plants } }];
  const seriesId = words.seriesId ?? uuid();
  const first = Math.ceil(plants / 2);
  return [
    { wishId, words: { ...placed, plants: first, seriesId } },
    { wishId: uuid(), words: { ...placed, plants: plants - first, seriesId, start: isoOf(start + days + splitDays) } },
  ];
}

/** A plan that fits: worked out beside the page, shown as few changes, each with its reason and its cost. */
@Component({
  selector: 'ft-fit-panel',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './fit-panel.html',
  styleUrl: './fit-panel.scss',
})
export class FitPanel {
  private readonly api = inject(SeasonApi);
  private readonly fits = inject(FitService);
  private readonly service = inject(SeasonService);
  readonly season = input.required<Season>();
  readonly closed = output<void>();

  protected readonly done = signal(0);
  protected readonly failed = signal<string | null>(null);
  private readonly answer = signal<{ readonly fit: Fit; readonly question: FitQuestion } | null>(null);
  private asking: Subscription | null = null;

  protected readonly plan = computed(() => {
    const answer = this.answer();
    if (!answer) return null;
    const { fit, question } = answer;
    const { lots, year } = this.season();
    const changes = fit.changes.flatMap((change) => {
      const lot = lots.find(({ wishId }) => wishId === change.lotId);
      const asked = question.lots.find(({ id }) => id === change.lotId);
      if (!lot || !asked) return [];
      const words = fitChangeInWords(change, asked, lot.words.plants, lot.yields as Parameters<typeof fitChangeInWords>[3], year);
      return [{ lot, ...words, wishes: wishesOf(change, lot, asked.start) }];
    });
    return { lead: fitLead(changes.length, fit), changes };
  });
  protected readonly percent = computed(() => Math.round(this.done() * 100));

  constructor() {
    queueMicrotask(() => this.ask());
  }

  protected ask(): void {
    this.answer.set(null);
    this.failed.set(null);
    this.done.set(0);
    this.asking?.unsubscribe();
    this.asking = this.api
      .fit(this.season().year)
      .pipe(
        switchMap((question) =>
          this.fits.plan(question).pipe(
            switchMap((reply) => {
              if (reply.kind === 'progress') this.done.set(reply.done);
              else if (reply.kind === 'failed') this.failed.set(reply.message);
              else this.answer.set({ fit: reply.fit, question });
              return [];
            }),
          ),
        ),
      )
      .subscribe({ error: ({ message }: ApiProblem) => this.failed.set(message) });
  }

  protected stop(): void {
    this.asking?.unsubscribe();
    this.closed.emit();
  }

  /** One change, or all of them, as one act. */
  protected take(wishes: Wishes, count: number): void {
    this.service.say(wishes, count === 1 ? 'Changed so.' : `${count} lots are changed: the year fits.`, () => this.closed.emit());
  }
  protected takeAll(): void {
    const changes = this.plan()?.changes ?? [];
    this.take(
      changes.flatMap(({ wishes }) => wishes),
      changes.length,
    );
  }
  /** A lot that is to stay as it is: the plan is made anew around it. */
  protected pin(lot: SeasonLot): void {
    this.service.say(
      [{ wishId: lot.wishId, words: { ...lot.words, start: isoOf(lot.start), pinned: true } }],
      `${lot.title} stays as it is.`,
      () => this.ask(),
    );
  }
}
