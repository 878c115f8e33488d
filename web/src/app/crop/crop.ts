import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { catchError, of, switchMap } from 'rxjs';
import type { Crop } from '@fresh-tuck/core';
import { formatLength, formatTemperature } from '@fresh-tuck/core/units';
import { AboutService } from '../data/about.service';
import { Api } from '../data/api.service';
import { Changes } from '../data/changes.service';
import { SeedDrawing } from '../kit/seed';
import { WarmthHill } from './warmth-hill';

const TRUST = { high: 'from tables', med: 'fairly sure', low: 'a guess' } as const;
const GROUPS: readonly (readonly [
  string,
  'seed' | 'temperature' | 'days' | 'root' | 'viability' | 'chill' | 'water' | 'preparation' | 'moving' | 'growing' | 'methods' | 'hazards',
])[] = [
  ['Seed', 'seed'],
  ['Temperature', 'temperature'],
  ['Days', 'days'],
  ['Roots', 'root'],
  ['Living share', 'viability'],
  ['Chill', 'chill'],
  ['Water', 'water'],
  ['Preparing', 'preparation'],
  ['Moving', 'moving'],
  ['Growing on', 'growing'],
  ['Methods', 'methods'],
  ['Cautions', 'hazards'],
];

const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());

const weeks = ([low, high]: readonly [number, number]): string => `${low === high ? low : `${low} to ${high}`} weeks`;

/** A stretch that begins before the last frost. */
const aroundFrost = ([low, high]: readonly [number, number]): string =>
  high <= 0 ? `${weeks([-high, -low])} before it` : `from ${-low} weeks before it to ${high} after`;

/** A crop's sheet: what it wants, drawn for this household, and where each figure comes from. */
@Component({
  selector: 'ft-crop',
  imports: [RouterLink, SeedDrawing, WarmthHill],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './crop.html',
  styleUrl: './crop.scss',
})
export class CropScreen {
  private readonly api = inject(Api);
  protected readonly about = inject(AboutService);
  readonly cropId = input.required<string>();

  protected readonly crop = toSignal(toObservable(this.cropId).pipe(switchMap((id) => this.api.crop(id).pipe(catchError(() => of(null))))));
  protected readonly spots = toSignal(
    inject(Changes).keep(() => this.api.spots()),
    { initialValue: [] },
  );
  protected readonly trust = TRUST;

  protected readonly sources = computed(() => {
    const crop = this.crop();
    return crop ? GROUPS.map(([name, group]) => ({ name, source: crop[group].source, trust: TRUST[crop[group].confidence] })) : [];
  });
  protected readonly units = computed(() => this.about.household().units);

  protected length(mm: number): string {
    return formatLength(mm, this.units());
  }

  protected warmth(celsius: number): string {
    return formatTemperature(celsius, this.units());
  }

  /** The year around the last frost in sentences. */
  protected year({ growing }: Crop): string {
    const { startWeeksBeforeFrost: start, plantOutWeeksAfterFrost: out, minSoilC, harvestDaysAfterPlantingOut: harvest } = growing;
    const parts = [
      start ? `start ${weeks(start)} before it` : '',
      out ? `plant out ${out[0] < 0 ? aroundFrost(out) : `${weeks(out)} after it`}` : '',
      minSoilC === null ? '' : `with the soil at ${this.warmth(minSoilC)} or more`,
    ].filter(Boolean);
    const sentence = parts.length > 0 ? `${capital(parts.join(', '))}.` : 'The frost has no say: it is kept in a pot.';
    return harvest ? `${sentence} From planting out to harvest ${harvest[0]} to ${harvest[1]} days.` : sentence;
  }

  protected prepare({ preparation, chill, water }: Crop): string {
    const cold =
      chill.weeks > 0 ? ` Chill ${chill.weeks} ${chill.weeks === 1 ? 'week' : 'weeks'} at about ${this.warmth(chill.celsius)}.` : '';
    return `${preparation.text}${cold} Never under water for more than ${water.drowningLimitHours} h.`;
  }

  protected move({ root, moving }: Crop): string {
    const place = moving.surfaceSown ? 'On the surface, pressed in' : `Root down, ${this.length(moving.depthMm)} deep`;
    return `At ${this.length(root.readyMm)} of root; near ${this.length(root.lateMm)} it is in the paper. ${place}, into damp ${moving.mix} (${moving.pot}).`;
  }

  protected regulated({ hazards }: Crop): string | null {
    const note = hazards.regulated.replace(/^none known;? ?/, '');
    return note === '' ? null : `${capital(note)}.`;
  }

  protected caution({ hazards }: Crop): string {
    return capital(hazards.text);
  }

  protected sign(crop: Crop): string {
    return crop.moving.firstSign === 'green_speck' ? 'a green speck on the surface' : 'a white nib at the narrow end';
  }
}
