import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Supplies } from '@fresh-tuck/core/sowing';
import { labelCountInWords, suppliesInWords } from '@fresh-tuck/core/words';

/** Everything that stands ready before the first packet is opened, drawn and counted. */
@Component({
  selector: 'ft-on-the-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      @for (line of lines(); track line.what + line.text) {
        <li>
          <svg viewBox="0 0 96 74" aria-hidden="true" [class]="line.what">
            @switch (line.what) {
              @case ('sheets') {
                @for (nth of stack(line.amount); track nth) {
                  <rect class="paper" [attr.x]="26 - nth * 3" [attr.y]="6 + nth * 3" width="48" height="50" />
                }
              }
              @case ('bags') {
                @for (nth of stack(line.amount); track nth) {
                  <g [attr.transform]="'rotate(' + (nth * 7 - 14) + ' 46 66)'">
                    <rect class="bag" x="26" y="12" width="38" height="52" rx="2" />
                    <path class="seal" d="M26 18h38" />
                  </g>
                }
              }
              @case ('water') {
                <path class="glass" d="M30 12l6 54h24l6-54z" />
                <path class="water" d="M33 38l3 26h24l3-26z" />
              }
              @case ('peroxide') {
                <path class="glass" d="M40 8h16v10l8 10v38H32V28l8-10z" />
                <path class="warn" d="M40 44h16M48 36v16" />
              }
              @case ('cells') {
                <rect class="tray" x="12" y="18" width="72" height="48" rx="3" />
                @for (nth of twelve; track nth) {
                  <rect class="soil" [attr.x]="16 + (nth % 4) * 17" [attr.y]="22 + row(nth) * 14.5" width="14" height="12" rx="1.5" />
                }
              }
              @case ('pots') {
                @for (nth of stack(line.amount); track nth) {
                  <path class="pot" [attr.d]="'M' + (16 + nth * 12) + ' 30h26l-4 36h-18z'" />
                }
              }
              @case ('mix') {
                <path class="pot" d="M22 26h52l-6 40H28z" />
                <path class="soil" d="M24 34q12-8 24-2t24 0l-4 30H29z" />
              }
              @case ('loose') {
                <path class="soil" d="M16 64q8-36 32-36t32 36z" />
              }
              @case ('pellets') {
                @for (nth of stack(line.amount); track nth) {
                  <ellipse class="soil" [attr.cx]="28 + nth * 12" cy="52" rx="13" ry="12" />
                }
              }
              @case ('sponges') {
                @for (nth of stack(line.amount); track nth) {
                  <rect class="paper" [attr.x]="20 + nth * 11" y="34" width="22" height="30" rx="3" />
                }
              }
              @default {
                <rect class="tray" x="10" y="34" width="76" height="30" rx="5" />
                <path class="seal" d="M10 42h76" />
              }
            }
            <path class="board" d="M0 68h96v6H0z" />
          </svg>
          <b>{{ line.amount }}</b>
          <span class="soft">{{ line.text }}</span>
          @if (line.caution) {
            <span class="trouble">{{ line.caution }}</span>
          }
        </li>
      }
    </ul>
    <p class="labels">
      <b>{{ supplies().labels }}</b>&ngsp;<span class="soft">{{ labelText() }}</span>
    </p>
  `,
  styles: `
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
      gap: 12px 14px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-direction: column;
      min-width: 0;
    }
    svg {
      width: 100%;
      max-width: 108px;
    }
    b {
      font: 700 22px/1.2 var(--heading);
    }
    .soft,
    .trouble {
      font-size: 14px;
      line-height: 1.35;
    }
    .trouble {
      margin-top: 3px;
      font-size: 13px;
    }
    .board {
      fill: var(--seed);
      stroke: var(--seed-edge);
      stroke-width: 0.6;
    }
    .paper {
      fill: var(--surface);
      stroke: var(--ink);
      stroke-width: 1.1;
    }
    .bag {
      fill: var(--water-pale);
      stroke: var(--ink);
      stroke-width: 1.1;
    }
    .seal {
      fill: none;
      stroke: var(--water);
      stroke-width: 2;
    }
    .glass,
    .tray,
    .pot {
      fill: var(--surface);
      stroke: var(--ink);
      stroke-width: 1.4;
    }
    .water {
      fill: var(--water-pale);
      stroke: var(--water);
      stroke-width: 1;
    }
    .warn {
      fill: none;
      stroke: var(--trouble);
      stroke-width: 3;
    }
    .soil {
      fill: var(--seed);
      stroke: var(--seed-edge);
      stroke-width: 1;
    }
    .labels {
      margin-top: 16px;
    }
  `,
})
export class OnTheTable {
  readonly supplies = input.required<Supplies>();
  protected readonly lines = computed(() => suppliesInWords(this.supplies()));
  protected readonly twelve = Array.from({ length: 12 }, (_, nth) => nth);
  /** "three of them twice, in and on the shared bag", after the number. */
  protected readonly labelText = computed(() => labelCountInWords(this.supplies()).replace(/^\d+ /, ''));
  protected row = (nth: number): number => Math.floor(nth / 4);
  /** As many as are drawn of it: three tell "several". */
  protected stack = (amount: string): number[] => Array.from({ length: Math.min(Number.parseInt(amount, 10) || 1, 4) }, (_, nth) => nth);
}
