import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { filter, interval, retry, ReplaySubject, take } from 'rxjs';
import type { About, Household } from '@fresh-tuck/contract';
import { USUAL_NURSING } from '@fresh-tuck/core/nursing';
import { formatLength, inUnits } from '@fresh-tuck/core/units';

import { Changes } from '../transport/changes.service';
import { Transport } from '../transport/transport.service';
import { moments, type Moments } from './moments';
import { HouseholdApi } from './household.api';

const FALLBACK: Household = {
  name: 'Home',
  zone: 'UTC',
  units: 'metric',
  lookingTimes: [],
  millilitresPerSpray: 0.8,
  version: 0,
  frost: null,
  away: [],
  ways: {
    rootSchool: 'crop',
    unopenedFirst: false,
    leastHope: 0.1,
    sureness: 0.9,
    retestChance: 0.05,
    patienceTimes: 2,
    lateTolerance: 0.02,
  },
  nursing: { schools: USUAL_NURSING, sky: null },
};

/** Who the household is and what time it is there: the server owns the clock. */
@Injectable({ providedIn: 'root' })
export class AboutService {
  private readonly api = inject(HouseholdApi);
  private readonly transport = inject(Transport);
  private readonly about = new ReplaySubject<About>(1);
  private readonly offsetMs = signal(0);
  private readonly tick = signal(Date.now());
  private readonly known = signal<About | null>(null);

  readonly first$ = this.about.pipe(take(1));
  readonly demo = computed(() => this.known()?.demo ?? false);
  /** The newest record, where it lies ahead of the clock and that is not settled. */
  readonly aheadMs = computed(() => this.known()?.aheadMs ?? null);
  /** What is wrong with the household's file. */
  readonly trouble = computed(() => this.known()?.trouble ?? null);
  readonly settled = computed(() => this.known()?.household !== null && this.known() !== null);
  readonly household = computed<Household>(() => this.known()?.household ?? FALLBACK);
  /** The household's time, to the half minute. */
  readonly nowMs = computed(() => this.tick() + this.offsetMs());
  readonly moments = computed<Moments>(() => moments(this.household().zone, this.nowMs()));
  /** A length as the household says it. */
  readonly lengthText = computed(() => {
    const { units } = this.household();
    return (mm: number): string => formatLength(mm, units);
  });

  constructor() {
    inject(Changes)
      .keep(() => this.api.about())
      .pipe(retry({ delay: 2000 }), takeUntilDestroyed())
      .subscribe((about) => this.take(about));
    interval(30_000)
      .pipe(
        filter(() => !document.hidden),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.tick.set(Date.now()));
  }

  /** A text of the book, its temperatures and lengths in the household's units. */
  told(text: string): string {
    return inUnits(text, this.household().units);
  }

  /** Takes a fresh answer over at once, before the stream brings it. */
  take(about: About): void {
    this.known.set(about);
    this.transport.units.set(about.household?.units ?? 'metric');
    this.offsetMs.set(about.nowMs - Date.now());
    this.tick.set(Date.now());
    this.about.next(about);
  }
}
