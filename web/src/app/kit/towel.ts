import { FocusKeyManager } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, computed, inject, Injector, input, output, signal, viewChildren } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { layOut, nearestDistance } from '@fresh-tuck/core/carrier';
import type { Medium } from '@fresh-tuck/core/crops';
import { drawnAs, hasPlaces, methodOf, seated, type MethodId } from '@fresh-tuck/core/method';
import { counted } from '@fresh-tuck/core/units';
import { STAGE_WORDS } from '@fresh-tuck/core/words';
import { MatButton } from '@angular/material/button';
import { Ground } from './ground';
import { leaning } from './parcel';
import { SeedDrawing } from './seed';
import { SeedPlace, type Placed, type TowelSeed } from './seed-place';
import { towelZoom } from './towel-zoom';

export type { TowelSeed };

const LEAST_DRAWN_MM = 5.5;
const HOLD_MS = 500;
/** A finger that moves less has not dragged, px. */
const DRAG_PX = 9;
const MOST_ROOT_MM = 200;
const SCALE_MM = 8;

/** Quilted paper to scale, seeds where they were laid. Touch one to advance it, hold it for more. */
@Component({
  selector: 'ft-towel',
  imports: [Ground, MatButton, SeedDrawing, SeedPlace],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (zoom.tight()) {
      <p class="near">
        @if (zoom.near()) {
          <button matButton="outlined" type="button" class="choice" (click)="zoom.leave()">Show the whole towel</button>
        } @else {
          Touch a part of the towel: it comes near.
        }
      </p>
    }
    <svg [attr.viewBox]="zoom.viewBox()" [attr.role]="live() ? 'group' : 'img'" [attr.aria-label]="label()">
      <svg:g
        ftGround
        [carrier]="carrier()"
        [medium]="medium()"
        [widthMm]="widthMm()"
        [heightMm]="drawnHeight()"
        [places]="places() ?? seeds().length"
      />
      @for (edge of edges(); track edge.y) {
        <path class="edge" [attr.d]="'M0.4 ' + edge.y + 'H' + (widthMm() - 0.4)" />
        <text class="scale-text" x="3" [attr.y]="edge.y + 5.5">towel {{ edge.number }}</text>
      }
      @for (place of placed(); track place.seed.seed) {
        <g
          class="place"
          [ftSeedPlace]="place"
          [class.live]="live() && !place.seed.moved"
          [attr.transform]="'translate(' + place.x + ' ' + place.y + ')'"
          [attr.role]="live() ? 'button' : null"
          [attr.tabindex]="live() && !place.seed.moved ? (place.seed.seed === tabStop() ? 0 : -1) : null"
          [attr.aria-disabled]="live() && place.seed.moved ? true : null"
          [attr.aria-label]="live() ? nameOf(place.seed) : null"
          (click)="touch(place)"
          (keydown)="key($event, place)"
          (focus)="keys.updateActiveItem($index)"
          (contextmenu)="more($event, place.seed)"
          (pointerdown)="press($event, place)"
          (pointermove)="drag($event, place)"
          (pointerup)="release()"
          (pointercancel)="release()"
        >
          @if (room()) {
            <circle class="room" [attr.r]="roomMm() / 2" />
          }
          <circle class="target" [attr.r]="targetMm()" />
          @if (place.seed.fresh) {
            <circle class="fresh" [attr.r]="ringMm()" />
          }
          <svg:g
            ftSeed
            [stage]="place.seed.stage"
            [moved]="place.seed.moved"
            [lengthMm]="drawnMm()"
            [rootMm]="place.seed.rootMm"
            [angle]="place.angle"
          />
          @if (numbered() && place.seed.stage !== 'quiet') {
            <text class="number" [attr.y]="-drawnMm() / 2 - 2.2" text-anchor="middle">{{ place.seed.seed }}</text>
          }
          @if (place.seed.rootMm !== null && !place.seed.moved) {
            <text class="length" [attr.y]="drawnMm() / 2 + 5.6" text-anchor="middle">{{ lengthText()(place.seed.rootMm) }}</text>
          }
        </g>
      }
      <g [attr.transform]="'translate(' + (widthMm() - 32) + ' ' + (drawnHeight() + scaleMm() - 4.5) + ')'">
        <path class="scale" d="M-16 0H9M-16 -1.4V1.4M9 -1.4V1.4" />
        <text class="scale-text" x="11.5" y="1.5">{{ lengthText()(25) }}</text>
      </g>
    </svg>
  `,
  styleUrl: './towel.scss',
})
export class Towel {
  readonly seeds = input.required<readonly TowelSeed[]>();
  readonly widthMm = input.required<number>();
  readonly heightMm = input.required<number>();
  readonly seedLengthMm = input.required<number>();
  /** What it lies in: its drawing, and where its seed sits. */
  readonly method = input<MethodId>('towel');
  readonly medium = input<Medium>('paper');
  /** Cells, slots, pellets or pots; one a seed where nothing stands. */
  readonly places = input<number | null>(null);
  /** Seeds on each of several towels, drawn one under the other; one towel where nothing stands. */
  readonly shares = input<readonly number[]>([]);
  /** Whether seeds can be touched. */
  readonly live = input(false);
  /** Whether seeds that show something wear the number that words call them by. */
  readonly numbered = input(false);
  /** Shades the room that each seed's root needs, of this diameter, mm. */
  readonly roomMm = input(0);
  readonly lengthText = input<(mm: number) => string>((mm) => `${Math.round(mm)} mm`);
  readonly touched = output<number>();
  /** Held, or asked for with M: the rest of what a seed can be. */
  readonly asked = output<number>();
  /** A root drawn out of its seed, mm. */
  readonly drawn = output<{ readonly seed: number; readonly mm: number }>();

  private readonly seedPlaces = viewChildren(SeedPlace);
  /** From seed to seed in the order in which they lie; up and down go to the nearest that way. */
  protected readonly keys = new FocusKeyManager(this.seedPlaces, inject(Injector))
    .withHorizontalOrientation('ltr')
    .withHomeAndEnd()
    .skipPredicate(({ disabled }) => disabled);
  private readonly active = signal(-1);
  /** The towel is one stop of the tab key: the seed where the fingers were last, else the first that is there. */
  protected readonly tabStop = computed(() => {
    const here = this.placed()[this.active()]?.seed;
    return (here && !here.moved ? here : this.seeds().find(({ moved }) => !moved))?.seed ?? null;
  });
  private holding: ReturnType<typeof setTimeout> | null = null;
  private held = false;
  private pressedAt: { readonly x: number; readonly y: number } | null = null;

  private readonly several = computed(() => (this.shares().length > 1 ? this.shares() : [this.seeds().length]));
  protected readonly drawnHeight = computed(() => this.heightMm() * this.several().length);
  protected readonly edges = computed(() =>
    this.shares().length > 1 ? this.several().map((_, index) => ({ number: index + 1, y: index * this.heightMm() })) : [],
  );
  protected readonly carrier = computed(() => methodOf(this.method()).carrier);
  /** Room for the scale below what is full of places, mm. */
  protected readonly scaleMm = computed(() => (hasPlaces(this.carrier()) ? SCALE_MM : 0));
  private readonly layout = computed(() => {
    if (hasPlaces(this.carrier())) {
      const count = Math.max(this.seeds().length, 1);
      const spots = seated(this.carrier(), this.places() ?? count, count);
      return { nearestMm: nearestDistance(spots), spots };
    }
    const layouts = this.several().map((count) => layOut(Math.max(count, 1), this.widthMm(), this.heightMm()));
    return {
      nearestMm: Math.min(...layouts.map(({ nearestMm }) => nearestMm)),
      spots: layouts.flatMap(({ spots }, index) => spots.map(({ xMm, yMm }) => ({ xMm, yMm: yMm + index * this.heightMm() }))),
    };
  });
  protected readonly room = computed(() => this.roomMm() > 0);
  protected readonly drawnMm = computed(() =>
    Math.min(Math.max(this.seedLengthMm() * 1.5, LEAST_DRAWN_MM), this.layout().nearestMm * 0.45, 14),
  );
  protected readonly targetMm = computed(() => Math.min(12, Math.max(this.layout().nearestMm / 2 - 0.5, 4.8)));
  protected readonly ringMm = computed(() => Math.min(this.drawnMm() * 1.05 + 2, this.targetMm()));
  protected readonly label = computed(
    () => `${drawnAs(methodOf(this.method()), this.places() ?? this.seeds().length)} with ${counted(this.seeds().length, 'seed')}`,
  );
  protected readonly placed = computed<Placed[]>(() =>
    this.seeds().map((seed, index) => {
      const spot = this.layout().spots[index] ?? { xMm: 0, yMm: 0 };
      return { seed, x: spot.xMm, y: spot.yMm, angle: leaning(index) };
    }),
  );

  protected readonly zoom = towelZoom({
    live: this.live,
    widthMm: this.widthMm,
    heightMm: computed(() => this.drawnHeight() + this.scaleMm()),
    nearestMm: computed(() => this.layout().nearestMm),
  });

  constructor() {
    this.keys.change.pipe(takeUntilDestroyed()).subscribe((index) => this.active.set(index));
  }

  protected nameOf({ seed, stage, moved, rootMm, fresh }: TowelSeed): string {
    if (moved) return `Seed ${seed}, moved`;
    const length = rootMm === null ? '' : ` ${this.lengthText()(rootMm)}`;
    return `Seed ${seed}, ${STAGE_WORDS[stage]}${length}${fresh ? ', marked now' : ''}`;
  }

  protected touch(place: Placed): void {
    const { seed, moved } = place.seed;
    if (!this.live() || this.held || this.zoom.approach(place) || moved) return;
    this.touched.emit(seed);
  }

  protected key(event: KeyboardEvent, place: Placed): void {
    const { seed } = place;
    if (!this.live() || seed.moved || event.ctrlKey || event.metaKey) return;
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.touched.emit(seed.seed);
    } else if (event.key === 'm' || event.key === 'M') {
      event.preventDefault();
      this.asked.emit(seed.seed);
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      this.goTo(place, event.key === 'ArrowUp' ? -1 : 1);
    } else this.keys.onKeydown(event);
  }

  /** To the nearest seed above or below: what lies straight there before what lies aside. */
  private goTo({ x, y }: Placed, way: -1 | 1): void {
    const far = ({ x: otherX, y: otherY }: Placed): number => Math.abs(otherY - y) + 2 * Math.abs(otherX - x);
    const there = this.placed().filter((other) => !other.seed.moved && way * (other.y - y) > 1);
    const [nearest] = [...there].sort((a, b) => far(a) - far(b));
    if (nearest) this.keys.setActiveItem(this.placed().indexOf(nearest));
  }

  protected more(event: Event, { seed, moved }: TowelSeed): void {
    if (!this.live() || moved) return;
    event.preventDefault();
    this.held = true;
    this.asked.emit(seed);
  }

  protected press(event: PointerEvent, { seed: { seed, moved } }: { seed: TowelSeed }): void {
    this.held = false;
    this.release();
    if (!this.live() || moved) return;
    this.pressedAt = { x: event.clientX, y: event.clientY };
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.holding = setTimeout(() => {
      this.held = true;
      this.asked.emit(seed);
    }, HOLD_MS);
  }

  /** Dragging out of a seed draws its root, to the scale of the paper. */
  protected drag(event: PointerEvent, { seed: { seed }, x, y }: { seed: TowelSeed; x: number; y: number }): void {
    const from = this.pressedAt;
    const svg = (event.currentTarget as SVGElement).ownerSVGElement;
    const matrix = svg?.getScreenCTM();
    if (!from || !matrix || Math.hypot(event.clientX - from.x, event.clientY - from.y) < DRAG_PX) return;
    if (this.holding) clearTimeout(this.holding);
    this.holding = null;
    this.held = true;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    this.drawn.emit({ seed, mm: Math.min(Math.max(Math.hypot(at.x - x, at.y - y) - this.drawnMm() / 2, 1), MOST_ROOT_MM) });
  }

  protected release(): void {
    if (this.holding) clearTimeout(this.holding);
    this.holding = null;
    this.pressedAt = null;
  }
}
