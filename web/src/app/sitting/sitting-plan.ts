import { computed, DestroyRef, effect, EnvironmentInjector, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { filter, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Sitting } from '@fresh-tuck/contract';
import type { SittingLine } from '@fresh-tuck/core/sowing';
import { Changes } from '../data/transport/changes.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { TuckSources } from '../tuck/sources';
import { carriedOver, restore } from '../tuck/words-of';
import { Seat } from './seat';
import { SittingApi } from './sitting.api';

/** A short wait for the next word before the list is stored, ms. */
const SAVE_MS = 500;
/** Before a server that did not answer is asked again, ms. */
const AGAIN_MS = 3000;

/** The list of a sitting: every packet with its sentence, kept on the server as it is changed. */
@Injectable()
export class SittingPlan {
  private readonly api = inject(SittingApi);
  private readonly changes = inject(Changes);
  private readonly parent = inject(EnvironmentInjector);
  private readonly destroyRef = inject(DestroyRef);
  readonly sources = inject(TuckSources);

  readonly id = signal<string | null>(null);
  readonly sitting = signal<Sitting | null>(null);
  readonly seats = signal<readonly Seat[]>([]);
  readonly at = signal<string | null>(null);
  readonly name = signal<string | null>(null);
  readonly spent = signal<number | null>(null);
  readonly problem = signal<ApiProblem | null>(null);
  readonly gone = signal<string | null>(null);

  /** Packets that are still to be laid, in their order. */
  readonly open = computed(() => this.seats().filter((seat) => seat.open()));
  readonly done = computed(() => this.seats().filter((seat) => seat.line().batchId !== null));
  readonly settled = computed(() => this.seats().every((seat) => seat.ready()));

  /** The bag that a packet shares with others of the list; null for one of its own. */
  bagOf(seat: Seat): string | null {
    const mate = seat.plan.mate();
    if (mate !== null)
      return this.seats().some((other) => other !== seat && (other.id === mate || other.plan.mate() === mate)) ? mate : null;
    return this.seats().some((other) => other.plan.mate() === seat.id) ? seat.id : null;
  }
  matesOf(seat: Seat): Seat[] {
    const bag = this.bagOf(seat);
    return bag === null ? [] : this.seats().filter((other) => this.bagOf(other) === bag);
  }

  /** What stands on the table for what is still to be laid. */
  readonly lines = computed(() =>
    this.open().flatMap((seat): SittingLine[] => {
      const answer = seat.plan.plan();
      if (!answer) return [];
      const { plan } = seat;
      return [
        {
          method: plan.method(),
          setup: plan.setup(),
          pane: plan.pane(),
          seeds: plan.seeds(),
          places: plan.places(),
          doseMl: answer.dose.millilitres,
          closure: plan.lies(),
          prepared: plan.prepared(),
          bag: this.bagOf(seat) ?? plan.holderId(),
          bagThere: plan.holderId() !== null || this.holderOf(seat) !== null,
        },
      ];
    }),
  );
  /** The shared bag as it stands already, once the first of its lots is laid. */
  private holderOf(seat: Seat) {
    const bag = this.bagOf(seat);
    return this.sources.holders().find(({ id }) => id === bag) ?? null;
  }

  /** What is kept of the list, as it is sent. */
  private readonly local = computed(() =>
    this.seats().map((seat) => ({ id: seat.id, packetId: seat.line().packetId, words: seat.words(), bag: this.bagOf(seat) })),
  );
  private readonly text = computed(() => JSON.stringify([this.local(), this.at(), this.name(), this.spent()]));
  private saved = '';
  /** A list that the server refused is not sent again as it is. */
  private refused = '';
  private sending = false;
  private left = false;

  constructor() {
    toObservable(this.id)
      .pipe(
        filter((id) => id !== null),
        switchMap((id) => this.changes.keep(() => this.api.sitting(id))),
        takeUntilDestroyed(),
      )
      .subscribe({ next: (sitting) => this.take(sitting), error: (problem: ApiProblem) => this.gone.set(problem.message) });
    // A shared bag stands where the first of its lots goes.
    effect(() => {
      const seats = this.seats();
      for (const seat of seats) {
        const bag = this.bagOf(seat);
        const [first] = bag === null ? [] : this.matesOf(seat);
        const there = this.holderOf(seat)?.spotId ?? null;
        const shared = bag === null || (first === seat && there === null) ? null : { bag, spotId: there ?? first?.plan.spotId() ?? null };
        const choices = seats
          .filter((other) => other !== seat && other.plan.mate() === null && other.plan.way().bagged === seat.plan.way().bagged)
          .filter((other) => other.plan.way().bagged || other.plan.way().carrier === seat.plan.way().carrier)
          .map((other) => ({ value: other.id, text: `shared with ${other.line().number}`, follows: other.line().title }));
        untracked(() => {
          if (JSON.stringify(seat.plan.shared()) !== JSON.stringify(shared)) seat.plan.shared.set(shared);
          if (JSON.stringify(seat.plan.mates()) !== JSON.stringify(choices)) seat.plan.mates.set(choices);
          if (seat.plan.plannedAt() !== this.at()) seat.plan.plannedAt.set(this.at());
        });
      }
    });
    effect((onCleanup) => {
      const text = this.text();
      if (this.sitting() === null || text === this.saved || text === this.refused || this.sitting()?.ended) return;
      const timer = setTimeout(() => this.save(), SAVE_MS);
      onCleanup(() => clearTimeout(timer));
    });
    this.destroyRef.onDestroy(() => {
      this.left = true;
      if (this.sitting() && !this.sitting()?.ended && this.text() !== this.saved) this.save();
      for (const seat of this.seats()) seat.end();
    });
  }

  /** The list as the server has it: what was just changed here and is not stored yet stands. */
  private take(sitting: Sitting, force = false): void {
    // What was just sent comes back with its own answer.
    if (this.sending || this.left) return;
    const now = untracked(this.sitting);
    const dirty = !force && now !== null && untracked(this.text) !== this.saved;
    // What is changed here was made on the list as it was read: where somebody else changed it too, the server says so.
    this.sitting.set(dirty ? { ...sitting, version: now.version } : sitting);
    const before = new Map(untracked(this.seats).map((seat) => [seat.id, seat]));
    if (dirty) {
      for (const line of sitting.lines) before.get(line.id)?.line.set(line);
      return;
    }
    const seats = sitting.lines.map((line) => {
      const known = before.get(line.id);
      before.delete(line.id);
      if (!known) return new Seat(line, this.sources, this.parent);
      known.take(line);
      return known;
    });
    for (const seat of before.values()) seat.end();
    for (const seat of seats) seat.over.set(sitting.ended);
    this.seats.set(seats);
    this.at.set(sitting.at);
    this.name.set(sitting.name);
    this.spent.set(sitting.spent);
    this.saved = untracked(this.text);
  }

  private save(): void {
    const sitting = untracked(this.sitting);
    if (!sitting || this.sending) return;
    const text = untracked(this.text);
    this.sending = true;
    const [lines, at, name, spent] = [untracked(this.local), untracked(this.at), untracked(this.name), untracked(this.spent)];
    this.api.change(sitting.id, { id: uuid(), version: sitting.version, lines, at, name, spent }).subscribe({
      next: (changed) => {
        this.sending = false;
        this.saved = text;
        this.problem.set(null);
        // Its own answer is the list that whatever was said meanwhile is made on.
        this.sitting.set(changed);
        this.take(changed, text === untracked(this.text));
        // What was typed while it was on its way follows it.
        if (text !== untracked(this.text)) this.save();
      },
      error: (problem: ApiProblem) => {
        this.sending = false;
        this.problem.set(problem);
        if (problem.status === 0) {
          // Nothing is lost by a server that does not answer: it is asked again.
          setTimeout(() => this.save(), AGAIN_MS);
          return;
        }
        this.refused = text;
        if (problem.status === 409) this.api.sitting(sitting.id).subscribe((fresh) => this.take(fresh, true));
      },
    });
  }

  /** Puts a packet elsewhere on the list. */
  place(seat: Seat, by: number): void {
    this.seats.update((seats) => {
      const from = seats.indexOf(seat);
      const to = Math.min(Math.max(from + by, 0), seats.length - 1);
      const rest = seats.filter((one) => one !== seat);
      return [...rest.slice(0, to), seat, ...rest.slice(to)];
    });
  }
  order(seats: readonly Seat[]): void {
    this.seats.set(seats);
  }
  remove(seat: Seat): void {
    this.seats.update((seats) => seats.filter((one) => one !== seat));
    seat.end();
  }
  /** What holds for the table holds for the packets that follow too. */
  carryOver(seat: Seat): void {
    const seats = this.seats();
    for (const other of seats.slice(seats.indexOf(seat) + 1))
      if (other.open()) restore(other.plan, carriedOver(seat.words(), other.words()));
  }
}
