import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Subscription } from 'rxjs';
import { map, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Season, SeasonActRequest, SeasonLot } from '@fresh-tuck/contract';
import { carryInWords, fitChangeInWords, fitLead } from '@fresh-tuck/core/words';
import type { ApiProblem } from '../data/transport/transport.service';
import type { Fit, FitQuestion } from './fit.messages';
import { FitService } from './fit.service';
import { SeasonApi } from './season.api';
import { SeasonService } from './season.service';

type Change = Fit['changes'][number];
type Wishes = SeasonActRequest['wishes'];
/** What is said of wishes and carried, as one act. */
type Said = Required<Pick<SeasonActRequest, 'wishes' | 'carries'>>;
/** A change as it is shown. @property id of the lot, or of what is carried */
interface ShownChange {
  readonly id: string;
  readonly lead: string;
  readonly text: string;
  readonly title: string;
  readonly said: Said;
  /** The lot that it is of; null for what is carried. */
  readonly lot: SeasonLot | null;
}
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
  /** What stands there and is not to be carried, as was said of this plan. */
  private readonly left = signal<ReadonlySet<string>>(new Set());
  private readonly answer = signal<{ readonly fit: Fit; readonly question: FitQuestion } | null>(null);
  private asking: Subscription | null = null;

  protected readonly plan = computed(() => {
    const answer = this.answer();
    if (!answer) return null;
    const { fit, question } = answer;
    const { lots, year } = this.season();
    const changes = fit.changes.flatMap((change): ShownChange[] => {
      const lot = lots.find(({ wishId }) => wishId === change.lotId);
      const asked = question.lots.find(({ id }) => id === change.lotId);
      if (!lot || !asked) return [];
      const words = fitChangeInWords(change, asked, lot.words.plants, lot.yields as Parameters<typeof fitChangeInWords>[3], year);
      return [{ id: lot.wishId, title: lot.title, ...words, lot, said: { wishes: wishesOf(change, lot, asked.start), carries: [] } }];
    });
    const carries = fit.carries.map((carry): ShownChange => {
      const { id, title, trayIds, place } = carry;
      const carried = trayIds.map((trayId) => ({ trayId, spotId: place.id }));
      return { id, title, ...carryInWords(carry), lot: null, said: { wishes: [], carries: carried } };
    });
    const all = [...carries, ...changes];
    return { lead: fitLead(all.length, fit), changes: all };
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
        map((question) => ({
          ...question,
          standing: question.standing.map((one) => (this.left().has(one.id) ? { ...one, carry: null } : one)),
        })),
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
  protected take(said: Said, count: number): void {
    this.service.say(
      said.wishes,
      count === 1 ? 'Changed so.' : `${count} changes are made, all at once.`,
      () => this.closed.emit(),
      said.carries,
    );
  }
  protected takeAll(): void {
    const changes = this.plan()?.changes ?? [];
    const said = {
      wishes: changes.flatMap((change) => change.said.wishes),
      // Plants of two batches that were potted on at once stand in one tray.
      carries: [...new Map(changes.flatMap((change) => change.said.carries).map((one) => [one.trayId, one])).values()],
    };
    this.take(said, changes.length);
  }
  /** What is to stay as it is: the plan is made anew around it. */
  protected leave({ id, lot }: ShownChange): void {
    if (!lot) {
      this.left.update((left) => new Set([...left, id]));
      this.ask();
      return;
    }
    this.service.say(
      [{ wishId: lot.wishId, words: { ...lot.words, start: isoOf(lot.start), pinned: true } }],
      `${lot.title} stays as it is.`,
      () => this.ask(),
    );
  }
}
