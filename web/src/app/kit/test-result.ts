import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { SEEDLING_CLASSES, type TestResult } from '@fresh-tuck/core/seedtest';

const percent = (share: number): number => Math.round(share * 100);

/** What a germination test came to: its rate with intervals, the classes, and whether the towels agree. */
@Component({
  selector: 'ft-test-result',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let counted = result();
    <p class="lead">
      <b>{{ of(counted.rate) }} in 100</b> normal seedlings, {{ counted.totals.normal }} of {{ counted.seeds }}.
    </p>
    <p>
      19 times in 20 the truth lies between {{ of(counted.wilson.low) }} and {{ of(counted.wilson.high) }} (Wilson’s interval; the exact
      one, the cautious one, says {{ of(counted.exact.low) }} to {{ of(counted.exact.high) }}).
    </p>
    <svg viewBox="0 0 400 26" role="img" [attr.aria-label]="inWords()">
      @for (part of parts(); track part.name) {
        <rect [class]="part.name" [attr.x]="part.x" y="3" [attr.width]="part.width" height="20" />
      }
    </svg>
    <p class="soft">{{ inWords() }}</p>
    @if (counted.replicates; as check) {
      <p [class.trouble]="!check.agree">
        {{ check.agree ? 'The towels agree' : 'The towels differ by more than chance' }}: at most
        {{ unit(check.allowed, check.by) }} between the best and the worst, here {{ unit(check.range, check.by) }}
        <span class="soft">({{ check.by === 'table' ? 'the published table for 4 × 100' : 'exact limit, 39 times in 40' }})</span>.
      </p>
    }
  `,
  styles: `
    p {
      margin: 4px 0;
    }
    .lead b {
      font: 700 22px var(--heading);
    }
    svg {
      width: 100%;
      max-width: 480px;
      height: auto;
    }
    rect {
      stroke: var(--ink);
      stroke-width: 1;
    }
    .normal {
      fill: var(--growth);
    }
    .abnormal {
      fill: var(--growth-pale);
    }
    .hard {
      fill: var(--seed);
    }
    .fresh {
      fill: var(--water-pale);
    }
    .dead {
      fill: var(--trouble-pale);
    }
  `,
})
export class TestResultView {
  readonly result = input.required<TestResult>();
  protected readonly of = percent;
  protected readonly parts = computed(() => {
    const { seeds, totals } = this.result();
    let x = 2;
    return SEEDLING_CLASSES.map((name) => {
      const width = (396 * totals[name]) / seeds;
      const part = { name, x, width };
      x += width;
      return part;
    }).filter(({ width }) => width > 0);
  });
  protected readonly inWords = computed(() =>
    SEEDLING_CLASSES.filter((name) => this.result().totals[name] > 0)
      .map((name) => `${this.result().totals[name]} ${name}`)
      .join(', '),
  );
  protected unit(value: number, by: string): string {
    const rounded = Number(value.toFixed(1));
    return by === 'table' ? `${rounded} %` : `${rounded} ${rounded === 1 ? 'seed' : 'seeds'}`;
  }
}
