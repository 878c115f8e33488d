import { createDragRef, createDropListRef, type DragRef, type DropListRef } from '@angular/cdk/drag-drop';
import { DestroyRef, inject, Injectable, Injector, signal, type TemplateRef, type ViewContainerRef } from '@angular/core';
import { Subject } from 'rxjs';
import type { BoardParcel } from '@fresh-tuck/contract';

/** A thumb that rests so long lifts a bag; a mouse at once, ms. */
const LIFT_MS = { touch: 350, mouse: 0 } as const;

/** A board that a bag can be put down on. */
export interface Stage {
  readonly spotId: string;
  readonly element: HTMLElement;
}
/** What is drawn of a bag under way, and where it stood. */
export interface LiftTemplates {
  readonly preview: TemplateRef<{ $implicit: BoardParcel }>;
  readonly placeholder: TemplateRef<unknown>;
  readonly viewContainer: ViewContainerRef;
}
interface Hand {
  readonly drag: DragRef<BoardParcel>;
  parcel: BoardParcel;
}

/**
 * Lifts bags from board to board. What a drag needs is made for a parcel when a pointer first comes upon it: made
 * for sixty at once it costs as much as to draw them.
 */
@Injectable()
export class Lifting {
  private readonly injector = inject(Injector);
  private readonly hands = new Map<HTMLElement, Hand>();
  private readonly lists = new Map<HTMLElement, DropListRef<string>>();
  private readonly wasLifted = new Subject<BoardParcel>();
  private readonly wasDropped = new Subject<{ readonly parcel: BoardParcel; readonly spotId: string }>();

  private readonly inHand = signal<BoardParcel | null>(null);
  private readonly heldOver = signal<string | null>(null);
  /** The bag that is lifted. */
  readonly lifted = this.inHand.asReadonly();
  /** The board that it is held over. */
  readonly over = this.heldOver.asReadonly();
  readonly lifted$ = this.wasLifted.asObservable();
  /** A bag put down on another board. */
  readonly dropped$ = this.wasDropped.asObservable();

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      for (const { drag } of this.hands.values()) drag.dispose();
      for (const list of this.lists.values()) list.dispose();
    });
  }

  /** A pointer is upon a parcel's button: from now on it can be lifted. @param on the board that it stands on */
  ready(button: HTMLElement, parcel: BoardParcel, on: string, stages: readonly Stage[], templates: LiftTemplates): void {
    const known = this.hands.get(button);
    if (known) {
      known.parcel = parcel;
      return;
    }
    const lists = stages.map((stage) => this.list(stage));
    for (const list of lists) list.connectedTo(lists.filter((other) => other !== list));
    const drag = createDragRef<BoardParcel>(this.injector, button);
    const hand: Hand = { drag, parcel };
    this.hands.set(button, hand);
    const home = lists[stages.findIndex(({ spotId }) => spotId === on)];
    if (home) drag._withDropContainer(home);
    drag.beforeStarted.subscribe(() => {
      home?.withItems([drag]);
      drag.dragStartDelay = LIFT_MS;
      drag
        .withPreviewTemplate({ template: templates.preview, context: { $implicit: hand.parcel }, viewContainer: templates.viewContainer })
        .withPlaceholderTemplate({ template: templates.placeholder, context: null, viewContainer: templates.viewContainer });
    });
    drag.started.subscribe(() => {
      this.inHand.set(hand.parcel);
      this.heldOver.set(null);
      this.wasLifted.next(hand.parcel);
    });
    drag.entered.subscribe(({ container }) => this.heldOver.set(container.data as string));
    drag.ended.subscribe(() => {
      this.inHand.set(null);
      this.heldOver.set(null);
    });
    drag.dropped.subscribe(({ container, previousContainer }) => {
      if (container !== previousContainer) this.wasDropped.next({ parcel: hand.parcel, spotId: container.data as string });
    });
  }

  /** Forgets the parcels and boards that are drawn no more. */
  tidy(): void {
    for (const [button, { drag }] of this.hands) {
      if (button.isConnected) continue;
      drag.dispose();
      this.hands.delete(button);
    }
    for (const [stage, list] of this.lists) {
      if (stage.isConnected) continue;
      list.dispose();
      this.lists.delete(stage);
    }
  }

  private list({ spotId, element }: Stage): DropListRef<string> {
    const known = this.lists.get(element);
    if (known) return known;
    const list = createDropListRef<string>(this.injector, element);
    list.data = spotId;
    list.sortingDisabled = true;
    this.lists.set(element, list);
    return list;
  }
}
