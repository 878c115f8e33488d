import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { suppliesFor } from '@fresh-tuck/core/sowing';
import { counted, listed, numberWord } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { MendApi } from '../data/household/mend.api';
import { Notice } from '../data/household/notice.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Handling } from '../kit/handling';
import { Label } from '../kit/label';
import { Towel } from '../kit/towel';
import { SeedsPipe } from '../kit/seeds.pipe';
import { paneDrawn, seedsLaid, stepsOf } from '../tuck/laid-out';
import { requestOf } from '../tuck/request';
import { ListSources, TuckSources } from '../tuck/sources';
import { WorktopSteps } from '../tuck/worktop-steps';
import { type Seat } from './seat';
import { SittingApi } from './sitting.api';
import { SittingPlan } from './sitting-plan';
import { Stub } from './stub';
import { WorktopClock } from './worktop-clock';

/** One packet at the worktop, and one button to the next: stored as it is laid, not at the end. */
@Component({
  selector: 'ft-lay',
  imports: [Handling, Label, MatButton, RouterLink, SeedsPipe, Stub, Towel, WorktopSteps],
  providers: [{ provide: TuckSources, useClass: ListSources }, SittingPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lay.html',
  styleUrl: './lay.scss',
  host: {
    '(document:pointerdown)': 'clock.touch()',
    '(document:keydown)': 'clock.touch()',
    '(document:visibilitychange)': 'seen()',
  },
})
export class LayScreen {
  private readonly api = inject(SittingApi);
  private readonly household = inject(HouseholdApi);
  private readonly mending = inject(MendApi);
  private readonly notice = inject(Notice);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly clock = inject(WorktopClock);
  protected readonly about = inject(AboutService);
  protected readonly plan = inject(SittingPlan);
  readonly sittingId = input.required<string>();
  /** The packet that another screen named: read from its label. */
  readonly line = input<string>();

  protected readonly saving = signal(false);
  protected readonly failed = signal<string | null>(null);
  /** Batches begun from here, the last one last: what Undo takes back. */
  protected readonly laid = signal<readonly { readonly batchId: string; readonly number: number }[]>([]);

  protected readonly seat = computed((): Seat | null => {
    const open = this.plan.open();
    return open.find(({ id }) => id === this.line()) ?? open[0] ?? null;
  });
  protected readonly place = computed(() => {
    const all = this.plan.seats().filter((seat) => seat.line().title !== null && !seat.line().skipped);
    const at = all.indexOf(this.seat() as Seat) + 1;
    const left = Math.round(suppliesFor(this.plan.lines(), this.plan.sitting()?.hands ?? {}).minutes.all);
    return `${at} of ${all.length} · about ${counted(left, 'minute')} left`;
  });
  protected readonly stubs = computed(() =>
    this.plan.seats().map((seat) => ({
      id: seat.id,
      number: seat.line().number,
      state: seat.line().batchId !== null ? ('done' as const) : seat === this.seat() ? ('now' as const) : ('off' as const),
    })),
  );
  /** The bag that it goes into with others, in words. */
  protected readonly shared = computed(() => {
    const seat = this.seat();
    const mates = seat ? this.plan.matesOf(seat).filter((one) => one !== seat) : [];
    return mates.length === 0 ? '' : `in one bag with ${listed(mates.map((one) => one.line().number))}`;
  });
  protected readonly headline = computed(() => {
    const seat = this.seat();
    if (!seat) return '';
    const { plan } = seat;
    const what = `${numberWord(plan.seeds())} ${seat.crop()} ${plan.seeds() === 1 ? 'seed' : 'seeds'}`;
    if (plan.soaking()) return `Put ${what} in water`;
    return `${plan.way().carrier === 'towel' ? 'Lay' : 'Sow'} ${what}`;
  });
  protected readonly steps = computed(() => {
    const seat = this.seat();
    if (!seat) return [];
    const [first, ...rest] = stepsOf(seat.plan, this.about.household().units);
    const { plan } = seat;
    const where = plan.soaking() ? 'cup' : plan.way().bagged ? 'bag' : plan.way().carrier === 'row' ? 'row' : 'tray';
    return [
      { text: `Label ${seat.line().number} goes to the ${where} first; only then open the packet.`, caution: first?.caution ?? null },
      ...rest,
    ];
  });
  protected readonly seeds = computed(() => {
    const seat = this.seat();
    return seat ? seedsLaid(seat.plan) : [];
  });
  protected readonly pane = computed(() => {
    const seat = this.seat();
    return seat ? paneDrawn(seat.plan) : { widthMm: 140, heightMm: 110 };
  });
  protected readonly dose = computed(() => this.seat()?.plan.plan()?.dose ?? null);
  /** Room that each seed needs, where there is so much. */
  protected readonly apart = computed(() => {
    const answer = this.seat()?.plan.plan();
    return answer ? Math.min(answer.neededMm, answer.nearestMm) : 0;
  });
  protected readonly then = computed(() => {
    const seat = this.seat();
    const answers = seat?.plan.here()?.answers;
    const spot = seat?.plan.spot();
    if (!seat || !answers || !spot) return null;
    const { nextTip } = answers;
    const moments = this.about.moments();
    return {
      spot: `Then to ${spot.name}, ${spot.inWords}${this.shared() ? `, ${this.shared()}` : ''}.`,
      look: `${seat.plan.soaking() ? 'Out of the water' : 'First look'} ${moments.short(answers.next.atMs)}.`,
      tips:
        nextTip === null
          ? ''
          : `First ${seat.plan.way().nouns.event.many} ${moments.day(nextTip.lowMs)} to ${moments.day(nextTip.highMs)}, 8 chances in 10.`,
    };
  });
  protected readonly blocked = computed(() => {
    const seat = this.seat();
    return seat ? (seat.fault() ?? (seat.ready() ? null : '')) : '';
  });

  constructor() {
    effect(() => this.plan.id.set(this.sittingId()));
    effect(() => {
      const seat = this.seat();
      if (seat) this.clock.start(seat.id);
      else this.clock.pause();
    });
    // Everything is laid: the list says so.
    effect(() => {
      const sitting = this.plan.sitting();
      if (sitting && this.plan.seats().length > 0 && this.plan.open().length === 0 && !this.saving())
        void this.router.navigate(['/sitting', sitting.id], { replaceUrl: true });
    });
    this.destroyRef.onDestroy(() => this.clock.pause());
  }

  /** Out of sight is out of hand. */
  protected seen(): void {
    const seat = this.seat();
    if (document.hidden) this.clock.pause();
    else if (seat) this.clock.start(seat.id);
  }

  protected tuckIn(): void {
    const seat = this.seat();
    if (!seat) return;
    const body = requestOf(seat.plan);
    if ('missing' in body) return this.failed.set(body.missing);
    const bag = this.plan.bagOf(seat);
    const holder = bag !== null && 'newId' in body.holder ? { ...body.holder, newId: bag } : body.holder;
    this.saving.set(true);
    this.failed.set(null);
    this.household
      .addBatch({ ...body, startAt: null, holder, sitting: { lineId: seat.id, seconds: this.clock.seconds(seat.id) } })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: ({ id, number }) => {
          this.laid.update((all) => [...all, { batchId: id, number }]);
          seat.line.update((line) => ({ ...line, batchId: id }));
          for (const other of this.plan.open()) if (other.line().packetId === seat.line().packetId) other.again();
          this.onward();
        },
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }
  protected skip(): void {
    const seat = this.seat();
    if (!seat) return;
    this.api
      .skip(this.sittingId(), seat.id, { id: uuid(), skipped: true })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          seat.line.update((line) => ({ ...line, skipped: true }));
          this.notice.say(`${seat.line().number} is passed over; it stays on the list.`);
          this.onward();
        },
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }
  /** A slip: the last one is taken back, its seed is in the packet again, and its label stays its own. */
  protected undo(): void {
    const last = this.laid().at(-1);
    if (!last) return;
    this.mending
      .untuck(last.batchId, { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.laid.update((all) => all.slice(0, -1));
          this.notice.say(`${last.number} is taken back: its label stays good.`);
        },
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }
  /** A packet that was named by its label was the one in hand; then they follow in their order. */
  private onward(): void {
    window.scrollTo({ top: 0 });
    if (this.line() !== undefined) void this.router.navigate(['/sitting', this.sittingId(), 'lay'], { replaceUrl: true });
  }
}
