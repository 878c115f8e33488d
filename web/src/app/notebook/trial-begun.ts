import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Trial } from '@fresh-tuck/contract';
import { drawnByLot } from '@fresh-tuck/core/trials';
import { numberWord } from '@fresh-tuck/core/units';
import { layInWords } from '@fresh-tuck/core/words';

/** Seeds of a side's nth bag: what does not divide evenly goes to the first ones. */
const bagOf = ({ seeds, bags }: { readonly seeds: number; readonly bags: number }, nth: number): number =>
  Math.max(1, Math.floor(seeds / bags) + (nth < seeds % bags ? 1 : 0));

/** A trial that is planned or under way: what goes where by lot, and what is still to lay. */
@Component({
  selector: 'ft-trial-begun',
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="soft">{{ inShort() }}</p>
    <h1>{{ lead() }}</h1>
    @if (trial().words.plan; as plan) {
      <p class="how">{{ how() }}</p>
      <ol>
        @for (place of places(); track $index) {
          <li>
            <span class="nth">{{ $index + 1 }}</span>
            <div>
              <b>{{ place.name }}</b>
              <p class="soft">{{ place.seeds }} seeds · {{ place.where }}</p>
            </div>
            @if (place.batch; as batch) {
              <p>
                <a [routerLink]="['/batch', batch.id]">{{ batch.number }}</a>
                <span class="soft">
                  {{
                    batch.closedMs === null ? batch.came + ' of ' + batch.seeds + ' so far' : 'closed, ' + batch.came + ' of ' + batch.seeds
                  }}</span
                >
              </p>
            } @else {
              <a
                [matButton]="place.next ? 'filled' : 'outlined'"
                [class]="place.next ? 'do' : 'plain'"
                routerLink="/tuck"
                [queryParams]="place.tuck"
                >Tuck it in</a
              >
            }
          </li>
        }
      </ol>
      <p class="soft">The order was drawn by lot, so that habit favours no side. Keep to it.</p>
    } @else {
      <ul>
        @for (arm of trial().arms; track arm.name) {
          <li>
            <b>{{ arm.name }}</b>
            @for (batch of arm.batches; track batch.id) {
              <a [routerLink]="['/batch', batch.id]">{{ batch.number }}</a>
            }
          </li>
        }
      </ul>
    }
    <p class="wait">
      It is compared when all its batches have been closed: whoever looks every day finds a difference sooner or later, be there one or not.
    </p>
  `,
  styles: `
    .how,
    .wait {
      max-width: 66ch;
      margin: 14px 0;
    }
    ol,
    ul {
      margin: 8px 0 12px;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 18px;
      align-items: center;
      padding: 10px 0;
      border-bottom: 1px solid var(--hairline);
    }
    li > div {
      flex: 1 1 180px;
    }
    .nth {
      width: 34px;
      font: 700 25px var(--heading);
    }
  `,
})
export class TrialBegun {
  readonly trial = input.required<Trial>();
  readonly inShort = input.required<string>();
  protected readonly how = computed(() => {
    const { question, plan, arms } = this.trial().words;
    return layInWords(question, plan?.seeds ?? 0, arms.length);
  });

  protected readonly places = computed(() => {
    const { id, words, arms } = this.trial();
    const { plan, question } = words;
    if (!plan) return [];
    const laid = arms.map(({ batches }) => [...batches]);
    const order = drawnByLot(arms.length, plan.bags, plan.lot);
    let next = true;
    return order.map((index, nth) => {
      const arm = arms[index];
      const batch = laid[index]?.shift() ?? null;
      const seeds = bagOf(plan, order.slice(0, nth).filter((before) => before === index).length);
      const first = batch === null && next;
      if (batch === null) next = false;
      return {
        name: arm?.name ?? '',
        seeds,
        where:
          question === 'spot'
            ? 'where its side stands'
            : nth === 0
              ? 'laid first, at the left'
              : nth === order.length - 1
                ? 'laid last, at the right'
                : 'next to the right',
        batch,
        next: first,
        tuck: {
          packet: question === 'packet' || question === 'age' ? (arm?.setting ?? plan.packetId) : plan.packetId,
          seeds,
          trial: id,
          arm: index,
          question,
          setting: arm?.setting ?? null,
        },
      };
    });
  });
  protected readonly lead = computed(() => {
    const { state, arms, words } = this.trial();
    const all = arms.flatMap(({ batches }) => batches);
    const closed = all.filter(({ closedMs }) => closedMs !== null).length;
    if (state === 'planned') return `${words.name}: lay the first side`;
    const wanting = words.plan ? this.places().filter(({ batch }) => batch === null).length : 0;
    if (wanting > 0) return `${words.name}: ${numberWord(wanting)} still to lay`;
    return `${words.name}: ${closed === 0 ? `${arms.length === 2 ? 'both' : 'all'} sides lie` : `${numberWord(closed)} of ${numberWord(all.length)} closed`}`;
  });
}
