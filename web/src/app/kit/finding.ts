import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { FindingId } from '@fresh-tuck/core/judging';
import { rootPath } from './seed';

export type FindingDrawing = FindingId | 'alive' | 'nib' | 'speck' | 'split' | 'gel' | 'lint';

/** Repeatable scatter in [-0.5, 0.5]: a drawing must not change from look to look. */
const scatter = (index: number): number => {
  const value = Math.sin(index * 127.1) * 43758.5453;
  return value - Math.floor(value) - 0.5;
};
const times = (count: number): number[] => Array.from({ length: count }, (_, index) => index);

/** Short even hairs along a root, thickest behind its tip. */
const HAIRS = times(26)
  .map((index) => {
    const x = 66 + index * 1.35;
    const reach = 3.2 + 4.2 * Math.sin(((index + 2) / 30) * Math.PI);
    const y = 41 + Math.sin(index / 5) * 1.6;
    return `M${x.toFixed(1)} ${(y - reach).toFixed(1)}L${(x + scatter(index)).toFixed(1)} ${(y + reach).toFixed(1)}`;
  })
  .join('');

/** Threads that run over paper and seed alike, from where they began. */
const THREADS = times(15)
  .map((index) => {
    const angle = (index / 15) * 2 * Math.PI;
    const far = 24 + 14 * (scatter(index) + 0.5);
    const at = (share: number, turn: number): string =>
      `${(54 + Math.cos(angle + turn) * far * share).toFixed(1)} ${(40 + Math.sin(angle + turn) * far * share * 0.75).toFixed(1)}`;
    return `M54 40C${at(0.4, 0.4)} ${at(0.7, -0.35)} ${at(1, 0.1)}`;
  })
  .join('');
const SPORES = times(15).map((index) => {
  const angle = (index / 15) * 2 * Math.PI + 0.1;
  const far = 24 + 14 * (scatter(index) + 0.5);
  return { x: 54 + Math.cos(angle) * far, y: 40 + Math.sin(angle) * far * 0.75 };
});

const WORDS: Readonly<Record<FindingDrawing, string>> = {
  nib: 'A white nib at the narrow end',
  speck: 'A green speck on a tiny seed',
  alive: 'A tight seed with a whole outline, nothing coming out',
  split: 'A swollen seed with a split coat and nothing coming out',
  gel: 'A seed in a clear jelly',
  lint: 'A loose paper fibre beside a seed',
  hair: 'Even short down round a root and nowhere else',
  mould: 'Threads running across seed and paper',
  dye: 'A flat stain round a sound seed',
  algae: 'A smooth green film along the bag’s edge',
  rot: 'A seed with a broken outline in a brown ring',
  smell: 'An opened bag with a sour smell',
  heat: 'A bag in the sun, drops inside',
  drying: 'A towel with a crisp edge that lifts',
  pooling: 'A seed in standing water',
  drowned: 'A limp pale seed under water',
};

