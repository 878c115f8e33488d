import { CdkDrag, CdkDragPlaceholder, CdkDragPreview, CdkDropList, CdkDropListGroup, type CdkDragDrop } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuContent, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { interval, merge, retry, startWith, switchMap, type Observable } from 'rxjs';
import type { Board, BoardParcel, Elsewhere } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Parcel } from '../kit/parcel';
import { Carrying } from './carrying.service';
import { barOf, layBoard, nameOf, scaleOf } from './laid';
import { ShelfApi } from './shelf.api';
import { Wave } from './wave';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Parcels slide along by themselves: asked again so often, ms. */
const ANEW_MS = 5 * 60_000;
/** A thumb that rests so long lifts a bag; a mouse at once, ms. */
const LIFT_MS = { touch: 350, mouse: 0 } as const;

/** The boards with the bags on them: every parcel at the time at which it will be ready. */
@Component({
  selector: 'ft-shelf',
  imports: [
    CdkDrag,
    CdkDragPlaceholder,
    CdkDragPreview,
    CdkDropList,
    CdkDropListGroup,
    MatButton,
    MatMenu,
    MatMenuContent,
    MatMenuItem,
    MatMenuTrigger,
    Parcel,
    RouterLink,
    Wave,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shelf.html',
  styleUrl: './shelf.scss',
})
export class ShelfScreen {
  private readonly api = inject(ShelfApi);
  private readonly carrying = inject(Carrying);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly lift = LIFT_MS;
  protected readonly view = toSignal(
    merge(inject(Changes).changed$, interval(ANEW_MS)).pipe(
      startWith(undefined),
      switchMap(() => this.api.shelf().pipe(retry({ delay: 3000 }))),
    ),
  );

  private readonly ruler = viewChild<ElementRef<HTMLElement>>('ruler');
  protected readonly width = signal(0);
  protected readonly phone = computed(() => this.width() < 560);
  private readonly scale = computed(() => scaleOf(this.view()?.nowMs ?? 0, Math.max(this.width(), 200)));
  protected readonly nowX = computed(() => this.scale().nowX);
  protected readonly boards = computed(() =>
    this.width() === 0 ? [] : (this.view()?.boards ?? []).map((board) => layBoard(board, this.scale(), this.phone())),
  );
  protected readonly empty = computed(() => (this.view()?.boards ?? []).every(({ parcels }) => parcels.length === 0));

  /** The moments that are named above the boards. */
  protected readonly marks = computed(() => {
    const { at, field } = this.about.moments();
    const nowMs = this.view()?.nowMs ?? this.about.nowMs();
    const on = (days: number, clock: string): number => at(`${field(nowMs + days * DAY_MS).slice(0, 10)}T${clock}`);
    const tonight = on(0, '20:00');
    const all = [
      ...(tonight > nowMs + 3 * HOUR_MS ? [{ text: 'tonight', ms: tonight }] : []),
      { text: 'tomorrow', ms: on(1, '12:00') },
      { text: this.phone() ? '3 d' : '3 days', ms: nowMs + 3 * DAY_MS },
      { text: this.phone() ? '7 d' : 'a week', ms: nowMs + 7 * DAY_MS },
      { text: this.phone() ? '14 d' : '2 weeks', ms: nowMs + 14 * DAY_MS },
    ];
    const least = this.phone() ? 52 : 74;
    let last = this.nowX();
    return all
      .map(({ text, ms }) => ({ text, x: Math.min(this.scale().x(ms), this.width() - 16) }))
      .filter(({ x }) => x - last >= least && (last = x) > 0);
  });

  /** The bag that is lifted, and what every board would do to it. */
  protected readonly lifted = signal<BoardParcel | null>(null);
  protected readonly elsewhere = signal<Elsewhere | null>(null);
  /** The board that it is held over. */
  protected readonly over = signal<string | null>(null);
  protected readonly told = computed(() => {
    const over = this.over();
    return this.elsewhere()?.boards.find(({ spotId }) => spotId === over) ?? null;
  });
  protected readonly name = nameOf;
  /** The parcel whose bar is shown. */
  protected readonly held = signal<string | null>(null);

  constructor() {
    effect((onCleanup) => {
      const element = this.ruler()?.nativeElement;
      if (!element) return;
      const watch = new ResizeObserver(([entry]) => this.width.set(Math.floor(entry?.contentRect.width ?? 0)));
      watch.observe(element);
      onCleanup(() => watch.disconnect());
    });
  }

  protected aria({ number, title, inWords }: BoardParcel, { spot }: Board): string {
    return `${number} ${title}, at ${spot.name}: ${inWords}`;
  }

  protected ghost(stands: BoardParcel['stands']): { left: number; width: number } | null {
    return barOf(stands, this.scale());
  }

  /** Whether it lies in the bag that is lifted: it goes along. */
  protected along({ id, holderId }: BoardParcel): boolean {
    const lifted = this.lifted();
    return lifted !== null && lifted.id !== id && lifted.holderId === holderId;
  }

  protected start(parcel: BoardParcel): void {
    this.lifted.set(parcel);
    this.elsewhere.set(null);
    this.api
      .elsewhere(parcel.holderId)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: (found) => this.elsewhere.set(found), error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close') });
  }

  protected end(): void {
    this.lifted.set(null);
    this.over.set(null);
  }

  protected drop({ item, container, previousContainer }: CdkDragDrop<Board, Board, BoardParcel>): void {
    const parcel = item.data;
    const { spot } = container.data;
    const refused = this.elsewhere()?.boards.find(({ spotId }) => spotId === spot.id)?.refused ?? null;
    this.end();
    if (container === previousContainer) return;
    if (refused !== null) return void this.notice.say(`Not carried there. ${refused}`, 'Close');
    this.done(this.carrying.carry(parcel, this.standing(), { spotId: spot.id, name: spot.name, at: null }));
  }

  /** The boards with what each would do, for who does not drag. */
  protected choose(parcel: BoardParcel): void {
    this.done(this.carrying.choose(parcel, this.standing()));
  }

  private standing(): BoardParcel[] {
    return this.view()?.boards.flatMap(({ parcels }) => parcels) ?? [];
  }

  /** What comes of it is said where it is carried. */
  private done(carried: Observable<unknown>): void {
    carried.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({ error: () => undefined });
  }
}
