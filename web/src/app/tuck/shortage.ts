import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { chanceInWords } from '@fresh-tuck/core/units';
import { TuckPlan } from './tuck-plan';

/** The packet has too few: what can be had instead. */
@Component({
  selector: 'ft-shortage',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (shortage(); as short) {
      <section aria-labelledby="short">
        <h2 id="short">{{ short.left === 0 ? 'The packet is empty' : 'The packet has only ' + short.left + ' left' }}</h2>
        <ul>
          @if (short.left > 0) {
            <li>
              <button matButton="outlined" type="button" class="choice" (click)="startAll(short.left)">Start all {{ short.left }}</button>
              <span>{{ chances(short.chance) }} of {{ plan.wantedNumber() }} {{ plan.wantedNumber() === 1 ? 'plant' : 'plants' }}.</span>
            </li>
            @if (short.plants > 0) {
              <li>
                <button matButton="outlined" type="button" class="choice" (click)="want(short.plants)">
                  Want {{ short.plants }} {{ short.plants === 1 ? 'plant' : 'plants' }}
                </button>
                <span>As sure as you asked, from what is there.</span>
              </li>
            }
          }
          @if (short.singly !== null && short.singly > short.plants) {
            <li>
              <button matButton="outlined" type="button" class="choice" (click)="singly(short.singly)">One to each place</button>
              <span
                >As sure as you asked, {{ short.singly }} {{ short.singly === 1 ? 'plant' : 'plants' }} instead of {{ short.plants }}.</span
              >
            </li>
          }
          @for (other of short.fill; track other.packetId) {
            <li>
              @if (same(other.title)) {
                <button
                  matButton="outlined"
                  type="button"
                  class="choice"
                  (click)="along(other.packetId, other.title, other.seeds, short.left)"
                >
                  Both packets of {{ other.title }}
                </button>
                <span>{{ other.seeds }} of the other packet along with all {{ short.left }} of this: one batch.</span>
              } @else {
                <button matButton="outlined" type="button" class="choice" (click)="fill(other.packetId, other.seeds)">
                  {{ other.title }}
                </button>
                <span
                  >{{ short.left > 0 ? 'All ' + short.left + ' of this one and ' : '' }}{{ other.seeds }} of it make it sure: two batches,
                  beginning with {{ other.title }}.</span
                >
              }
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    h2 {
      margin: 14px 0 8px;
      color: var(--trouble-word);
    }
    ul {
      display: grid;
      gap: 8px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 12px;
      align-items: center;
    }
    span {
      flex: 1 1 140px;
      font-size: 15px;
    }
  `,
})
export class Shortage {
  protected readonly plan = inject(TuckPlan);
  protected readonly shortage = computed(() => this.plan.plan()?.shortage ?? null);
  protected chances(chance: number): string {
    const text = chanceInWords(chance);
    return text.charAt(0).toUpperCase() + text.slice(1);
  }

  protected startAll(left: number): void {
    this.plan.seedsFixed.set(left * (this.plan.split() ? Math.round(this.plan.crop()?.seed.perUnit ?? 1) : 1));
  }

  protected want(plants: number): void {
    this.plan.wanted.set({ plants, from: null });
    this.plan.seedsFixed.set(null);
  }

  protected singly(plants: number): void {
    this.plan.pot.set({ perPot: 1, keepers: 1 });
    this.want(plants);
  }

  /** Another packet of the same variety: its seed goes into the same batch. */
  protected same(title: string): boolean {
    return title.trim().toLowerCase() === this.plan.chosen()?.variety.trim().toLowerCase();
  }

  protected along(packetId: string, title: string, seeds: number, left: number): void {
    this.plan.also.set({ packetId, title, seeds });
    this.plan.seedsFixed.set(left + seeds);
  }

  /** The other packet's part first; this one's rest follows as a batch of its own. */
  protected fill(packetId: string, seeds: number): void {
    this.plan.packetId.set(packetId);
    this.plan.seedsFixed.set(seeds);
  }
}
