import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { create } from 'qrcode';
import { codeText } from '@fresh-tuck/core/paper';

/** The label of a batch: its number, what it is, and a code that the find box reads, with no address in it. */
@Component({
  selector: 'ft-label',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="label">
      <b>{{ number() ?? '–' }}</b>
      <p>
        <strong>{{ title() }}</strong><span>{{ detail() }}</span>
      </p>
      @if (code(); as code) {
        <svg [attr.viewBox]="'0 0 ' + code.size + ' ' + code.size" width="58" role="img" aria-label="Code of this batch">
          <path [attr.d]="code.path" />
        </svg>
      }
    </div>
  `,
  styles: `
    .label {
      display: flex;
      align-items: center;
      gap: 14px;
      min-height: 76px;
      padding: 8px 14px;
      border: 1.4px solid var(--ink);
      border-radius: 4px;
      background: var(--surface);
    }
    b {
      font: 800 34px var(--heading);
    }
    p {
      flex: 1;
      font-size: 14px;
      line-height: 1.35;
      color: var(--ink-soft);
    }
    strong,
    span {
      display: block;
    }
    strong {
      color: var(--ink);
      font-size: 16px;
    }
    svg {
      flex: none;
      padding: 3px;
      background: #fff;
    }
    path {
      fill: #000;
    }
  `,
})
export class Label {
  /** Null before the batch has its number. */
  readonly number = input<number | null>(null);
  readonly title = input.required<string>();
  readonly detail = input.required<string>();
  readonly token = input<string | null>(null);

  protected readonly code = computed(() => {
    const token = this.token();
    if (!token) return null;
    const { size, data } = create(codeText(token), { errorCorrectionLevel: 'M' }).modules;
    const path = Array.from(data, (dark, index) => (dark ? `M${index % size} ${Math.floor(index / size)}h1v1h-1z` : '')).join('');
    return { size, path };
  });
}
