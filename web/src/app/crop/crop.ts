import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { catchError, of, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { type Crop, departures, FIGURE_GROUPS, type FigureGroup, schoolsFor } from '@fresh-tuck/core/crops';
import { comesBelowC } from '@fresh-tuck/core/warmth';
import {
  bladeInWords,
  cropIn,
  figureInWords,
  foodFridgeInWords,
  movingInWords,
  prepareInWords,
  regulatedInWords,
  yearInWords,
} from '@fresh-tuck/core/words';
import { capital, DAY_MS, inUnits, spanInWords } from '@fresh-tuck/core/units';
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

  private readonly found = toSignal(
    toObservable(this.cropId).pipe(
      switchMap((id) => this.changes.keep(() => this.householdApi.cropSheet(id).pipe(catchError(() => of(null))))),
    ),
  );
  protected readonly spots = toSignal(
    this.changes.keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  /** What was found, its texts in the household's units. */
  protected readonly sheet = computed(() => {
    const found = this.found();
    return found ? { ...found, crop: cropIn(found.crop, this.units()) } : found;
  });
  protected readonly trust = TRUST;
  protected readonly error = signal<string | null>(null);

  protected readonly sources = computed(() => {
    const crop = this.sheet()?.crop;
    return crop
      ? GROUPS.map(([group, name]) => ({ name, source: inUnits(crop[group].source, this.units()), trust: TRUST[crop[group].confidence] }))
      : [];
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
          choice: inUnits(school.choices.find(({ id }) => id === choice)?.label ?? '', this.units()),
          others: school.choices.filter(({ id }) => id !== choice).map((one) => ({ ...one, label: inUnits(one.label, this.units()) })),
        }))
      : [];
  });
  protected readonly decided = computed(() => this.schools().filter(({ own }) => own));
  protected readonly habits = computed(() => this.schools().filter(({ own }) => !own));

  protected warmth(celsius: number): string {
    return inUnits(`${celsius} °C`, this.units());
  }

  protected days(days: number): string {
    return spanInWords(days * DAY_MS);
  }

  protected hasYear({ growing }: Crop): boolean {
    return growing.startWeeksBeforeFrost !== null || growing.plantOutWeeksAfterFrost !== null;
  }

  protected readonly year = (crop: Crop): string => yearInWords(crop, this.units());
  protected readonly prepare = (crop: Crop): string => prepareInWords(crop, this.units());
  protected readonly move = (crop: Crop): string => movingInWords(crop, this.units());
  protected readonly blade = bladeInWords;
  protected readonly regulated = regulatedInWords;
  protected readonly capital = capital;
  protected readonly round = Math.round;
  protected readonly comesBelow = comesBelowC;
  /** Said of kinds that want chill: a fridge mostly holds food. */
  protected readonly foodFridge = (crop: Crop): string | null => (crop.chill.weeks > 0 ? foodFridgeInWords(crop, false) : null);

  protected remove(): void {
    this.api
      .removeCrop(this.cropId(), { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => void this.router.navigateByUrl('/notebook/handbook'),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
