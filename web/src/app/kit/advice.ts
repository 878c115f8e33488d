import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Act, Advice as Line } from '@fresh-tuck/core/words';

/** What to do, most pressing first: a lead, by when, how, and the button that does it. */
@Component({
  selector: 'ft-advice',
  imports: [MatButton],
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
          @if (line.button; as button) {
            @if (!without().includes(button.act.does)) {
              <button matButton="outlined" type="button" class="plain" (click)="acted.emit(button.act)">{{ button.label }}</button>
            }
          }
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
    button {
      margin-top: 8px;
    }
  `,
})
export class Advice {
  readonly advice = input.required<readonly Line[]>();
  /** Buttons that the screen has already. */
  readonly without = input<readonly Act['does'][]>([]);
  readonly acted = output<Act>();
}
