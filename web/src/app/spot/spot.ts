import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { Router, RouterLink } from '@angular/router';
import { catchError, EMPTY, map, merge, Subject, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BoardParcel } from '@fresh-tuck/contract';
import { PLACE_CAUTIONS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Carry } from '../shelf/carry';
import { ShelfApi } from '../shelf/shelf.api';
import { Cut } from './cut';
import { SpotEvents } from './events';
import { SpotRecord } from './record';
import { SpotSettings } from './settings';
import { SpotApi } from './spot.api';
import { Thermometers } from './thermometers';
import { WhatIfSection } from './what-if';

const NTH = ['', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

/** A warm spot: its record, what it is like, what would be if, who belongs there, and who measures. */
@Component({
  selector: 'ft-spot',
  imports: [Cut, MatButton, RouterLink, SpotEvents, SpotRecord, SpotSettings, Thermometers, WhatIfSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './spot.html',
  styleUrl: './spot.scss',
})
export class SpotScreen {
  readonly spotId = input.required<string>();
  private readonly api = inject(SpotApi);
  private readonly shelfApi = inject(ShelfApi);
  private readonly dialogs = inject(MatDialog);
  private readonly notice = inject(Notice);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly error = signal<string | null>(null);
  private readonly anew = new Subject<void>();
  private readonly changes = inject(Changes);
  protected readonly sheet = toSignal(
    toObservable(this.spotId).pipe(
      switchMap((id) =>
        merge(
          this.changes.keep(() => this.ask(id)),
          this.anew.pipe(switchMap(() => this.ask(id))),
        ),
      ),
    ),
  );
  protected readonly nth = computed(() => {
    const { nth = 0 } = this.sheet() ?? {};
    return nth === 0 ? 'put away' : `${NTH[nth] ?? `${nth}th`} stop of the walk`;
  });
  protected readonly caution = computed(() => PLACE_CAUTIONS[this.sheet()?.spot.kind ?? ''] ?? null);
  /** A parcel that stands here and belongs elsewhere: the page's next action. */
  protected readonly misplaced = computed(() => {
    const sheet = this.sheet();
    for (const parcel of sheet?.parcels ?? []) {
      const crop = sheet?.crops.find(({ name }) => parcel.title.startsWith(`${name},`));
      if (crop?.best && !crop.belongs) return { parcel, best: crop.best };
    }
    return null;
  });

  private ask(id: string) {
    return this.api.sheet(id).pipe(
      catchError((problem: ApiProblem) => {
        this.error.set(problem.message);
        return EMPTY;
      }),
    );
  }

  protected saved(text: string): void {
    if (text !== '') this.notice.say(text);
    this.anew.next();
  }

  /** Whether what would come anyway is followed by fewer: said beside the crop. */
  protected carry(parcel: BoardParcel): void {
    this.dialogs
      .open<Carry, BoardParcel, { spotId: string; name: string; at: string | null }>(Carry, {
        data: parcel,
        width: '640px',
        maxWidth: 'calc(100vw - 24px)',
        autoFocus: 'first-heading',
      })
      .afterClosed()
      .pipe(
        switchMap((chosen) =>
          chosen
            ? this.shelfApi.carry(parcel.holderId, { id: uuid(), spotId: chosen.spotId, at: chosen.at }).pipe(map(() => chosen.name))
            : EMPTY,
        ),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (name) => {
          this.notice.say(`${parcel.number} stands at ${name}.`);
          this.anew.next();
        },
        error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close'),
      });
  }

  protected toShelf(): void {
    void this.router.navigate(['/shelf']);
  }
}
