import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { NurseryPlace, Plant, Tray } from '@fresh-tuck/contract';
import { SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { plantOnSheet } from '../kit/plant-sheet';

/** A rack of slots over its water: who stands in which, and which are free. */
@Component({
  selector: 'ft-rack',
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (one of slots(); track one.slot) {
        <li [class.free]="one.plant === null">
          @if (one.plant; as plant) {
            <a
              [routerLink]="['/nursery', one.tray!.id, one.tray!.batchId]"
              [queryParams]="{ standing: one.tray!.destination }"
              [class.due]="due().has(plant.number)"
              [attr.aria-label]="'Slot ' + one.slot + ': ' + plant.number + ' ' + one.tray!.name + ', ' + words(plant) + '. Open the tray'"
            >
              <svg viewBox="0 0 72 118" aria-hidden="true">
                <use href="#vessel-slot" />
                <use [attr.href]="drawing(plant.stage, one.tray!.blade)" />
              </svg>
              <span class="tag">{{ plant.number }}</span>
            </a>
          } @else {
            <svg viewBox="0 0 72 118" aria-hidden="true"><use href="#vessel-slot" class="empty" /></svg>
          }
          <span class="soft"
            >{{ one.slot }}<span class="unseen">{{ one.plant ? '' : ' is free' }}</span></span
          >
        </li>
      }
    </ol>
    @if (loose().length > 0) {
      <p class="soft">
        {{ loose().length }} stand in no slot that has a name yet.
        <button matButton="text" type="button" class="quiet" (click)="fill.emit(first())">
          {{ first().length === 1 ? 'Into the free slot' : 'Into the free slots in order' }}
        </button>
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
      flex: 1;
    }
    ol {
      display: flex;
      flex-wrap: wrap;
      margin: 0;
      padding: 0;
      list-style: none;
      background: linear-gradient(to top, transparent 22px, var(--water-pale) 22px, var(--water-pale) 46px, transparent 46px);
    }
    li {
      position: relative;
      width: 62px;
      text-align: center;
    }
    li > span {
      display: block;
      font-size: 13px;
      line-height: 22px;
    }
    a {
      display: block;
      border-radius: 10px;
    }
    a.due {
      outline: 2px dashed var(--ink);
      outline-offset: -2px;
    }
    svg {
      display: block;
      width: 100%;
    }
    .empty {
      opacity: 0.55;
    }
    .tag {
      position: absolute;
      top: 26%;
      right: 2px;
      padding: 0 4px;
      border: 1.4px solid var(--ink);
      border-radius: 2px;
      background: var(--surface);
      color: var(--ink);
      font: 700 13px/15px var(--text);
    }
  `,
})
export class RackBoard {
  readonly place = input.required<NurseryPlace>();
  readonly due = input<ReadonlySet<number>>(new Set());
  /** Which labels go into the free slots, in order. */
  readonly fill = output<{ readonly number: number; readonly slot: number }[]>();
  protected readonly drawing = plantOnSheet;

  private readonly known = computed(() => {
    const known = new Map<number, { plant: Plant; tray: Tray }>();
    for (const tray of this.place().trays) for (const plant of tray.plants) known.set(plant.number, { plant, tray });
    return known;
  });
  protected readonly slots = computed(() =>
    (this.place().rack?.slots ?? []).map(({ slot, number }) => {
      const found = number === null ? undefined : this.known().get(number);
      return { slot, plant: found?.plant ?? null, tray: found?.tray ?? null, taken: number !== null };
    }),
  );
  protected readonly loose = computed(() =>
    [...this.known().values()].filter(({ plant }) => plant.slot === null).map(({ plant }) => plant),
  );
  /** As many of them as there are free slots. */
  protected readonly first = computed(() => {
    const free = this.slots().filter(({ taken }) => !taken);
    return this.loose()
      .slice(0, free.length)
      .map(({ number }, nth) => ({ number, slot: free[nth]?.slot ?? 0 }));
  });
  protected words = ({ stage }: Plant): string => SEEDLING_WORDS[stage].title.toLowerCase();
}
