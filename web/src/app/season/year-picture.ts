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
import type { Season, SeasonLot } from '@fresh-tuck/contract';
import { gardenYear, strata, type Stem } from '@fresh-tuck/core/drawing';
import { Marks } from './marks';

const dayOf = ({ stages }: SeasonLot, stage: string) => stages.find((one) => one.stage === stage) ?? null;
/** A day that was planned is drawn where it was begun so many days off. */
const OFF_DAYS = 3;

/** A lot as a stem of the garden year. */
export function stemOf(lot: SeasonLot, due: boolean): Stem {
  const out = dayOf(lot, 'planted_out');
  const begun = lot.state !== 'planned';
  const planned = lot.words.start === null ? lot.best : Date.parse(`${lot.words.start}T00:00:00Z`) / 86_400_000;
  return {
    id: lot.wishId,
    title: lot.title,
    start: lot.start,
    moved: dayOf(lot, 'moved')?.at50 ?? lot.start + 7,
    out: out && { at10: out.at10, at50: out.at50, at90: out.at90 },
    ripe: dayOf(lot, 'ripe')?.at50 ?? null,
    end: lot.endInWords,
    trouble: lot.inTrouble,
    due,
    begun,
    planned: begun && Math.abs(planned - lot.start) > OFF_DAYS ? planned : null,
    cells: lot.cells,
    yields: lot.yields as Stem['yields'],
  };
}

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
      .filter(({ holds, kind, overflows }) => (kind === 'lit' && holds !== null) || overflows.length > 0)
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
