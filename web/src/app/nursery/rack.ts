import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { NurseryPlace, Plant, Tray } from '@fresh-tuck/contract';
import { SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { SeedlingLines, seedlingOf } from '../kit/seedling-lines';

/** A rack of slots over its water: who stands in which, and which are free. */
@Component({
  selector: 'ft-rack',
  imports: [MatButton, RouterLink, SeedlingLines],
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
              <svg [ftSeedling]="drawn(plant.stage, one.tray!.blade, 'slot')"></svg>
              <span class="tag">{{ plant.number }}</span>
            </a>
          } @else {
            <svg class="empty" [ftSeedling]="drawn(null, false, 'slot')"></svg>
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
  styleUrls: ['./rack.scss', '../kit/plant-tag.scss'],
})
export class RackBoard {
  readonly place = input.required<NurseryPlace>();
  readonly due = input<ReadonlySet<number>>(new Set());
  /** Which labels go into the free slots, in order. */
  readonly fill = output<{ readonly number: number; readonly slot: number }[]>();

  protected readonly drawn = seedlingOf;

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
