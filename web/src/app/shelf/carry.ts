import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import {
  MAT_DIALOG_DATA,
  MatDialogActions,
  MatDialogClose,
  MatDialogContent,
  MatDialogRef,
  MatDialogTitle,
} from '@angular/material/dialog';
import { catchError, EMPTY } from 'rxjs';
import type { BoardParcel } from '@fresh-tuck/contract';
import { listed } from '@fresh-tuck/core/units';
import type { ApiProblem } from '../data/transport/transport.service';
import { When } from '../kit/when';
import { ShelfApi } from './shelf.api';

/** The board that was chosen, and when it was carried there on the household's clock; null is now. */
export interface Chosen {
  readonly spotId: string;
  readonly name: string;
  readonly at: string | null;
}

/** The boards with what each would do to a bag, before it is carried to any. */
@Component({
  selector: 'ft-carry',
  imports: [MatButton, MatDialogActions, MatDialogClose, MatDialogContent, MatDialogTitle, When],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title tabindex="-1">Carry {{ title() }}</h2>
    <mat-dialog-content>
      @if (found(); as found) {
        @if (found.parcels.length > 1) {
          <p class="soft">They lie in one {{ parcel.holderKind }}: all of them go.</p>
        }
        <p>Carried <ft-when label="When it was carried" [(at)]="at" /></p>
        <ul>
          @for (board of found.boards; track board.spotId) {
            <li [class.here]="board.here">
              <div>
                <h3>
                  {{ board.name }} <span class="soft">{{ board.inWords }}</span>
                </h3>
                @if (board.refused; as refused) {
                  <p class="trouble">{{ refused }}</p>
                } @else {
                  @for (one of board.parcels; track one.id) {
                    <p>
                      @if (found.parcels.length > 1) {
                        <b>{{ one.number }}</b>&ngsp;
                      }
                      <b [class]="board.here ? 'soft' : one.tone">{{ one.lead }}</b>: {{ one.ready }}.
                      @for (note of one.notes; track note) {
                        {{ note }}
                      }
                    </p>
                  }
                }
              </div>
              @if (board.here) {
                <span class="soft">stands here</span>
              } @else if (board.refused === null) {
                <button
                  matButton="outlined"
                  type="button"
                  class="plain"
                  [attr.aria-label]="'Carry it to ' + board.name"
                  (click)="dialog.close({ spotId: board.spotId, name: board.name, at: at() })"
                >
                  Carry it there
                </button>
              }
            </li>
          }
        </ul>
      } @else if (error()) {
        <p class="error" role="alert">{{ error() }}</p>
      } @else {
        <p class="soft" role="status">Working out what each board would do…</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button matButton="outlined" type="button" class="plain" mat-dialog-close>Leave it where it is</button>
    </mat-dialog-actions>
  `,
  styles: `
    ul {
      margin: 14px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 16px;
      align-items: center;
      justify-content: space-between;
      padding: 10px 0 12px;
      border-top: 1px solid var(--hairline);
    }
    li > div {
      flex: 1 1 300px;
    }
    h3 .soft {
      margin-left: 6px;
      font: 400 14px var(--text);
    }
  `,
})
export class Carry {
  private readonly api = inject(ShelfApi);
  protected readonly parcel = inject<BoardParcel>(MAT_DIALOG_DATA);
  protected readonly dialog = inject<MatDialogRef<Carry, Chosen>>(MatDialogRef);
  protected readonly at = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly found = toSignal(
    this.api.elsewhere(this.parcel.holderId).pipe(
      catchError((problem: ApiProblem) => {
        this.error.set(problem.message);
        return EMPTY;
      }),
    ),
  );
  protected title(): string {
    const parcels = this.found()?.parcels ?? [];
    return parcels.length > 1 ? listed(parcels.map(({ number }) => number)) : `${this.parcel.number} ${this.parcel.title}`;
  }
}
