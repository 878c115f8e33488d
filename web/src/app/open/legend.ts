import { ChangeDetectionStrategy, Component } from '@angular/core';
import { SEED_STAGES } from '@fresh-tuck/core/parcel';
import { SeedDrawing } from '../kit/seed';
import { STAGE_WORDS } from '@fresh-tuck/core/words';

/** The seven shapes a seed is drawn in. */
@Component({
  selector: 'ft-legend',
  imports: [SeedDrawing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul aria-label="What the shapes mean">
      @for (stage of stages; track stage) {
        <li>
          <svg viewBox="-7 -6.5 19 13" height="22" aria-hidden="true"><svg:g ftSeed [stage]="stage" [lengthMm]="7" /></svg>
          {{ words[stage] }}
        </li>
      }
      <li>
        <svg viewBox="-7 -6.5 19 13" height="22" aria-hidden="true"><svg:g ftSeed stage="tip" [moved]="true" [lengthMm]="7" /></svg>
        moved
      </li>
    </ul>
  `,
  styles: `
    :host {
      display: block;
    }
    ul {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 6px 14px;
      margin: 0;
      padding: 0;
      list-style: none;
      color: var(--ink-soft);
      font-size: 14px;
    }
    li {
      display: grid;
      justify-items: center;
      gap: 1px;
      line-height: 1.3;
    }
  `,
})
export class Legend {
  protected readonly stages = SEED_STAGES;
  protected readonly words = STAGE_WORDS;
}
