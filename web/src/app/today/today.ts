import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { catchError, EMPTY, exhaustMap, filter, interval, merge, of, retry, startWith, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { SittingName, Stop, Today } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';

import { Changes } from '../data/transport/changes.service';
import { WhyService } from '../data/forecast/why.service';
import { RoundService } from '../data/household/round.service';
import { formatLength, listed, numberWord } from '@fresh-tuck/core/units';
import { Parcel } from '../kit/parcel';
import { Ribbon } from '../kit/ribbon';
import { Why } from '../kit/why';
import { AwayPanel } from './away';
import { NurseryToday } from './nursery-today';
import { SeasonToday } from './season-today';
import { TodayApi } from './today.api';

/** Asked anew so often while nobody says anything, ms. */
const ANEW_MS = 5 * 60_000;

/** The walk round the home: which parcels to open now, and which to leave shut until when. */
@Component({
  selector: 'ft-today',
  imports: [AwayPanel, MatButton, Parcel, Ribbon, RouterLink, Why, NurseryToday, SeasonToday],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './today.html',
  styleUrl: './today.scss',
})
export class TodayScreen {
  private readonly api = inject(TodayApi);
  private readonly router = inject(Router);
  private readonly round = inject(RoundService);
  protected readonly why = inject(WhyService).of;
  protected readonly listed = listed;
  protected readonly about = inject(AboutService);
  protected readonly today = toSignal(
    // What a clock alone changes (a silent thermometer, an hour that comes) is asked for by and by.
    merge(inject(Changes).changed$, interval(ANEW_MS)).pipe(
      startWith(undefined),
      switchMap(() => this.api.today()),
      retry({ delay: 3000 }),
    ),
  );

  /** Lists that are not worked off yet: an evening that was broken off. */
  private readonly names = toSignal(
    inject(Changes).keep(() => this.api.sittings().pipe(catchError(() => of([])))),
    { initialValue: [] },
  );
  protected readonly sittings = computed(() => this.names().filter(({ ended, done, packets }) => !ended && done < packets));
  protected sittingText({ name, at, done, packets }: SittingName): string {
    if (done > 0) return `A sitting goes on: ${done} of ${packets} packets are done.`;
    const planned = at === null ? '' : `, ${this.about.moments().short(this.about.moments().at(at))}`;
    return `${name ?? 'A list'} is planned${planned}: ${numberWord(packets)} ${packets === 1 ? 'packet' : 'packets'}.`;
  }
  protected readonly count = computed(() => this.today()?.stations.reduce((sum, { stops }) => sum + stops.length, 0) ?? 0);
  protected readonly headline = computed(() => {
    const count = this.count();
    const part = this.about.moments().partOfDay;
    if (this.today()?.batchCount === 0) return 'Nothing is tucked in yet';
    const [danger] = this.today()?.dangers ?? [];
    if (danger) return danger.lead;
    const rescue = this.today()?.rescue;
    if (rescue) return `Rescue ${numberWord(rescue.batchIds.length)} ${rescue.batchIds.length === 1 ? 'parcel' : 'parcels'} first`;
    if (count === 0) return `Nothing to open this ${part}`;
    // What lies in no bag is looked at, not opened.
    const others =
      this.today()?.stations.reduce((sum, { stops }) => sum + stops.filter(({ batch }) => batch.carrier.kind !== 'towel').length, 0) ?? 0;
    const parcels = count - others;
    const open = parcels > 0 ? `Open ${numberWord(parcels)} ${parcels === 1 ? 'parcel' : 'parcels'}` : '';
    const see =
      others > 0
        ? `${parcels > 0 ? 'look at' : 'Look at'} ${numberWord(others)} ${parcels > 0 ? 'more' : others === 1 ? 'sowing' : 'sowings'}`
        : '';
    return `${[open, see].filter(Boolean).join(', ')} this ${part}`;
  });
  /** After an absence: whose roots may be in the paper, longest first. */
  protected readonly rescues = computed(() => {
    const today = this.today();
    const stops = today?.stations.flatMap((station) => station.stops) ?? [];
    const { units } = this.about.household();
    return (today?.rescue?.batchIds ?? []).flatMap((id) => {
      const batch = stops.find((stop) => stop.batch.id === id)?.batch;
      return batch ? [{ id, number: batch.number, title: batch.title, length: formatLength(batch.answers.longestMm, units) }] : [];
    });
  });
  /** The bags that something threatens, one button each: what lies in them goes with them. */
  protected endangered(batchIds: readonly string[]): { id: string; numbers: string }[] {
    const today = this.today();
    const all = [...(today?.stations.flatMap(({ stops }) => stops) ?? []), ...(today?.shut ?? [])].map(({ batch }) => batch);
    const bags = new Map<string, { id: string; numbers: string }>();
    for (const { id, holder } of all.filter((batch) => batchIds.includes(batch.id)))
      if (!bags.has(holder.id)) bags.set(holder.id, { id, numbers: listed(holder.numbers) });
    return [...bags.values()];
  }
  /** A bag is opened once, whatever lies in it: its parcels stand together. */
  protected bagsOf({ stops }: Today['stations'][number]): { id: string; kind: string; numbers: string; stops: Stop[] }[] {
    const bags = new Map<string, Stop[]>();
    for (const stop of stops) bags.set(stop.batch.holder.id, [...(bags.get(stop.batch.holder.id) ?? []), stop]);
    return [...bags.entries()].map(([id, own]) => ({
      id,
      kind: own[0]?.batch.holder.kind ?? 'bag',
      numbers: listed(own.map(({ batch }) => batch.number)),
      stops: own,
    }));
  }

  protected readonly left = computed(() => {
    const round = this.today()?.round;
    return round ? round.batchIds.length - round.doneIds.length : 0;
  });
  /** For the phone: the shut ones in one line. */
  protected readonly shutHeading = computed(() => {
    const shut = this.today()?.shut.length ?? 0;
    return `Leave ${numberWord(shut)} shut`;
  });

  constructor() {
    // What was told is kept once a day, so that a change since can be named.
    toObservable(this.today)
      .pipe(
        filter((today) => today !== undefined && !today.told && today.batchCount > 0),
        exhaustMap(() => this.api.shown({ id: uuid() }).pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Until when a shut one is left, and what comes then. */
  protected shutUntil({ batch: { answers }, nextInWords }: Today['shut'][number]): string {
    if (answers.next.reason === 'chill') return `in the cold until ${nextInWords}`;
    return answers.next.reason === 'soak' && answers.soaking
      ? `out of the water ${nextInWords}, at the latest ${this.about.moments().short(answers.soaking.drownsMs)}`
      : `next look ${nextInWords}`;
  }

  protected start(): void {
    const today = this.today();
    const first = today && this.round.start(today);
    if (first) void this.router.navigate(['/open', first]);
  }

  protected resume(): void {
    const round = this.today()?.round;
    const next = round && this.round.resume(round);
    if (next) void this.router.navigate(['/open', next]);
  }

  protected single(): void {
    this.round.single();
  }
}
