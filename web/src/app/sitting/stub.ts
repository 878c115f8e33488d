import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { methodOf, type MethodId } from '@fresh-tuck/core/method';

const MOST = 12;

/** The stub of a label: its number and, in small, what lies there: seeds on paper, or cells. */
@Component({
  selector: 'ft-stub',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      viewBox="0 0 66 32"
      width="100%"
      [style.max-width.px]="width()"
      aria-hidden="true"
      [class.done]="state() === 'done'"
      [class.off]="state() === 'off'"
    >
      <path class="edge" d="M1 1h56l8 8v22H1z" />
      <path class="fold" d="M57 1v8h8" />
      @if (!small()) {
        <path class="tear" d="M25 3v26" />
      }
      <text [attr.x]="small() ? 30 : 13" y="21.5" text-anchor="middle">{{ number() }}</text>
      @if (!small()) {
        @for (seed of seeds(); track $index) {
          @if (celled()) {
            <rect [attr.x]="seed.x - seed.r" [attr.y]="seed.y - seed.r" [attr.width]="2 * seed.r" [attr.height]="2 * seed.r" rx="1" />
          } @else {
            <ellipse [attr.cx]="seed.x" [attr.cy]="seed.y" [attr.rx]="seed.r" [attr.ry]="seed.r * 0.62" [attr.transform]="seed.turn" />
          }
        }
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
    }
    .edge {
      fill: var(--surface);
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .fold {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1;
    }
    .tear {
      stroke: var(--edge);
      stroke-dasharray: 2 2;
    }
    text {
      font: 800 15px var(--heading);
      fill: var(--ink);
    }
    ellipse,
    rect {
      fill: var(--seed);
      stroke: var(--seed-edge);
      stroke-width: 1;
    }
    .done .edge {
      fill: var(--growth-pale);
    }
    .off .edge {
      stroke-dasharray: 3 2;
      stroke: var(--edge);
    }
    .off text {
      fill: var(--ink-soft);
    }
  `,
})
export class Stub {
  readonly number = input.required<number>();
  readonly count = input(0);
  readonly method = input<MethodId>('towel');
  readonly width = input(66);
  /** By its number alone. */
  readonly small = input(false);
  readonly state = input<'now' | 'done' | 'off'>('now');
  protected readonly celled = computed(() => ['cells', 'pots', 'slots', 'pellets'].includes(methodOf(this.method()).carrier));
  protected readonly seeds = computed(() => {
    const count = Math.min(this.count(), MOST);
    const columns = count <= 3 ? Math.max(count, 1) : Math.ceil(count / 2);
    const rows = Math.ceil(count / columns);
    const [stepX, stepY] = [33 / columns, 22 / rows];
    const r = Math.min(stepX * 0.4, stepY * 0.4, 4.6);
    return Array.from({ length: count }, (_, index) => {
      const [x, y] = [28 + stepX * ((index % columns) + 0.5), 6 + stepY * (Math.floor(index / columns) + 0.5)];
      return { x, y, r, turn: `rotate(${((index * 47) % 60) - 30} ${x} ${y})` };
    });
  });
}
