import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { catchError, concat, debounceTime, EMPTY, filter, merge, of, startWith, Subject, switchMap, tap, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { AwayView } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Arrival } from '../kit/arrival';
import { Field } from '../kit/field';
import { Parcel as ParcelDrawing } from '../kit/parcel';
import { text } from '../kit/validators';
import { TodayApi } from './today.api';

type Parcel = AwayView['parcels'][number];
type Remedy = Parcel['remedies'][number];
const DAY_MS = 86_400_000;

/** Away from-to: what would run late, dry or drown, and what can be done about it before leaving. */
@Component({
  selector: 'ft-away',
  imports: [Arrival, Field, MatButton, ParcelDrawing, ReactiveFormsModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (one of planned(); track one.id) {
      <p class="line">
        Away {{ moments().short(one.fromMs) }} to {{ moments().short(one.toMs) }}: no look is planned then.
        <button matButton="text" type="button" class="quiet" (click)="show(one.fromMs, one.toMs)">What to do before</button>
        <button matButton="text" type="button" class="quiet" (click)="undo(one.id)">
          Not away after all<span class="unseen">: {{ moments().short(one.fromMs) }}</span>
        </button>
      </p>
    }
    @if (!open()) {
      <button matButton="text" type="button" class="quiet" (click)="unfold()">
        {{ planned().length > 0 ? 'Away at another time' : 'Away for some days?' }}
      </button>
    } @else {
      <section aria-labelledby="away">
        <form [formGroup]="form" (ngSubmit)="plan()">
          <ft-field label="Leaving" type="datetime-local" [control]="form.controls.leaving" accepted="A day and a time." />
          <ft-field label="Back" type="datetime-local" [control]="form.controls.back" accepted="A day and a time after leaving." />
          @if (!stands()) {
            <button matButton="outlined" type="submit" class="plain">Plan no looks then</button>
          }
          <button matButton="text" type="button" class="quiet" (click)="open.set(false)">Close this</button>
        </form>
        <h2 id="away" ftArrival>{{ view()?.lead ?? 'Away from when to when' }}</h2>
        @if (view(); as view) {
          @for (later of view.later; track later.sittingId) {
            <div class="remedy">
              <p class="waiting">{{ later.text }}&ngsp;<a [routerLink]="['/sitting', later.sittingId]">To the list</a></p>
              <button matButton="outlined" type="button" class="choice" (click)="putOff(later)">{{ later.label }}</button>
            </div>
          }
          <ul>
            @for (parcel of view.parcels; track parcel.id) {
              <li>
                <ft-parcel [number]="parcel.number" [state]="parcel.state" [carrier]="parcel.carrier" [width]="104" />
                <div>
                  <h3>
                    <a [routerLink]="['/batch', parcel.id]">{{ parcel.title }}</a>&ngsp;<span class="soft">{{ parcel.spotName }}</span>
                  </h3>
                  <p class="trouble">{{ parcel.texts.join(' ') }}</p>
                  @for (remedy of parcel.remedies; track $index) {
                    <div class="remedy">
                      <p>{{ remedy.text }}</p>
                      <button
                        matButton="outlined"
                        type="button"
                        class="choice"
                        [attr.aria-label]="remedy.label + ': ' + parcel.number"
                        (click)="take(parcel, remedy)"
                      >
                        {{ remedy.label }}
                      </button>
                    </div>
                  } @empty {
                    <p class="soft">Nothing in the house slows it enough: somebody has to look.</p>
                  }
                </div>
              </li>
            }
          </ul>
          @if (view.parcels.length > 0) {
            <p>
              Or somebody else looks meanwhile: the round on paper says what to open when, and what to do.
              <a routerLink="/round/paper">The round on paper</a>
            </p>
          }
          <p class="soft">{{ view.rest }}</p>
        } @else if (!error()) {
          <p class="soft" role="status">Working out what that would do…</p>
        }
        <p class="error" role="alert">{{ error() ?? '' }}</p>
      </section>
    }
  `,
  styleUrl: './away.scss',
})
export class AwayPanel {
  private readonly api = inject(TodayApi);
  private readonly about = inject(AboutService);
  private readonly notice = inject(Notice);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly moments = this.about.moments;
  protected readonly open = signal(false);
  protected readonly error = signal<string | null>(null);
  /** That are to come, or go on. */
  protected readonly planned = computed(() => this.about.household().away.filter(({ toMs }) => toMs > this.about.nowMs()));

  private readonly day = (days: number, clock: string): string =>
    `${this.about
      .moments()
      .field(this.about.nowMs() + days * DAY_MS)
      .slice(0, 10)}T${clock}`;
  protected readonly form = new FormGroup({
    leaving: text(this.day(1, '09:00'), Validators.required),
    back: text(this.day(4, '18:00'), Validators.required),
  });
  private readonly typed = toSignal(this.form.valueChanges.pipe(startWith(this.form.value)), { initialValue: this.form.value });
  /** Whether what is shown is planned already. */
  protected readonly stands = computed(() => {
    const { at } = this.about.moments();
    const { leaving = '', back = '' } = this.typed();
    return this.planned().some(({ fromMs, toMs }) => fromMs === at(leaving.slice(0, 16)) && toMs === at(back.slice(0, 16)));
  });
  private readonly asked = new Subject<void>();
  protected readonly view = toSignal(
    merge(this.asked, this.form.valueChanges, inject(Changes).changed$).pipe(
      // Asked only while somebody wants to know.
      filter(() => this.open()),
      debounceTime(200),
      switchMap(() => {
        const { leaving, back } = this.form.getRawValue();
        return this.api.away(leaving.slice(0, 16), back.slice(0, 16)).pipe(
          tap(() => this.error.set(null)),
          catchError((problem: ApiProblem) => {
            this.error.set(problem.message);
            return of(null);
          }),
        );
      }),
    ),
    { initialValue: null },
  );

  protected unfold(): void {
    this.open.set(true);
    this.asked.next();
  }

  protected show(fromMs: number, toMs: number): void {
    const { field } = this.about.moments();
    this.form.setValue({ leaving: field(Math.max(fromMs, this.about.nowMs())), back: field(toMs) });
    this.unfold();
  }

  protected plan(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { leaving, back } = this.form.getRawValue();
    this.run(
      this.api.planAway({ id: uuid(), leaving: leaving.slice(0, 16), back: back.slice(0, 16) }),
      'The plan of looks leaves those days out.',
    );
  }

  protected undo(id: string): void {
    this.run(this.api.undoAway({ id: uuid(), recordId: id }), 'Looks are planned for those days again.');
  }

  protected putOff({ sittingId, at, was, text }: AwayView['later'][number]): void {
    const begin = (day: string | null) => this.api.beginOn(sittingId, { id: uuid(), at: day });
    const { dated, at: ms } = this.about.moments();
    this.undoable(begin(at), `${text.split(':')[0] ?? ''}: planned for ${dated(ms(at))}.`, () => begin(was));
  }

  /** One tap: what is done is written down; what must be seen is opened. */
  protected take({ id, number, holderId }: Parcel, remedy: Remedy): void {
    if (remedy.spotId !== null) return this.carry(`${number}: ${remedy.label.toLowerCase()}.`, holderId, remedy.spotId);
    if (remedy.kind !== 'water') return void this.router.navigate(['/open', id]);
    const watered = this.api.look(id, {
      ...{ id: uuid(), at: null, via: 'opened', seen: null, marks: [], damp: null, rewetted: true, troubles: [] },
      ...{ who: null, note: 'watered before leaving', supersedes: null },
    });
    const sealed = remedy.closure === null ? EMPTY : this.api.close(holderId, { id: uuid(), closure: remedy.closure, at: null });
    this.run(concat(watered, sealed), `${number}: ${remedy.label.toLowerCase()}.`);
  }

  private carry(said: string, holderId: string, spotId: string): void {
    const recordId = uuid();
    this.undoable(this.api.carry(holderId, { id: recordId, spotId, at: null }), said, () =>
      this.api.undoBag(holderId, { id: uuid(), recordId }),
    );
  }

  /** Done and said, with its way back. */
  private undoable(request: Observable<unknown>, said: string, undo: () => Observable<unknown>): void {
    request
      .pipe(
        switchMap(() => this.notice.say(said, 'Undo').onAction()),
        switchMap(undo),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({ error: (problem: ApiProblem) => this.error.set(problem.message) });
  }

  private run(request: Observable<unknown>, said: string): void {
    request.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      complete: () => this.notice.say(said),
      error: (problem: ApiProblem) => this.error.set(problem.message),
    });
  }
}
