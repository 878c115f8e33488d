import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { outNotBefore } from '@fresh-tuck/core/season';
import { goalInWords, latenessInWords, liesAhead, startInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { FrostWord } from '../house/frost-word';
import { TuckPlan } from './tuck-plan';

const DAY_MS = 86_400_000;
const WIDTH = 440;
const LEFT = 6;
const RIGHT = 6;
const ROW = 42;
/** Room that a row's words take. */
const WORDS = 190;

/** The days forward from a start now, or from the start that a wished date asks for. */
@Component({
  selector: 'ft-calendar',
  imports: [FrostWord],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawn(); as drawn) {
      <section aria-labelledby="calendar">
        <h2 id="calendar">
          When <span class="soft">{{ drawn.from }}</span>
        </h2>
        <p [class]="drawn.tone" role="status">{{ drawn.text }}</p>
        <svg [attr.viewBox]="'0 0 ' + width + ' ' + drawn.height" role="img" [attr.aria-label]="drawn.inWords">
          <path class="axis" [attr.d]="'M' + drawn.x0 + ' 4V' + (drawn.height - 4)" />
          @if (drawn.wished; as x) {
            <path class="wish" [attr.d]="'M' + x + ' 0V' + drawn.height" />
          }
          @for (row of drawn.rows; track row.what) {
            <g [attr.transform]="'translate(0 ' + row.y + ')'">
              <path class="way" [attr.d]="'M' + row.from + ' 0H' + row.low" />
              <rect
                class="stretch"
                [class.cold]="row.cold"
                [attr.x]="row.low"
                y="-6"
                [attr.width]="row.high - row.low"
                height="12"
                rx="3"
              />
              @if (row.likely !== null) {
                <path class="likely" [attr.d]="'M' + row.likely + ' -8V8'" />
              }
              <text [attr.x]="row.words" y="-12" [attr.text-anchor]="row.anchor">{{ row.text }}</text>
            </g>
          }
        </svg>
        @if (askFrost()) {
          <ft-frost-word />
        }
        @if (drawn.late) {
          <p class="soft">{{ drawn.late }}</p>
        }
      </section>
    }
  `,
  styleUrl: '../kit/titled.scss',
  styles: `
    svg {
      width: 100%;
      max-width: 560px;
      height: auto;
      margin-top: 6px;
      overflow: visible;
    }
    .axis {
      stroke: var(--ink);
      stroke-width: 1.6;
      stroke-dasharray: 2.5 3;
    }
    .way {
      stroke: var(--hairline);
      stroke-width: 1.5;
    }
    .stretch {
      fill: var(--growth-pale);
      stroke: var(--growth);
      stroke-width: 1.4;
    }
    .cold {
      fill: var(--water-pale);
      stroke: var(--water);
    }
    .likely {
      stroke: var(--growth-word);
      stroke-width: 2.4;
    }
    .wish {
      stroke: var(--trouble);
      stroke-width: 2.2;
    }
    text {
      fill: var(--ink);
      font: 400 14px var(--text);
    }
  `,
})
export class Calendar {
  private readonly about = inject(AboutService);
  private readonly plan = inject(TuckPlan);
  protected readonly width = WIDTH;

  /** The last frost is asked for once, where a plant minds it. */
  protected readonly askFrost = computed(() => {
    const growing = this.plan.crop()?.growing;
    return (
      this.about.household().frost === null &&
      growing !== undefined &&
      growing.hardiness !== 'hardy' &&
      growing.plantOutWeeksAfterFrost !== null
    );
  });
  protected readonly drawn = computed(() => {
    const here = this.plan.here();
    const answer = this.plan.plan();
    const crop = this.plan.crop();
    if (!here || !answer || !crop) return null;
    const moments = this.about.moments();
    const begun = this.plan.beginning();
    const { startByMs, goal } = begun;
    const { soakUntilMs } = here.facts;
    const soakDays = soakUntilMs ? (soakUntilMs - here.facts.startMs) / DAY_MS : 0;
    const targetMs = this.plan.targetMs();
    const ahead = liesAhead(begun);
    const fromMs = (ahead ? startByMs : null) ?? begun.startMs;
    const chill = this.plan.chillDays() ?? 0;
    const reached = here.forward.filter(({ goal: what }) => what !== 'ripe' || goal === 'ripe' || here.forward.length < 3);
    // What is ready before the frost is over waits for it: no tender plant is told to go out into it.
    const outAt = here.forward.find(({ goal: what }) => what === 'plant_out')?.likely ?? 0;
    const frost = this.about.household().frost;
    const heldMs = frost && outAt > 0 ? outNotBefore(crop, frost, fromMs + outAt * DAY_MS) : null;
    const last = Math.max(
      heldMs === null ? 0 : (heldMs - fromMs) / DAY_MS,
      ...reached.map(({ high }) => high),
      chill,
      1,
      targetMs === null ? 0 : (targetMs - fromMs) / DAY_MS,
    );
    const x = scaleLinear([0, last], [LEFT, WIDTH - RIGHT]);
    const date = (day: number): string => moments.dated(fromMs + day * DAY_MS);
    const rows = [
      ...(soakDays > 0
        ? [
            {
              what: 'soak',
              low: 0,
              high: soakDays,
              likely: null as number | null,
              cold: true,
              text: `soaked until ${moments.short(fromMs + soakDays * DAY_MS)}`,
            },
          ]
        : []),
      ...(chill > 0
        ? [
            {
              what: 'chill',
              low: soakDays,
              high: chill,
              likely: null,
              cold: true,
              text: `in the cold until ${date(chill)}`,
            },
          ]
        : []),
      ...reached.map(({ goal: what, low, likely, high }) => ({
        what,
        low,
        high,
        likely,
        cold: false,
        text: `${heldMs !== null && what === 'plant_out' ? 'ready to go out' : goalInWords(what, here.facts.method)} ${date(likely)}`,
      })),
      ...(heldMs === null
        ? []
        : [
            {
              what: 'frost',
              low: outAt,
              high: (heldMs - fromMs) / DAY_MS,
              likely: null,
              cold: true,
              text: `frost: not out before ${moments.dated(heldMs)}`,
            },
          ]),
    ].map((row, index) => ({
      ...row,
      y: 30 + index * ROW,
      from: x(0),
      low: x(row.low),
      high: x(row.high),
      likely: row.likely === null ? null : x(row.likely),
      ...(x(row.low) + WORDS > WIDTH
        ? { words: WIDTH - RIGHT, anchor: 'end' }
        : { words: Math.max(x(row.low), LEFT + 8), anchor: 'start' }),
    }));
    const { text, tone } = startInWords(here, begun, (ms) => moments.dated(ms), heldMs);
    const guess = heldMs !== null && frost?.guessed ? ' By a guess for such a place: say when your last frost is.' : '';
    return {
      rows,
      text: text + guess,
      tone,
      height: 2 + rows.length * ROW,
      x0: x(0),
      wished: targetMs === null ? null : x(Math.min((targetMs - fromMs) / DAY_MS, last)),
      from: ahead ? `begun ${moments.dated(fromMs)}` : 'begun now, 8 times in 10 within the bars',
      inWords: rows.map((row) => row.text).join('; '),
      late: latenessInWords(answer.lateness),
    };
  });
}
