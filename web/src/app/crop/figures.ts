import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { catchError, of, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { CropFiguresRequest } from '@fresh-tuck/contract';
import { accepted, FIGURE_GROUPS, figureIn, FIGURES, groupOf, type Figure, type FigureValue } from '@fresh-tuck/core/crops';
import { inUnits } from '@fresh-tuck/core/units';
import { figureAsText, figureFrom, figureInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { CropApi } from './crop.api';
import { HouseholdApi } from '../data/household/household.api';

/** A figure in the form: as the book has it, as it stands, and what is typed. */
interface Row {
  readonly figure: Figure;
  readonly book: string;
  readonly bookText: string;
  readonly text: string;
  readonly options: readonly { value: string; label: string }[];
  readonly long: boolean;
}

const NAMES = 'Names';

/** Any figure of a crop set otherwise, or a crop of one's own begun from another. */
@Component({
  selector: 'ft-crop-figures',
  imports: [MatFormFieldModule, MatInputModule, MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './figures.html',
  styleUrl: './figures.scss',
})
export class CropFigures {
  private readonly api = inject(CropApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  private readonly about = inject(AboutService);
  readonly cropId = input.required<string>();
  /** Set by the route: figures of this crop, or of a new one that begins as its copy. */
  readonly copy = input(false);

  protected readonly sheet = toSignal(
    toObservable(this.cropId).pipe(switchMap((id) => this.householdApi.cropSheet(id).pipe(catchError(() => of(null))))),
  );
  private readonly units = computed(() => this.about.household().units);

  private readonly rows = computed<Row[]>(() => {
    const sheet = this.sheet();
    if (!sheet) return [];
    return FIGURES.map((figure) => {
      const book = figureIn(sheet.book, figure.path);
      return {
        figure,
        book: figureInWords(figure, book, this.units()),
        bookText: figureAsText(figure, book, this.units()),
        text: figureAsText(figure, figureIn(sheet.crop, figure.path), this.units()),
        options: [
          ...Object.entries(figure.choices).map(([value, label]) => ({ value, label })),
          ...(figure.kind === 'flag'
            ? [
                { value: 'true', label: 'yes' },
                { value: 'false', label: 'no' },
              ]
            : []),
        ],
        long: figure.kind === 'text' && figure.high > 200,
      };
    });
  });
  protected readonly groups = computed(() => {
    const name = (path: string): string => {
      const group = groupOf(path);
      return group ? FIGURE_GROUPS[group] : NAMES;
    };
    return [NAMES, ...Object.values(FIGURE_GROUPS)].map((group) => ({
      group,
      rows: this.rows().filter(({ figure }) => name(figure.path) === group),
    }));
  });

  /** What stands in the fields, by path. */
  protected readonly typed = linkedSignal<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(this.rows().map(({ figure, text }) => [figure.path, text])),
  );
  protected readonly name = linkedSignal(() => {
    const sheet = this.sheet();
    return sheet && (sheet.added || this.copy()) ? (this.copy() ? '' : sheet.crop.name) : '';
  });
  protected readonly named = computed(() => this.copy() || (this.sheet()?.added ?? false));
  protected readonly errors = signal<Readonly<Record<string, string>>>({});
  protected readonly error = signal<string | null>(null);
  protected readonly count = computed(() => this.rows().filter((row) => this.departs(row)).length);

  protected departs({ figure, bookText }: Row): boolean {
    return (this.typed()[figure.path] ?? bookText) !== bookText;
  }

  protected set(path: string, text: string): void {
    this.typed.update((typed) => ({ ...typed, [path]: text }));
    this.errors.update(({ [path]: _, ...rest }) => rest);
  }

  protected back(row: Row): void {
    this.set(row.figure.path, row.bookText);
  }

  protected save(): void {
    const sheet = this.sheet();
    if (!sheet) return;
    const errors: Record<string, string> = {};
    const figures: Record<string, FigureValue> = {};
    for (const row of this.rows()) {
      const { path } = row.figure;
      const text = this.typed()[path] ?? row.text;
      if (text === row.bookText) continue;
      // What was not touched keeps its exact figure: the field shows it rounded.
      const value = text === row.text && path in sheet.own ? sheet.own[path] : figureFrom(row.figure, text, this.units());
      if (value === undefined) errors[path] = inUnits(accepted(row.figure), this.units(), true);
      else figures[path] = value;
    }
    if (this.named() && this.name().trim() === '') errors['name'] = 'Give it a name of its own.';
    this.errors.set(errors);
    this.error.set(null);
    if (Object.keys(errors).length > 0) {
      this.error.set('Nothing is saved yet: see the fields in red.');
      return;
    }
    const body = { id: uuid(), name: this.named() ? this.name().trim() : null, figures: figures as CropFiguresRequest['figures'] };
    const saved = this.copy()
      ? this.api.addCrop({ ...body, name: body.name ?? '', like: this.cropId() })
      : this.api.setFigures(this.cropId(), body);
    saved.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: ({ crop }) => void this.router.navigate(['/crop', crop.id]),
      error: (problem: ApiProblem) => {
        const fields = ['name', ...this.rows().map(({ figure }) => figure.path)];
        const told = fields.flatMap((path) => {
          const message = problem.at(path);
          return message ? [[path, message] as const] : [];
        });
        this.errors.set(Object.fromEntries(told));
        this.error.set(told.length > 0 ? 'Nothing is saved yet: see the fields in red.' : problem.message);
      },
    });
  }
}
