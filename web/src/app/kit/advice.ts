import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Advice as Line } from '@fresh-tuck/core/words';

/** What to do, most pressing first: a lead, by when, and how. */
@Component({
  selector: 'ft-advice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (line of advice(); track $index) {
        <li>
          <div>
            <h3>{{ line.lead }}</h3>
            @if (line.by) {
              <b [class]="line.tone">{{ line.by }}</b>
            }
          </div>
          <p>{{ line.text }}</p>
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 11px 0;
      border-bottom: 1px solid var(--hairline);
    }
    div {
      display: flex;
      justify-content: space-between;
      align-items: baseline;
      gap: 10px;
    }
    h3 {
      font: 700 17px/1.3 var(--text);
      letter-spacing: 0;
    }
    b {
      flex: none;
      font-size: 15px;
    }
    p {
      font-size: 15.5px;
      line-height: 1.5;
    }
  `,
})
export class Advice {
  readonly advice = input.required<readonly Line[]>();
}
