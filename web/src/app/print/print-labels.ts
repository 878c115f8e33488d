import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { type FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { LabelsRequest, Paper } from '@fresh-tuck/contract';
import { gridFor, perPage, type LabelGrid, type LabelKind } from '@fresh-tuck/core/paper';
import { counted } from '@fresh-tuck/core/units';
import { type ApiProblem } from '../data/transport/transport.service';
import { type Choice, Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { showProblem } from '../kit/field-errors';
import { readBy, text, wholeFrom } from '../kit/validators';
import { handOver, PrintApi } from './print.api';

export interface LabelsToPrint {
  readonly items: LabelsRequest['items'];
}

const KINDS: readonly Choice<LabelKind>[] = [
  { value: 'stickers', text: 'a sheet of stickers', follows: 'by its own grid' },
  { value: 'strips', text: 'strips for plants', follows: 'plain paper, cut along the lines' },
  { value: 'cut', text: 'slips of plain paper', follows: 'cut by hand, laid into the bag' },
];
const PAPERS: readonly Choice<'a4' | 'letter'>[] = [
  { value: 'a4', text: 'A4' },
  { value: 'letter', text: 'US letter' },
];
/** A length as a ruler says it, mm: "63.5", "63,5 mm"; null where it is none. */
function readMm(words: string): number | null {
  const mm = Number(words.replace(',', '.').replace(/\s*mm$/i, ''));
  return words.trim() !== '' && Number.isFinite(mm) && mm >= 0 ? mm : null;
}
const SIZES = [
  ['columns', 'Labels across'],
  ['rows', 'Labels down'],
  ['widthMm', 'Width of one, mm'],
  ['heightMm', 'Height of one, mm'],
  ['leftMm', 'Edge on the left, mm'],
  ['topMm', 'Edge above, mm'],
  ['gapXMm', 'Gap side by side, mm'],
  ['gapYMm', 'Gap one below the other, mm'],
] as const;
/** Remembered here: the kind of sheet in the drawer, and where a half-used one goes on. */
const KEPT = 'fresh-tuck.labels';

/** Labels on paper: which kind of sheet, from which place of a half-used one on, and the grid of the household's stickers. */
@Component({
  selector: 'ft-print-labels',
  imports: [Choices, Field, MatButton, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './print-labels.html',
  styleUrl: './print-labels.scss',
})
export class PrintLabels {
  private readonly api = inject(PrintApi);
  private readonly destroyRef = inject(DestroyRef);
  private readonly dialog = inject<MatDialogRef<PrintLabels, boolean>>(MatDialogRef);
  protected readonly data = inject<LabelsToPrint>(MAT_DIALOG_DATA);
  protected readonly kinds = KINDS;
  protected readonly papers = PAPERS;
  protected readonly sizes = SIZES;
  protected readonly kind = signal<LabelKind>(kept().kind);
  protected readonly page = signal<'a4' | 'letter'>('a4');
  protected readonly paper = signal<Paper | null>(null);
  protected readonly editing = signal(false);
  protected readonly busy = signal(false);
  protected readonly failed = signal<string | null>(null);
  protected readonly from = text('1', wholeFrom(1, 800));
  protected readonly form = new FormGroup(
    Object.fromEntries(
      SIZES.map(([name]) => [name, name === 'columns' || name === 'rows' ? text('', wholeFrom(1, 40)) : text('', readBy(readMm))]),
    ) as Record<(typeof SIZES)[number][0], FormControl<string>>,
  );
  protected readonly grid = computed((): LabelGrid | null => {
    const paper = this.paper();
    return paper && gridFor(this.kind(), this.page(), paper.stickers);
  });
  protected readonly places = computed(() => {
    const grid = this.grid();
    return grid ? perPage(grid) : 1;
  });
  protected readonly told = computed(() => counted(this.data.items.length, 'label'));
  /** The places of the first sheet, drawn small: touch the first free one. */
  protected readonly cells = computed(() => {
    const grid = this.grid();
    if (!grid) return [];
    const first = Number(this.start());
    return Array.from({ length: perPage(grid) }, (_, index) => ({
      place: index + 1,
      taken: index + 1 < first,
      filled: index + 1 >= first && index + 1 < first + this.data.items.length,
    }));
  });
  protected readonly start = signal(1);

  constructor() {
    this.from.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      if (this.from.valid) this.start.set(Number(value));
    });
    this.api
      .paper()
      .pipe(takeUntilDestroyed())
      .subscribe({
        next: (paper) => {
          this.paper.set(paper);
          this.page.set(paper.page);
          for (const [name] of SIZES) this.form.controls[name].setValue(String(paper.stickers[name]));
          if (this.kind() === 'stickers') this.place(Math.min(kept().from, perPage(paper.stickers)));
        },
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }

  protected place(place: number): void {
    this.from.setValue(String(place));
  }
  protected choose(kind: LabelKind): void {
    this.kind.set(kind);
    this.place(kind === 'stickers' ? Math.min(kept().from, this.places()) : 1);
  }

  protected save(): void {
    const paper = this.paper();
    if (!paper || this.form.invalid) return this.form.markAllAsTouched();
    const sizes = Object.fromEntries(SIZES.map(([name]) => [name, readMm(String(this.form.controls[name].value)) ?? 0])) as Omit<
      LabelGrid,
      'page'
    >;
    this.busy.set(true);
    this.failed.set(null);
    this.api
      .savePaper({ id: uuid(), page: this.page(), stickers: { ...sizes, page: this.page() } })
      .pipe(
        finalize(() => this.busy.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (saved) => {
          this.paper.set(saved);
          this.editing.set(false);
        },
        error: (problem: ApiProblem) => {
          const names = Object.fromEntries(SIZES.map(([name]) => [name, `stickers.${name}`]));
          this.failed.set(showProblem(this.form, problem, names));
        },
      });
  }

  protected print(): void {
    if (this.from.invalid) return this.from.markAsTouched();
    this.busy.set(true);
    this.failed.set(null);
    const from = Number(this.from.value);
    this.api
      .labels({ kind: this.kind(), from, items: this.data.items })
      .pipe(
        finalize(() => this.busy.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (pdf) => {
          handOver(pdf, 'labels.pdf');
          const next = ((from - 1 + this.data.items.length) % this.places()) + 1;
          keep({ kind: this.kind(), from: this.kind() === 'stickers' ? next : kept().from });
          this.dialog.close(true);
        },
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }
}

function kept(): { kind: LabelKind; from: number } {
  try {
    return { kind: 'stickers', from: 1, ...(JSON.parse(localStorage.getItem(KEPT) ?? '{}') as object) };
  } catch {
    return { kind: 'stickers', from: 1 };
  }
}
function keep(said: { kind: LabelKind; from: number }): void {
  try {
    localStorage.setItem(KEPT, JSON.stringify(said));
  } catch {
    // A browser that keeps nothing asks again next time.
  }
}