/** What one may find on a towel, drawn: shape first, colour second. */
@Component({
  selector: 'ft-finding',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 120 80" role="img" [attr.aria-label]="words()">
      <path class="sheet" d="M2 2h103l12 12v64H2z" />
      @switch (of()) {
        @case ('hair') {
          <path class="hair" [attr.d]="hairs" />
          <path class="root-edge" [attr.d]="root" transform="translate(38 40)" />
          <path class="root" [attr.d]="root" transform="translate(38 40)" />
          <ellipse class="seed" cx="46" cy="40" rx="17" ry="11" />
        }
        @case ('mould') {
          <ellipse class="seed" cx="54" cy="40" rx="17" ry="11" />
          <ellipse class="seed" cx="92" cy="52" rx="9" ry="6" />
          <path class="thread" [attr.d]="threads" />
          @for (spore of spores; track $index) {
            <circle class="spore" [attr.cx]="spore.x" [attr.cy]="spore.y" r="1.7" />
          }
        }
        @case ('dye') {
          <path class="stain" d="M36 40c-3-18 10-26 26-23s32 4 30 22-16 24-32 22-21-6-24-21z" />
          <ellipse class="seed" cx="62" cy="40" rx="17" ry="11" />
        }
        @case ('algae') {
          <path class="film" d="M3 56c14-6 20 4 34-1s22-5 36 1 22 4 43-3v24H3z" />
          <ellipse class="seed" cx="58" cy="32" rx="15" ry="10" />
        }
        @case ('rot') {
          <path class="ooze" d="M38 44c0-14 9-18 24-17s22 8 21 19-10 14-23 13-22-3-22-15z" />
          <ellipse class="seed rotten" cx="60" cy="41" rx="17" ry="11" />
          <path class="hatch" d="M50 48l8-14M57 51l9-18M65 50l8-14" />
        }
        @case ('smell') {
          <path class="bag" d="M20 66V34q0-6 6-6h62q6 0 6 6v32z" />
          <ellipse class="seed rotten" cx="57" cy="52" rx="14" ry="9" />
          <path class="breath" d="M40 24c-5-6 5-8 0-15M58 22c-5-6 5-8 0-15M76 24c-5-6 5-8 0-15" />
        }
        @case ('heat') {
          <circle class="sun" cx="88" cy="22" r="9" />
          <path class="ray" d="M88 5v5M88 34v5M71 22h5M100 22h5M76 10l4 4M96 30l4 4M100 10l-4 4" />
          <path class="bag" d="M14 66V40q0-5 5-5h50q5 0 5 5v26z" />
          <path class="drop" d="M28 42q3 5 0 7q-3-2 0-7M44 42q3 5 0 7q-3-2 0-7M60 42q3 5 0 7q-3-2 0-7" />
          <ellipse class="seed" cx="44" cy="57" rx="10" ry="6" />
        }
        @case ('drying') {
          <path class="crisp" d="M2 78V60l6-4 5 5 6-5 5 5 6-5 5 5 6-5 5 5 6-5 5 5 6-5 5 5 6-5 5 5 6-5 5 5 6-5 5 5 7-5v24z" />
          <ellipse class="seed" cx="60" cy="32" rx="16" ry="10" />
          <path class="split" d="M47 34q6-6 12-1t13-2" />
        }
        @case ('pooling') {
          <ellipse class="seed" cx="60" cy="44" rx="17" ry="11" />
          <path class="pool" d="M8 42c8-5 14 5 22 0s14 5 22 0 14 5 22 0 14 5 22 0 10 3 14 1v25q0 4-4 4H12q-4 0-4-4z" />
        }
        @case ('drowned') {
          <path class="pool" d="M8 22c8-5 14 5 22 0s14 5 22 0 14 5 22 0 14 5 22 0 10 3 14 1v45q0 4-4 4H12q-4 0-4-4z" />
          <path class="limp" d="M40 54c2-12 14-15 26-12s17 7 15 14-18 9-29 7-13-4-12-9z" />
          <circle class="bubble" cx="78" cy="36" r="2.4" />
          <circle class="bubble" cx="84" cy="29" r="1.7" />
        }
        @case ('nib') {
          <path class="root-edge" d="M75 40q7 0 9 1" />
          <path class="root" d="M75 40q7 0 9 1" />
          <ellipse class="seed" cx="58" cy="40" rx="18" ry="11" />
        }
        @case ('speck') {
          <ellipse class="seed" cx="58" cy="42" rx="7" ry="5" />
          <path class="leaf" d="M63 38q4-7 9-5-1 6-9 5z" />
        }
        @case ('alive') {
          <ellipse class="seed" cx="60" cy="41" rx="19" ry="14" />
          <path class="split" d="M46 36q9-9 21-6" />
        }
        @case ('split') {
          <ellipse class="seed" cx="58" cy="40" rx="18" ry="15" />
          <path class="gap" d="M42 43c8-11 24-11 32 0-9-5-24-5-32 0z" />
        }
        @case ('gel') {
          <ellipse class="gel" cx="58" cy="40" rx="23" ry="19" />
          <ellipse class="seed dark" cx="58" cy="40" rx="9" ry="6" />
        }
        @case ('lint') {
          <ellipse class="seed" cx="46" cy="44" rx="12" ry="8" />
          <path class="fibre" d="M60 38c10-16 18 10 24-2s8-8 16-2" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      height: auto;
    }
    .sheet {
      fill: var(--surface);
      stroke: var(--edge);
      stroke-width: 1.4;
      stroke-linejoin: round;
    }
    .seed {
      fill: var(--seed);
      stroke: var(--seed-edge);
      stroke-width: 1.6;
    }
    .seed.rotten {
      stroke-dasharray: 5 3;
    }
    .seed.dark {
      fill: var(--seed-edge);
    }
    .root,
    .root-edge,
    .hair,
    .thread,
    .hatch,
    .split,
    .breath,
    .ray,
    .fibre,
    .drop,
    .bubble {
      fill: none;
      stroke-linecap: round;
    }
    .root-edge {
      stroke: var(--seed-edge);
      stroke-width: 6.4;
    }
    .root {
      stroke: var(--radicle);
      stroke-width: 3.6;
    }
    .hair {
      stroke: var(--edge);
      stroke-width: 0.7;
    }
    .thread {
      stroke: var(--trouble);
      stroke-width: 1.1;
    }
    .spore {
      fill: var(--trouble);
    }
    .stain {
      fill: var(--water-pale);
      stroke: var(--water);
      stroke-width: 1;
      stroke-dasharray: 1 3;
    }
    .film {
      fill: var(--growth-pale);
      stroke: var(--growth);
      stroke-width: 1;
    }
    .ooze {
      fill: var(--waiting-pale);
      stroke: var(--waiting);
      stroke-width: 1;
    }
    .hatch {
      stroke: var(--trouble);
      stroke-width: 1.4;
    }
    .bag {
      fill: var(--water-pale);
      fill-opacity: 0.5;
      stroke: var(--edge);
      stroke-width: 1.4;
    }
    .breath,
    .ray {
      stroke: var(--waiting);
      stroke-width: 1.8;
    }
    .sun {
      fill: var(--waiting-pale);
      stroke: var(--waiting);
      stroke-width: 1.6;
    }
    .drop,
    .bubble {
      stroke: var(--water);
      stroke-width: 1.3;
    }
    .crisp {
      fill: var(--waiting-pale);
      stroke: var(--waiting);
      stroke-width: 1.2;
    }
    .split {
      stroke: var(--seed-edge);
      stroke-width: 1.4;
    }
    .pool {
      fill: var(--water-pale);
      fill-opacity: 0.75;
      stroke: var(--water);
      stroke-width: 1.2;
    }
    .limp {
      fill: var(--radicle);
      stroke: var(--seed-edge);
      stroke-width: 1.4;
      stroke-dasharray: 6 2;
    }
    .leaf {
      fill: var(--growth);
    }
    .gap {
      fill: var(--radicle);
      stroke: var(--seed-edge);
      stroke-width: 1;
    }
    .gel {
      fill: var(--water-pale);
      fill-opacity: 0.6;
      stroke: var(--water);
      stroke-width: 1.2;
    }
    .fibre {
      stroke: var(--edge);
      stroke-width: 1.3;
    }
  `,
})
export class FindingPicture {
  readonly of = input.required<FindingDrawing>();
  protected readonly words = computed(() => WORDS[this.of()]);
  protected readonly hairs = HAIRS;
  protected readonly threads = THREADS;
  protected readonly spores = SPORES;
  protected readonly root = rootPath(24, 42);
}
