import {
  afterNextRender,
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  Injector,
  signal,
  type TemplateRef,
  viewChild,
  viewChildren,
  ViewContainerRef,
} from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuContent, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { catchError, interval, merge, of, retry, startWith, switchMap, tap, type Observable } from 'rxjs';
import type { Board, BoardParcel, Elsewhere } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Parcel } from '../kit/parcel';
import { Carrying } from './carrying.service';
import { barOf, layBoard, nameOf, scaleOf, type LaidBoard } from './laid';
import { Lifting } from './lifting';
import { ShelfApi } from './shelf.api';
import { Wave } from './wave';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Parcels slide along by themselves: asked again so often, ms. */
const ANEW_MS = 5 * 60_000;

/** The boards with the bags on them: every parcel at the time at which it will be ready. */
@Component({
  selector: 'ft-shelf',
  imports: [MatButton, MatMenu, MatMenuContent, MatMenuItem, MatMenuTrigger, Parcel, RouterLink, Wave],
  providers: [Lifting],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shelf.html',
  styleUrl: './shelf.scss',
})
export class ShelfScreen {
  private readonly api = inject(ShelfApi);
  private readonly carrying = inject(Carrying);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);
  private readonly injector = inject(Injector);
  protected readonly about = inject(AboutService);
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

  private readonly lifting = inject(Lifting);
  private readonly stages = viewChildren<ElementRef<HTMLElement>>('stage');
  private readonly preview = viewChild.required<TemplateRef<{ $implicit: BoardParcel }>>('preview');
  private readonly placeholder = viewChild.required<TemplateRef<unknown>>('placeholder');
  private readonly viewContainer = inject(ViewContainerRef);
  /** The bag that is lifted, the board that it is held over, and what every board would do to it. */
  protected readonly lifted = this.lifting.lifted;
  protected readonly over = this.lifting.over;
  protected readonly elsewhere = signal<Elsewhere | null>(null);
  protected readonly told = computed(() => {
    const over = this.over();
    return this.elsewhere()?.boards.find(({ spotId }) => spotId === over) ?? null;
  });
  protected readonly name = nameOf;
  /** The parcel whose bar is shown. */
  protected readonly held = signal<string | null>(null);

  /** One menu serves all: it opens at the parcel that was touched. */
  private readonly menu = viewChild.required(MatMenuTrigger);
  protected readonly touched = signal<BoardParcel | null>(null);
  protected readonly menuAt = signal({ x: 0, y: 0 });
  private button: HTMLElement | null = null;

  constructor() {
    effect((onCleanup) => {
      const element = this.ruler()?.nativeElement;
      if (!element) return;
      const watch = new ResizeObserver(([entry]) => this.width.set(Math.floor(entry?.contentRect.width ?? 0)));
      watch.observe(element);
      onCleanup(() => watch.disconnect());
    });
    afterRenderEffect({ read: () => this.boards() && this.lifting.tidy() });
    this.lifting.lifted$
      .pipe(
        tap(() => this.elsewhere.set(null)),
        switchMap(({ holderId }) =>
          this.api.elsewhere(holderId).pipe(catchError((problem: ApiProblem) => of(void this.notice.say(problem.message, 'Close')))),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((found) => this.elsewhere.set(found ?? null));
    this.lifting.dropped$.pipe(takeUntilDestroyed()).subscribe(({ parcel, spotId }) => this.drop(parcel, spotId));
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

  protected touch(parcel: BoardParcel, { currentTarget }: Event): void {
    this.button = currentTarget as HTMLElement;
    const { left, bottom } = this.button.getBoundingClientRect();
    this.touched.set(parcel);
    this.menuAt.set({ x: left, y: bottom });
    // Where the menu hangs is set before it asks.
    afterNextRender({ read: () => this.menu().openMenu() }, { injector: this.injector });
  }

  protected back(): void {
    this.button?.focus();
  }

  /** Whose bar is shown: one listener a board serves all that stand on it. */
  protected hold({ target }: Event): HTMLElement | null {
    const button = (target as Element).closest<HTMLElement>('button.parcel');
    this.held.set(button?.dataset['parcel'] ?? null);
    return button;
  }

  /** A pointer is upon a board: the parcel beneath it can be lifted. */
  protected ready({ board, parcels }: LaidBoard, event: Event): void {
    const button = this.hold(event);
    const parcel = parcels.find(({ parcel: { id } }) => id === this.held())?.parcel;
    if (!button || !parcel) return;
    const stages = this.boards().flatMap((laid, nth) => {
      const element = this.stages()[nth]?.nativeElement;
      return element ? [{ spotId: laid.board.spot.id, element }] : [];
    });
    const templates = { preview: this.preview(), placeholder: this.placeholder(), viewContainer: this.viewContainer };
    this.lifting.ready(button, parcel, board.spot.id, stages, templates);
  }

  private drop(parcel: BoardParcel, spotId: string): void {
    const refused = this.elsewhere()?.boards.find((one) => one.spotId === spotId)?.refused ?? null;
    const name = this.view()?.boards.find(({ spot }) => spot.id === spotId)?.spot.name ?? '';
    if (refused !== null) return void this.notice.say(`Not carried there. ${refused}`, 'Close');
    this.done(this.carrying.carry(parcel, this.standing(), { spotId, name, at: null }));
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
