import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { PacketIdea } from '@fresh-tuck/contract';
import { TuckPlan } from './tuck-plan';

/** What could be started now and why, while no packet is chosen yet. */
@Component({
  selector: 'ft-ideas',
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (ideas(); as all) {
      @if (all.length > 0) {
        <h2>What could be started now</h2>
        <ul>
          @for (idea of all; track idea.id) {
            <li>
              <button matButton="outlined" type="button" class="choice row" (click)="take(idea)">
                <span
                  ><b>{{ idea.cropName }}</b
                  >, {{ idea.variety }}</span
                >
                <span class="soft">{{ idea.why }}</span>
              </button>
            </li>
          }
        </ul>
      } @else if ((plan.packets() ?? []).length === 0) {
        <p>
          The box is empty. <a routerLink="/seeds" [queryParams]="{ add: 1 }">Put the first packet in</a>, then this page says how many to
          start.
        </p>
      }
    }
  `,
  styles: `
    h2 {
      margin: 26px 0 10px;
    }
    ul {
      display: grid;
      gap: 10px;
      max-width: 820px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .row {
      justify-content: space-between;
      width: 100%;
      text-align: left;
    }
    .soft {
      font-weight: 400;
      text-align: right;
    }
    p {
      margin-top: 20px;
    }
  `,
})
export class Ideas {
  protected readonly plan = inject(TuckPlan);
  protected readonly ideas = this.plan.ideas;

  protected take({ id, seeds }: PacketIdea): void {
    this.plan.packetId.set(id);
    if (seeds !== null) this.plan.seedsFixed.set(seeds);
  }
}
