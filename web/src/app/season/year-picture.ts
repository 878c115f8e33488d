import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  signal,
} from '@angular/core';
import type { Season } from '@fresh-tuck/contract';
import { gardenYear, stemOf, strata } from '@fresh-tuck/core/drawing';
import { Marks } from './marks';

/** The garden year, drawn as wide as there is room; under it what stands in each lit place, on the same days. */
@Component({
  selector: 'ft-year-picture',
  imports: [Marks],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './year-picture.html',
  styleUrl: './year-picture.scss',
})
export class YearPicture {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly season = input.required<Season>();
  protected readonly width = signal(0);

  protected readonly titles = computed(
    () => new Map(this.season().lots.map(({ wishId, title, endInWords }) => [wishId, `${title}: ${endInWords}`])),
  );
  protected readonly query = computed(() => ({ year: this.season().year }));
  protected readonly drawing = computed(() => {
    const { lots, due, frost, today, year } = this.season();
    const soon = new Set(due.map(({ wishId }) => wishId));
    const stems = lots.filter(({ stages }) => stages.length > 0).map((lot) => stemOf(lot, soon.has(lot.wishId)));
    return this.width() === 0 ? null : gardenYear({ year, today, stems, spring: frost.spring, autumn: frost.autumn }, this.width());
  });
  /** Rooms that are drawn: those under light, and whatever overflows. */
  protected readonly rooms = computed(() => {
    const drawing = this.drawing();
    if (!drawing) return [];
    const { rooms, span } = this.season();
    return rooms
      .filter(({ holds, kind, lots, overflows }) => (kind === 'lit' && holds !== null && lots.length > 0) || overflows.length > 0)
      .map((room) => {
        const lots = room.lots.map(({ wishId, ...lot }) => ({ id: wishId, ...lot }));
        return { room, ...strata({ ...room, lots, first: span.first }, drawing.scale, drawing.width) };
      });
  });
  protected readonly todayX = computed(() => this.drawing()?.scale.x(this.season().today) ?? 0);
  protected readonly inWords = computed(
    () =>
      `The year between the frosts, indoors below the ground and outdoors above it: ${this.season().lots.length} sowings, each a link to its days.`,
  );

  constructor() {
    const destroyRef = inject(DestroyRef);
    afterNextRender(() => {
      const element = this.host.nativeElement;
      const measure = (): void => this.width.set(Math.max(Math.floor(element.clientWidth), 300));
      measure();
      const watch = new ResizeObserver(measure);
      watch.observe(element);
      destroyRef.onDestroy(() => watch.disconnect());
    });
  }
}
