import { NgComponentOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, Injector, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { v7 as uuid } from 'uuid';
import type { LabelsRequest } from '@fresh-tuck/contract';
import { clashesOf, keptApart, suppliesFor, type Clash, type SeatedLine } from '@fresh-tuck/core/sowing';
import { capital, listed, numberWord } from '@fresh-tuck/core/units';
import { clashInWords, minutesInWords, sittingHeadline, type ClashTold } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { readBy, text } from '../kit/validators';
import { Labels } from '../print/open-labels';
import { TuckPlan } from '../tuck/tuck-plan';
import { ListSources, TuckSources } from '../tuck/sources';
import { LinePanel } from './line-panel';
import { OnTheTable } from './on-the-table';
import { Seat } from './seat';
import { SittingApi } from './sitting.api';
import { SittingPlan } from './sitting-plan';
import { Stub } from './stub';
import { sittingTitle } from './title';

/** Printed already: the next thing is to begin. Remembered in this browser, as it only decides which button leads. */
const PRINTED = 'fresh-tuck.printed';

/** The list on the fridge: every packet of a sitting, what would go wrong, and what stands ready on the table. */
@Component({
  selector: 'ft-sitting',
  imports: [Field, MatButton, NgComponentOutlet, OnTheTable, RouterLink, Stub],
  providers: [{ provide: TuckSources, useClass: ListSources }, SittingPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sitting.html',
  styleUrl: './sitting.scss',
})
export class SittingScreen {
  private readonly injector = inject(Injector);
  private readonly api = inject(SittingApi);
  private readonly labels = inject(Labels);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly plan = inject(SittingPlan);
  readonly sittingId = input.required<string>();

  protected readonly panel = LinePanel;
  private readonly injectors = new Map<Seat, Injector>();
  /** The line that is opened to be changed. */
  protected readonly opened = signal<string | null>(null);
  private readonly printed = signal(false);
  protected readonly form = { at: text(), name: text(), spent: text('', readBy(readMoney)) };

  protected readonly supplies = computed(() => suppliesFor(this.plan.lines(), this.plan.sitting()?.hands ?? {}));
  protected readonly headline = computed(() => {
    const [open, done] = [this.plan.open().length, this.plan.done().length];
    if (open === 0) {
      if (done === 0) return 'Nothing was laid from this list';
      const rest = this.plan.seats().length - done;
      if (rest > 0) return `${capital(numberWord(done))} tucked in, ${numberWord(rest)} not laid`;
      return done === 1 ? 'It is tucked in' : `All ${numberWord(done)} are tucked in`;
    }
    const left = sittingHeadline(open, this.supplies().minutes.all);
    return done > 0 ? `${left} left` : left;
  });
  protected readonly minutes = computed(() => minutesInWords(this.supplies().minutes));
  protected readonly when = computed(() => {
    const [at, sitting, first] = [this.plan.at(), this.plan.sitting(), this.plan.open()[0]];
    const name = sitting ? capital(sittingTitle(sitting, this.about.moments())) : '';
    return at === null || !first ? name : `${name}, for ${this.about.moments().short(first.plan.startMs())}`;
  });
  /** What goes into water at the table, and when it is out again. */
  protected readonly water = computed(() => {
    const out = new Map<string, string[]>();
    for (const seat of this.plan.open()) {
      const untilMs = seat.plan.soaking() ? (seat.plan.here()?.facts.soakUntilMs ?? null) : null;
      if (untilMs === null) continue;
      const until = this.about.moments().short(untilMs);
      out.set(until, [...(out.get(until) ?? []), seat.crop()]);
    }
    const told = [...out].map(([until, crops]) => `${listed(crops)} until ${until}`);
    return told.length === 0 ? '' : `Into water at the table: ${told.join('; ')}.`;
  });
  /** Whether the labels lead, or the first packet. */
  protected readonly labelled = computed(() => this.printed() || this.plan.done().length > 0);
  protected readonly first = computed(() => this.plan.open()[0] ?? null);

  private readonly seated = computed(() =>
    this.plan.open().flatMap((seat): SeatedLine[] => {
      const [crop, answer] = [seat.plan.crop(), seat.plan.plan()];
      // A row of the bed takes no room on a board.
      if (!crop || !answer || seat.plan.way().carrier === 'row') return [];
      return [
        {
          key: seat.id,
          crop,
          seeds: answer.seeds,
          spotId: seat.plan.spotId(),
          bag: this.plan.bagOf(seat) ?? seat.plan.holderId(),
          bagged: seat.plan.way().bagged,
          standing: answer.bySpot,
        },
      ];
    }),
  );
  private readonly clashes = computed(() => {
    const spots = this.plan.sources.spots().map(({ id, holds, taken }) => ({ id, holds, taken }));
    return clashesOf(this.seated(), spots);
  });
  /** What is wrong with each line, in words; a fault of the line itself goes before. */
  protected readonly trouble = computed(() => {
    const found = new Map<string, (ClashTold & { readonly clash: Clash })[]>();
    const seat = (key: string): Seat | undefined => this.plan.seats().find(({ id }) => id === key);
    const spot = (id: string) => this.plan.sources.spots().find((one) => one.id === id);
    for (const clash of this.clashes()) {
      const told = clashInWords(clash, {
        crop: (key) => seat(key)?.crop() ?? '',
        seeds: (key) => seat(key)?.count() ?? 0,
        number: (key) => seat(key)?.line().number ?? 0,
        spot: (id) => spot(id)?.name ?? '',
        warmth: (id) => spot(id)?.inWords ?? '',
      });
      found.set(clash.key, [...(found.get(clash.key) ?? []), { ...told, clash }]);
    }
    return found;
  });

  constructor() {
    effect(() => {
      this.plan.id.set(this.sittingId());
      this.printed.set(marks().includes(this.sittingId()));
    });
    effect(() => show(this.form.at, this.plan.at() ?? ''));
    effect(() => show(this.form.name, this.plan.name() ?? ''));
    effect(() => show(this.form.spent, this.plan.spent()?.toString() ?? ''));
    const { at, name, spent } = this.form;
    at.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => this.plan.at.set(value === '' ? null : value.slice(0, 16)));
    name.valueChanges
      .pipe(takeUntilDestroyed())
      .subscribe((value) => this.plan.name.set(value.trim() === '' ? null : value.trim().slice(0, 60)));
    spent.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => spent.valid && this.plan.spent.set(readMoney(String(value))));
  }

  /** Whether it is the spot that is wrong, and not its neighbour on the list. */
  protected misplaced(seat: Seat): boolean {
    return (this.trouble().get(seat.id) ?? []).some(({ clash }) => clash.kind !== 'alike');
  }

  protected injectorOf(seat: Seat): Injector {
    const known = this.injectors.get(seat);
    if (known) return known;
    const fresh = Injector.create({
      providers: [
        { provide: TuckPlan, useValue: seat.plan },
        { provide: Seat, useValue: seat },
      ],
      parent: this.injector,
    });
    this.injectors.set(seat, fresh);
    return fresh;
  }

  protected readonly row = (nth: number): number => Math.floor(nth / 4);

  /** Where it goes: a row that no outdoor spot is named for stands in its bed. */
  protected spotText({ plan }: Seat): string {
    const spot = plan.spot();
    return plan.way().carrier === 'row' && spot?.kind !== 'plot' ? 'in the bed' : (spot?.name ?? '');
  }

  /** "own bag", "bag with 22 and 23". */
  protected bagText(seat: Seat): string {
    const { plan } = seat;
    const kind = plan.way().bagged ? 'bag' : plan.way().carrier === 'row' ? '' : 'tray';
    if (kind === '') return '';
    const there = plan.holder();
    if (there) return `${there.kind} with ${listed(there.numbers)}`;
    const others = this.plan.matesOf(seat).filter((one) => one !== seat);
    return others.length === 0 ? `own ${kind}` : `${kind} with ${listed(others.map((one) => one.line().number))}`;
  }

  /** Does what a clash's button says. */
  protected mend(seat: Seat, { clash }: { readonly clash: Clash }): void {
    if (clash.kind === 'alike') {
      const kept = new Map(this.seated().map((line) => [line.key, line]));
      const open = this.plan.open().flatMap((one) => {
        const line = kept.get(one.id);
        return line ? [{ seat: one, crop: line.crop, bagged: line.bagged }] : [];
      });
      const rest = this.plan.seats().filter((one) => !open.some((line) => line.seat === one));
      this.plan.order([...rest, ...keptApart(open).map((line) => line.seat)]);
      return;
    }
    if (clash.kind === 'bag') seat.plan.mate.set(null);
    if (clash.to !== null) seat.plan.spotFixed.set(clash.to);
  }

  /** A label for each packet, and a second one where a bag is shared: one lies within, one is on it. */
  protected print(): void {
    const open = this.plan.seats().filter((seat) => seat.line().title !== null && !seat.line().skipped);
    const item = (seat: Seat): LabelsRequest['items'][number] =>
      seat.line().batchId === null
        ? { kind: 'line', id: seat.id, seeds: seat.count() }
        : { kind: 'batch', id: seat.line().batchId ?? '', seeds: seat.count() };
    const shared = open.filter((seat) => this.plan.bagOf(seat) !== null);
    this.labels
      .open([...open, ...shared].map(item))
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe((printed) => {
        if (!printed) return;
        mark(this.sittingId());
        this.printed.set(true);
      });
  }

  /** Passed over, and wanted after all. */
  protected takeUp(seat: Seat): void {
    this.api
      .skip(this.sittingId(), seat.id, { id: uuid(), skipped: false })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => seat.take({ ...seat.line(), skipped: false }),
        error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close'),
      });
  }

  protected end(): void {
    this.api
      .end(this.sittingId(), { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close') });
  }
}

/** What stands in a field follows the list, unless it is just being typed. */
function show(control: { value: string; setValue(value: string, options: { emitEvent: boolean }): void }, value: string): void {
  if (String(control.value) !== value) control.setValue(value, { emitEvent: false });
}
/** An amount of money: "8.40", "8,40"; null where it is none. */
function readMoney(words: string): number | null {
  const amount = Number(words.trim().replace(',', '.'));
  return words.trim() !== '' && Number.isFinite(amount) && amount >= 0 && amount <= 100_000 ? amount : null;
}
function marks(): string[] {
  try {
    return JSON.parse(localStorage.getItem(PRINTED) ?? '[]') as string[];
  } catch {
    return [];
  }
}
function mark(id: string): void {
  try {
    localStorage.setItem(PRINTED, JSON.stringify([...marks().filter((one) => one !== id), id].slice(-20)));
  } catch {
    // Then the labels lead again: nothing is lost by it.
  }
}
