import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Choices } from '../kit/choices';
import { PrintLabel } from '../print/print-label';
import { Sentence } from '../tuck/sentence';
import { Seat } from './seat';
import { SittingPlan } from './sitting-plan';

/** One line of the list opened: its sentence, and where it stands among the others. */
@Component({
  selector: 'ft-line-panel',
  imports: [Choices, MatButton, PrintLabel, Sentence],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-sentence [packetFixed]="true" [level]="3" />
    @if (!seat.plan.way().bagged && seat.plan.mates().length > 0) {
      <p class="soft">Its tray:</p>
      <ft-choices
        label="Its tray"
        [choices]="[{ value: '', text: 'a tray of its own' }, ...seat.plan.mates()]"
        [value]="seat.plan.mate() ?? ''"
        (chosen)="seat.plan.mate.set($event === '' ? null : $event)"
      />
    }
    <p class="acts">
      <button matButton="text" type="button" class="quiet" (click)="sitting.carryOver(seat)">Same table and spot for all below</button>
      <ft-print-label [items]="[{ kind: 'line', id: seat.id, seeds: seat.count() }]" />
      <button matButton="text" type="button" class="quiet" (click)="sitting.place(seat, -1)">Earlier</button>
      <button matButton="text" type="button" class="quiet" (click)="sitting.place(seat, 1)">Later</button>
      <button matButton="text" type="button" class="quiet" (click)="sitting.remove(seat)">Take it off the list</button>
    </p>
  `,
  styles: `
    :host {
      display: block;
      padding: 6px 0 10px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 16px;
      margin-top: 8px;
    }
  `,
})
export class LinePanel {
  protected readonly seat = inject(Seat);
  protected readonly sitting = inject(SittingPlan);
}
