import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { parseMillimetres, parseMetres } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { showProblem } from '../kit/field-errors';
import { readBy, text } from '../kit/validators';
import { handOver, PrintApi } from './print.api';

/** What a template is laid over: a bed or a tray, by its sides in metres. */
export interface TemplateFor {
  readonly name: string;
  readonly widthM: number;
  readonly lengthM: number;
  /** Of the crop that goes there, where that is known. */
  readonly spacingCm?: { readonly inRow: number; readonly rows: number } | null;
}

/** A sheet with a cross where each plant goes, 1:1, glued together from pages where it is larger than one. */
@Component({
  selector: 'ft-print-template',
  imports: [Field, MatButton, MatDialogModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ data.name }} to scale</h2>
    <mat-dialog-content>
      <p class="soft">A cross for each plant; pages meet at their corner marks. A part of a long bed is enough: it is moved along.</p>
      <div class="fields" [formGroup]="form">
        <ft-field label="Wide" [control]="form.controls.widthMm" [accepted]="side" />
        <ft-field label="Long" [control]="form.controls.lengthMm" [accepted]="side" />
        <ft-field label="Apart in the row" [control]="form.controls.inRowMm" [accepted]="apart" />
        <ft-field label="Rows apart" [control]="form.controls.rowsMm" [accepted]="apart" />
        <label><input type="checkbox" formControlName="staggered" /> every second row shifted by half</label>
      </div>
      <p class="error" role="alert">{{ failed() ?? '' }}</p>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button matButton="outlined" type="button" class="plain" mat-dialog-close>Not now</button>
      <button matButton="filled" type="button" class="do" [disabled]="busy()" (click)="print()">Make the PDF</button>
    </mat-dialog-actions>
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px 14px;
      margin-top: 12px;
    }
    label {
      grid-column: 1 / -1;
      display: flex;
      gap: 8px;
      align-items: center;
      min-height: 48px;
    }
  `,
})
export class PrintTemplate {
  private readonly api = inject(PrintApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  private readonly dialog = inject<MatDialogRef<PrintTemplate>>(MatDialogRef);
  protected readonly data = inject<TemplateFor>(MAT_DIALOG_DATA);
  protected readonly busy = signal(false);
  protected readonly failed = signal<string | null>(null);
  private readonly units = computed(() => this.about.household().units);
  protected readonly side = 'A length like 1.2 m, 80 cm or 4 ft.';
  protected readonly apart = 'A distance like 20 cm, 0.2 m or 8 in, above 0.';
  private readonly metres = (words: string): number | null => parseMetres(words, this.units());
  private readonly metresAsMillimetres = (words: string): number | null => {
    const metres = this.metres(words);
    return metres === null ? null : metres * 1000;
  };
  /** A bare number is in centimetres, as seed packets say spacings. */
  private readonly spacing = (words: string): number | null => {
    const mm =
      /^[\d.,]+$/.test(words.trim()) && this.units() === 'metric'
        ? Number(words.replace(',', '.')) * 10
        : (parseMillimetres(words, this.units()) ?? this.metresAsMillimetres(words));
    return mm !== null && mm > 0 ? mm : null;
  };
  protected readonly form = new FormGroup({
    widthMm: text('', Validators.required, readBy(this.metres)),
    lengthMm: text('', Validators.required, readBy(this.metres)),
    inRowMm: text('', Validators.required, readBy(this.spacing)),
    rowsMm: text('', Validators.required, readBy(this.spacing)),
    staggered: new FormControl(false, { nonNullable: true }),
  });

  constructor() {
    this.form.controls.widthMm.setValue(`${Math.round(this.data.widthM * 100)} cm`);
    this.form.controls.lengthMm.setValue(`${Math.round(this.data.lengthM * 100)} cm`);
    const { spacingCm } = this.data;
    if (spacingCm) this.form.patchValue({ inRowMm: `${spacingCm.inRow} cm`, rowsMm: `${spacingCm.rows} cm` });
  }

  protected print(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { widthMm, lengthMm, inRowMm, rowsMm, staggered } = this.form.getRawValue();
    this.busy.set(true);
    this.failed.set(null);
    this.api
      .template({
        kind: 'bed',
        widthMm: (this.metres(widthMm) ?? 0) * 1000,
        lengthMm: (this.metres(lengthMm) ?? 0) * 1000,
        inRowMm: this.spacing(inRowMm) ?? 0,
        rowsMm: this.spacing(rowsMm) ?? 0,
        staggered,
      })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: (pdf) => {
          handOver(pdf, 'template.pdf');
          this.dialog.close();
        },
        error: (problem: ApiProblem) => {
          this.busy.set(false);
          this.failed.set(showProblem(this.form, problem));
        },
      });
  }
}
