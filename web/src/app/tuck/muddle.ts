import { ChangeDetectionStrategy, Component, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { v7 as uuid } from 'uuid';
import { type ApiProblem } from '../data/transport/transport.service';
import { TuckApi } from './tuck.api';
import { TuckPlan } from './tuck-plan';

/** Seed of which nobody knows any more which packet it came from: the packets that it may be from. */
@Component({
  selector: 'ft-muddle',
  imports: [MatButton, MatButtonToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asking()) {
      <p>Which may it be? It is told apart later, and its record goes to the right packet.</p>
      @for (packet of plan.packets() ?? []; track packet.id) {
        <mat-button-toggle class="choice row" [checked]="chosen().includes(packet.id)" (change)="toggle(packet.id)">
          {{ packet.cropName }}, {{ packet.variety }}
        </mat-button-toggle>
      }
      <button matButton="outlined" type="button" class="plain" [disabled]="chosen().length < 2" (click)="make(chosen())">
        It is one of these {{ chosen().length > 1 ? chosen().length : '' }}
      </button>
      <button matButton="text" type="button" class="quiet" (click)="make([])">It may be any packet of the box</button>
      <p class="error" role="alert">{{ failed() ?? '' }}</p>
    } @else {
      <button matButton="text" type="button" class="quiet" (click)="asking.set(true)">Nobody knows any more which it is</button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      justify-items: start;
    }
    mat-button-toggle {
      width: 100%;
    }
  `,
})
export class Muddle {
  private readonly api = inject(TuckApi);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly plan = inject(TuckPlan);
  protected readonly asking = signal(false);
  protected readonly chosen = signal<readonly string[]>([]);
  protected readonly failed = signal<string | null>(null);

  protected toggle(id: string): void {
    this.chosen.update((all) => (all.includes(id) ? all.filter((one) => one !== id) : [...all, id]));
  }
  protected make(packetIds: readonly string[]): void {
    this.failed.set(null);
    this.api
      .muddle({ id: uuid(), packetIds: [...packetIds] })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ id }) => {
          this.plan.packetId.set(id);
          this.asking.set(false);
          this.chosen.set([]);
        },
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }
}
