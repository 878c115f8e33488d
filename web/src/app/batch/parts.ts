import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { map, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { ONE_START_MS, type BatchWithJournal, type SplitRequest } from '@fresh-tuck/contract';
import { methodOf, suited, type MethodId } from '@fresh-tuck/core/method';
import { waterFor } from '@fresh-tuck/core/sowing';
import { counted } from '@fresh-tuck/core/units';
import { measured, METHOD_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { Changes } from '../data/transport/changes.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { type Choice, Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { When } from '../kit/when';
import { Word } from '../kit/word';
import { BatchApi } from './batch.api';

/** The sheet that seed laid apart goes on, mm. */
const SHEET = { widthMm: 140, heightMm: 110, plies: 2 } as const;

/** Part of a lot laid another way or put elsewhere; and what was laid apart laid together again. */
@Component({
  selector: 'ft-parts',
  imports: [Choices, Field, MatButton, When, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>Done <ft-when label="When it was done" [sinceMs]="batch().facts.startMs" [(at)]="at" /></p>
    @if (quiet() > 0) {
      <p>
        <ft-word label="How many are laid apart" [text]="seedsText()" [fixed]="true" [missing]="seeds.invalid">
          <ft-field
            label="How many quiet seeds?"
            type="number"
            mode="numeric"
            [min]="1"
            [max]="quiet()"
            [control]="seeds"
            [accepted]="'A whole number from 1 to ' + quiet() + ': so many are still quiet.'"
          />
        </ft-word>
        go
        <ft-word label="Which way they go on" [text]="wayText()" [fixed]="method() !== null">
          <ft-choices label="Which way they go on" [choices]="ways()" [value]="goesOn()" (chosen)="method.set($event)" /> </ft-word
        >, at
        <ft-word label="Where they stand" [text]="spotText()" [fixed]="spot() !== null">
          <ft-choices label="Where they stand" [choices]="spots()" [value]="standsAt()" (chosen)="spot.set($event)" /> </ft-word
        >.
      </p>
      <p class="soft">
        {{ waterText() }} They keep the warmth and the days that they have had. Their own number goes on a label of their own.
      </p>
      <button matButton="outlined" type="button" class="plain" [disabled]="seeds.invalid" (click)="split()">Lay them apart</button>
    } @else {
      <p class="soft">No quiet seed is left to lay apart.</p>
    }
    @for (other of together(); track other.id) {
      <p>
        <button matButton="outlined" type="button" class="plain" (click)="join(other.id)">Lay {{ other.number }} along with this</button>
        <span class="soft"> its quiet seed counts here from then on</span>
      </p>
    }
    <p class="error" role="alert">{{ error() ?? '' }}</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      line-height: 2;
    }
    .soft {
      line-height: 1.45;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class Parts {
  private readonly api = inject(BatchApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly changes = inject(Changes);
  private readonly destroyRef = inject(DestroyRef);
  readonly batch = input.required<BatchWithJournal>();
  readonly said = output<string>();
  protected readonly at = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly method = signal<MethodId | null>(null);
  protected readonly spot = signal<string | null>(null);
  protected readonly seeds = text('1', Validators.required, wholeFrom(1, 400));
  private readonly typed = toSignal(this.seeds.valueChanges, { initialValue: '1' });
  protected readonly quiet = computed(() => this.batch().answers.state.quiet);
  protected readonly seedsText = computed(() => counted(Number(this.typed()) || 0, 'quiet seed'));
  protected readonly goesOn = computed(() => this.method() ?? this.batch().facts.method);
  protected readonly standsAt = computed(() => this.spot() ?? this.batch().holder.spotId);
  protected readonly wayText = computed(() => METHOD_WORDS[this.goesOn()]);
  protected readonly ways = computed(() =>
    suited(this.batch().facts.crop).map((value): Choice<MethodId> => ({
      value,
      text: METHOD_WORDS[value],
    })),
  );
  private readonly about = inject(AboutService);
  /** What the new place is given; the seed itself has drunk. */
  protected readonly water = computed(() => {
    const { crop, setup } = this.batch().facts;
    const { millilitresPerSpray } = this.about.household();
    const [method, places] = [this.goesOn(), Number(this.typed()) || 1];
    const open = !methodOf(method).bagged;
    return waterFor({ crop, method, places, pane: SHEET, drinkingGrams: 0, open, setup, millilitresPerSpray });
  });
  protected readonly waterText = computed(() => {
    const { carrier } = methodOf(this.goesOn());
    const water = this.water();
    if (carrier === 'towel') return `Wet the new towel with ${measured(water)}.`;
    return carrier === 'glass' ? `Pour in ${water.millilitres} ml, hand-warm.` : `Damp it first, with about ${water.millilitres} ml.`;
  });
  private readonly places = toSignal(
    this.changes.keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  protected readonly spots = computed(() =>
    this.places().map(({ id, name, inWords }): Choice<string> => ({ value: id, text: name, follows: inWords })),
  );
  protected readonly spotText = computed(
    () => this.places().find(({ id }) => id === this.standsAt())?.name ?? this.batch().holder.spotName,
  );
  /** Live batches of its packet that lie the same way and were begun with it. */
  protected readonly together = toSignal(
    toObservable(this.batch).pipe(
      switchMap((batch) =>
        this.householdApi
          .packet(batch.packetId)
          .pipe(
            map(({ batches, outcomes }) =>
              batches.filter(
                ({ id, live, purpose, startMs }) =>
                  live &&
                  purpose === 'plants' &&
                  id !== batch.id &&
                  Math.abs(startMs - batch.facts.startMs) <= ONE_START_MS &&
                  outcomes.some(({ batchId, method, quiet }) => batchId === id && method === batch.facts.method && quiet > 0),
              ),
            ),
          ),
      ),
    ),
    { initialValue: [] },
  );

  constructor() {
    effect(() => {
      this.seeds.setValidators([Validators.required, wholeFrom(1, Math.max(this.quiet(), 1))]);
      this.seeds.updateValueAndValidity({ emitEvent: false });
    });
  }

  protected split(): void {
    const { facts } = this.batch();
    const seeds = Number(this.seeds.value);
    const method = this.goesOn();
    const way = methodOf(method);
    const body: SplitRequest = {
      id: uuid(),
      newId: uuid(),
      at: this.at(),
      seeds,
      method,
      places: null,
      towel: method === 'towel' ? { ...SHEET, medium: facts.setup?.medium ?? 'paper' } : null,
      doseMl: this.water().millilitres,
      holder: {
        newId: uuid(),
        kind: way.bagged ? 'bag' : method === 'water' ? 'tub' : 'tray',
        closure: way.bagged ? 'sealed_air' : 'lidded',
        spotId: this.standsAt(),
      },
    };
    this.api
      .split(this.batch().id, body)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ number }) => this.said.emit(`Laid apart as ${number}: write its label.`),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected join(otherId: string): void {
    this.api
      .join(this.batch().id, { id: uuid(), otherId, at: this.at() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => this.said.emit('Laid along: its quiet seed counts here now.'),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
