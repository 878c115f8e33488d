import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatButton } from '@angular/material/button';
import { MAT_BOTTOM_SHEET_DATA, MatBottomSheetRef } from '@angular/material/bottom-sheet';
import { SEED_STAGES, type SeedMark, type SeedStage } from '@fresh-tuck/core/parcel';
import { parseMillimetres, type UnitSystem } from '@fresh-tuck/core/units';
import { SeedDrawing } from '../kit/seed';
import { STAGE_WORDS } from '@fresh-tuck/core/words';

export interface SeedSheetData {
  readonly seed: number;
  readonly stage: SeedStage;
  readonly rootMm: number | null;
  readonly units: UnitSystem;
}

/** Everything one seed can be, with the length of its root. */
@Component({
  selector: 'ft-seed-sheet',
  imports: [MatButtonToggleModule, MatFormFieldModule, MatInputModule, MatButton, SeedDrawing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="seed-sheet">Seed {{ data.seed }}</h2>
    <mat-button-toggle-group
      class="choices stages"
      aria-labelledby="seed-sheet"
      hideSingleSelectionIndicator
      [value]="chosen()"
      (change)="chosen.set($event.value)"
    >
      @for (stage of stages; track stage) {
        <mat-button-toggle class="choice" [value]="stage">
          <svg viewBox="-9 -7 22 14" width="44" aria-hidden="true"><svg:g ftSeed [stage]="stage" [lengthMm]="8" /></svg>
          {{ words[stage] }}
        </mat-button-toggle>
      }
    </mat-button-toggle-group>
    @if (chosen() === 'root' || chosen() === 'leaves' || chosen() === 'tip') {
      <label>
        Root length, if you measured it
        <mat-form-field class="entry" appearance="outline" subscriptSizing="dynamic"
          ><input
            matInput
            #length
            inputmode="text"
            [value]="data.rootMm ?? ''"
            placeholder="12 mm or 1/2 in"
            (input)="typed.set(length.value)"
            [attr.aria-invalid]="error() !== null"
            aria-describedby="length-error"
        /></mat-form-field>
      </label>
      <p class="error" id="length-error">{{ error() ?? '' }}</p>
    }
    <div class="foot">
      <button matButton="outlined" type="button" class="plain" (click)="sheet.dismiss()">Leave as it was</button>
      <button matButton="filled" type="button" class="do" (click)="keep()">Mark seed {{ data.seed }}</button>
    </div>
  `,
  styles: `
    :host {
      display: block;
      padding: 22px 8px 10px;
    }
    .stages {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
      gap: 10px;
      margin: 14px 0;
    }
    .choice {
      --choice-padding: 6px 8px;
      flex-direction: column;
      gap: 2px;
      min-height: 72px;
    }
    label {
      display: grid;
      gap: 6px;
      font-weight: 700;
    }
    .foot {
      display: flex;
      justify-content: space-between;
      gap: 12px;
      margin-top: 16px;
    }
  `,
})
export class SeedSheet {
  protected readonly data = inject<SeedSheetData>(MAT_BOTTOM_SHEET_DATA);
  protected readonly sheet = inject<MatBottomSheetRef<SeedSheet, SeedMark>>(MatBottomSheetRef);
  protected readonly stages = SEED_STAGES;
  protected readonly words = STAGE_WORDS;
  protected readonly chosen = signal<SeedStage>(this.data.stage);
  protected readonly typed = signal(this.data.rootMm === null ? '' : String(this.data.rootMm));
  protected readonly error = signal<string | null>(null);

  protected keep(): void {
    const text = this.typed().trim();
    const rooted = this.chosen() === 'root' || this.chosen() === 'leaves' || this.chosen() === 'tip';
    const length = text === '' || !rooted ? null : parseMillimetres(text, this.data.units);
    if (text !== '' && rooted && (length === null || length > 400)) {
      this.error.set(
        this.data.units === 'us'
          ? 'A root length is a number up to 15 3/4 in, like 1/2, 1/2 in or 12 mm.'
          : 'A root length is a number up to 400 mm, like 12, 12 mm or 1/2 in.',
      );
      return;
    }
    this.sheet.dismiss({ seed: this.data.seed, stage: this.chosen(), rootMm: length });
  }
}
