import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { catchError, EMPTY, merge, Subject, switchMap } from 'rxjs';
import type { BoardParcel } from '@fresh-tuck/contract';
import { PLACE_CAUTIONS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Carrying } from '../shelf/carrying.service';
import { LightForm } from '../nursery/light-form';
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
  imports: [Cut, LightForm, MatButton, RouterLink, SpotEvents, SpotRecord, SpotSettings, Thermometers, WhatIfSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './spot.html',
  styleUrl: './spot.scss',
})
export class SpotScreen {
  readonly spotId = input.required<string>();
  private readonly api = inject(SpotApi);
  private readonly carrying = inject(Carrying);
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

  protected carry(parcel: BoardParcel): void {
    this.carrying
      .choose(parcel, this.sheet()?.parcels ?? [])
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: () => this.anew.next(), error: () => undefined });
  }

  protected toShelf(): void {
    void this.router.navigate(['/shelf']);
  }
}
