import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { Factor } from '@fresh-tuck/core/sowing';
import { factorInWords } from '@fresh-tuck/core/words';
import { TuckPlan } from './tuck-plan';

/** What stands between a seed and a plant: every share can be seen, and left out by a touch. */
@Component({
  selector: 'ft-factors',
  imports: [MatButtonToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details>
      <summary>What is lost on the way</summary>
      <ul aria-label="What is lost on the way">
        @for (line of lines(); track line.factor) {
          <li>
            <span>{{ line.text }}</span>
            @if (line.factor !== 'shows') {
              <mat-button-toggle
                class="choice"
                [checked]="!line.out"
                (change)="toggle(line.factor)"
                [aria-label]="'Count it: ' + line.text"
              >
                {{ line.out ? 'left out' : 'counted' }}
              </mat-button-toggle>
            }
          </li>
        }
      </ul>
    </details>
  `,
  styles: `
    summary {
      min-height: 44px;
      padding-top: 10px;
      color: var(--growth-word);
      cursor: pointer;
    }
    ul {
      display: grid;
      gap: 6px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 12px;
      min-height: 48px;
      border-bottom: 1px solid var(--hairline);
      font-size: 15px;
    }
  `,
})
export class Factors {
  private readonly plan = inject(TuckPlan);
  protected readonly lines = computed(() => (this.plan.plan()?.factors ?? []).map((one) => ({ ...one, text: factorInWords(one) })));

  protected toggle(factor: Factor): void {
    this.plan.without.update((out) => (out.includes(factor) ? out.filter((one) => one !== factor) : [...out, factor]));
  }
}
