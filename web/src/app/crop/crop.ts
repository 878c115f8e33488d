import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { catchError, of, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { type Crop, departures, FIGURE_GROUPS, type FigureGroup, schoolsFor } from '@fresh-tuck/core/crops';
import { figureInWords } from '@fresh-tuck/core/words';
import { formatLength, formatTemperature } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { FirstSign } from './first-sign';
import { WarmthHill } from './warmth-hill';
import { YearBar } from './year-bar';
import { CropApi } from './crop.api';
import { HouseholdApi } from '../data/household/household.api';

const TRUST = { high: 'from tables', med: 'fairly sure', low: 'a guess' } as const;
const GROUPS = Object.entries(FIGURE_GROUPS) as [FigureGroup, string][];

const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());

const weeks = ([low, high]: readonly [number, number]): string => `${low === high ? low : `${low} to ${high}`} weeks`;

/** A stretch that begins before the last frost. */
const aroundFrost = ([low, high]: readonly [number, number]): string =>
  high <= 0 ? `${weeks([-high, -low])} before it` : `from ${-low} weeks before it to ${high} after`;

/** A crop's sheet: what it wants, drawn for this household, and where each figure comes from. */
@Component({
  selector: 'ft-crop',
  imports: [MatButton, FirstSign, RouterLink, WarmthHill, YearBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './crop.html',
  styleUrl: './crop.scss',
})
export class CropScreen {
  private readonly api = inject(CropApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  private readonly changes = inject(Changes);
  protected readonly about = inject(AboutService);
  readonly cropId = input.required<string>();

  protected readonly sheet = toSignal(
    toObservable(this.cropId).pipe(
      switchMap((id) => this.changes.keep(() => this.householdApi.cropSheet(id).pipe(catchError(() => of(null))))),
    ),
  );
  protected readonly spots = toSignal(
    this.changes.keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  protected readonly trust = TRUST;
  protected readonly error = signal<string | null>(null);

  protected readonly sources = computed(() => {
    const crop = this.sheet()?.crop;
    return crop ? GROUPS.map(([group, name]) => ({ name, source: crop[group].source, trust: TRUST[crop[group].confidence] })) : [];
  });
  protected readonly units = computed(() => this.about.household().units);
  /** Where the household's figures leave the book's. */
  protected readonly departures = computed(() => {
    const sheet = this.sheet();
    return sheet
      ? departures(sheet.book, sheet.own).map(({ figure, book, own }) => ({
          path: figure.path,
          label: figure.label,
          book: figureInWords(figure, book, this.units()),
          own: figureInWords(figure, own, this.units()),
        }))
      : [];
  });
  protected readonly schools = computed(() => {
    const crop = this.sheet()?.crop;
    return crop
      ? schoolsFor(crop).map(({ school, choice, why, own }) => ({
          id: school.id,
          question: school.question,
          own,
          why,
          choice: school.choices.find(({ id }) => id === choice)?.label ?? '',
          others: school.choices.filter(({ id }) => id !== choice),
        }))
      : [];
  });
  protected readonly decided = computed(() => this.schools().filter(({ own }) => own));
  protected readonly habits = computed(() => this.schools().filter(({ own }) => !own));

  protected length(mm: number): string {
    return formatLength(mm, this.units());
  }

  protected warmth(celsius: number): string {
    return formatTemperature(celsius, this.units());
  }

  protected hasYear({ growing }: Crop): boolean {
    return growing.startWeeksBeforeFrost !== null || growing.plantOutWeeksAfterFrost !== null;
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

  /** Whether a blade comes into it: the caution stands beside the step. */
  protected blade({ preparation }: Crop): boolean {
    return preparation.steps.some((step) => step === 'nick' || step === 'file' || step === 'peel');
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

  protected remove(): void {
    this.api
      .removeCrop(this.cropId(), { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => void this.router.navigateByUrl('/handbook'),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
