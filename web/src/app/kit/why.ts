import { ChangeDetectionStrategy, Component, input, signal } from '@angular/core';

let nextId = 1;

/** The figures behind a judgement, opened on asking. */
@Component({
  selector: 'ft-why',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="quiet" [attr.aria-expanded]="open()" [attr.aria-controls]="id" (click)="open.set(!open())">
      Why?<span class="unseen"> {{ about() }}</span>
    </button>
    @if (open()) {
      <ul [id]="id">
        @for (reason of reasons(); track $index) {
          <li>{{ reason }}</li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: inline;
    }
    button {
      min-height: 24px;
    }
    ul {
      margin: 8px 0 4px;
      padding: 0 0 0 18px;
      color: var(--ink-soft);
      font-size: 14px;
      line-height: 1.45;
    }
    li {
      margin: 3px 0;
    }
  `,
})
export class Why {
  readonly reasons = input.required<readonly string[]>();
  readonly about = input('');
  protected readonly open = signal(false);
  protected readonly id = `why-${nextId++}`;
}
