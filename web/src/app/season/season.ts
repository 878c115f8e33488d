import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Season, SeasonLot } from '@fresh-tuck/contract';
import { numberWord } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { SittingApi } from '../sitting/sitting.api';
import { FitPanel } from './fit-panel';
import { RoomWord } from './room-word';
import { SeasonService } from './season.service';
import { YearPicture } from './year-picture';

/** The year between the frosts: what to start in which week, what becomes of it, and where it will not fit. */
@Component({
  selector: 'ft-season',
  imports: [FitPanel, MatButton, RoomWord, RouterLink, YearPicture],
  providers: [SeasonService],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './season.html',
  styleUrl: './season.scss',
})
export class SeasonScreen {
  protected readonly service = inject(SeasonService);
  protected readonly about = inject(AboutService);
  private readonly sittings = inject(SittingApi);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly all = this.service.all;
  protected readonly making = signal(false);
  protected readonly failed = signal<string | null>(null);
  protected readonly word = numberWord;
  /** Whether a plan that fits is being shown. */
  protected readonly fitting = signal(false);
  protected readonly overflows = computed(() => this.all()?.rooms.some(({ overflows }) => overflows.length > 0) ?? false);
  /** Starts of the week whose seed is in the box. */
  protected readonly ready = computed(() => this.all()?.due.filter(({ packetId }) => packetId !== null) ?? []);
  protected readonly lit = computed(() => this.all()?.rooms.filter(({ kind }) => kind === 'lit') ?? []);
  protected readonly wanting = computed(() => this.all()?.lots.filter(({ packetId }) => packetId === null) ?? []);

  /** The week's packets as the list of a sitting, each with what was wished of it. */
  protected layOut(season: Season): void {
    const lots = new Map(season.lots.map((lot) => [lot.wishId, lot]));
    const lines = this.ready().flatMap(({ wishId }) => {
      const lot = lots.get(wishId);
      return lot?.packetId ? [{ id: uuid(), packetId: lot.packetId, words: lineWords(lot), bag: null }] : [];
    });
    this.making.set(true);
    this.sittings
      .add({ id: uuid(), lines })
      .pipe(
        finalize(() => this.making.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: ({ id }) => void this.router.navigate(['/sitting', id]),
        error: ({ message }: ApiProblem) => this.failed.set(message),
      });
  }

  /** What is under way and was never wished for comes onto the list, as it is. */
  protected takeIn({ unwished }: Season): void {
    const wishes = unwished.map(({ batchId, packetId, cropId, plants }) => ({
      wishId: uuid(),
      words: { cropId, packetId, plants, place: 'outdoors' as const, goal: { kind: 'season' as const }, batchId },
    }));
    this.service.say(
      wishes,
      `${numberWord(wishes.length)} taken into the year.`.replace(/^./, (letter) => letter.toUpperCase()),
    );
  }
}

/** What a sitting is told of a wish: how many, which way, where and by when. */
function lineWords({ words, destination, gate, spotId }: SeasonLot) {
  const day =
    words.goal.kind === 'season' ? (gate === null ? null : new Date(gate * 86_400_000).toISOString().slice(0, 10)) : words.goal.day;
  return {
    wanted: words.plants,
    method: words.method,
    destination,
    ...(words.rackId ? { rackId: words.rackId } : {}),
    ...(words.spotId && spotId ? { spotId } : {}),
    ...(day === null ? {} : { goal: { kind: words.goal.kind === 'ripe' ? ('ripe' as const) : ('plant_out' as const), day } }),
  };
}
