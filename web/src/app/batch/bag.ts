import { readBy, readGrams, text } from '../kit/validators';
import { Field } from '../kit/field';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { formatTemperature, listed } from '@fresh-tuck/core/units';
import { askedBack } from '@fresh-tuck/core/warmth';
import { askBackInWords, CLOSURE_WORDS } from '@fresh-tuck/core/words';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal, effect } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import type { Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, ClosureRequest } from '@fresh-tuck/contract';
import { CLOSURES } from '@fresh-tuck/contract/choices';
import { parseCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { When } from '../kit/when';
import { Changes } from '../data/transport/changes.service';
import { BatchApi } from './batch.api';
import { HouseholdApi } from '../data/household/household.api';

/** What belongs to the bag and not to one parcel: its closure, its probe, its weight, and who is in it. */
@Component({
  selector: 'ft-bag',
  imports: [Field, MatCheckboxModule, ReactiveFormsModule, MatButton, When],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>Said for <ft-when label="When it was done" [sinceMs]="batch().facts.startMs" [(at)]="at" /></p>
    <fieldset class="ask-for">
      <legend>Closed</legend>
      @for (closure of closures; track closure) {
        <button
          matButton="outlined"
          type="button"
          class="choice"
          [attr.aria-pressed]="batch().holder.closure === closure"
          (click)="close(closure)"
        >
          {{ closureWords[closure].text }}
        </button>
      }
    </fieldset>
    <fieldset class="ask-for">
      <legend>Lay this parcel into</legend>
      @for (holder of others(); track holder.id) {
        <button matButton="outlined" type="button" class="choice" (click)="into({ holderId: holder.id })">
          the {{ holder.kind }} with {{ listed(holder.numbers) }}, {{ holder.spotName }}
        </button>
      }
      @if (batch().bagMates.length > 0) {
        <button matButton="outlined" type="button" class="choice" (click)="own()">a bag of its own, same place</button>
      } @else if (others().length === 0) {
        <span class="soft">There is no other bag.</span>
      }
    </fieldset>
    <form [formGroup]="probed" (ngSubmit)="probe()">
      <p>A probe in the {{ batch().holder.kind }}{{ batch().holder.probed ? ' (it has one)' : '' }}, that day’s</p>
      <ft-field label="Lowest" mode="decimal" [control]="probed.controls.low" [accepted]="warmth" />
      <ft-field label="Highest" mode="decimal" [control]="probed.controls.high" [accepted]="warmth" />
      @if (asked(); as question) {
        <p class="trouble" role="alert">{{ question }}</p>
      }
      <button matButton="outlined" type="submit" class="plain">{{ asked() ? 'Yes, save it' : 'Save the reading' }}</button>
    </form>
    <form [formGroup]="weighed" (ngSubmit)="weigh()">
      <p>
        On a kitchen scale{{
          batch().holder.weighedG === null ? ': first when it was just given its water' : ', last ' + batch().holder.weighedG + ' g'
        }}
      </p>
      <ft-field label="Grams, bag and all" mode="decimal" [control]="weighed.controls.grams" accepted="A weight in grams, like 23.5." />
      <mat-checkbox formControlName="full">just given its water</mat-checkbox>
      <button matButton="outlined" type="submit" class="plain">Save the weight</button>
    </form>
    <p class="error" role="alert">{{ error() ?? '' }}</p>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: 1fr 1fr auto;
      gap: 6px 10px;
      align-items: end;
      margin-bottom: 14px;
    }
    form p {
      grid-column: 1 / -1;
      font-weight: 700;
    }
  `,
})
export class Bag {
  private readonly api = inject(BatchApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  readonly batch = input.required<BatchWithJournal>();
  readonly said = output<string>();
  /** When it was done; null is now. */
  protected readonly at = signal<string | null>(null);
  protected readonly listed = listed;
  protected readonly closures = CLOSURES;
  protected readonly closureWords = CLOSURE_WORDS;
  protected readonly error = signal<string | null>(null);
  protected readonly warmth = 'A temperature like 21, 21.5 C or 70F.';
  private readonly celsius = (words: string): number | null => parseCelsius(words, this.about.household().units);
  protected readonly probed = new FormGroup({
    low: text('', Validators.required, readBy(this.celsius)),
    high: text('', Validators.required, readBy(this.celsius)),
  });
  protected readonly weighed = new FormGroup({
    grams: text('', Validators.required, readBy(readGrams)),
    full: new FormControl(false, { nonNullable: true }),
  });

  constructor() {
    // A bag that was never weighed is weighed first when it was just given its water.
    effect(() => this.weighed.controls.full.setValue(this.batch().holder.weighedG === null));
  }
  private readonly holders = toSignal(
    inject(Changes).keep(() => this.householdApi.holders()),
    { initialValue: [] },
  );
  protected readonly others = computed(() => this.holders().filter(({ id }) => id !== this.batch().holder.id));

  protected close(closure: ClosureRequest['closure']): void {
    this.run(this.api.setClosure(this.batch().holder.id, { id: uuid(), closure, at: this.at() }), 'Noted. It dries by that from now on.');
  }

  protected own(): void {
    const { kind, closure, spotId } = this.batch().holder;
    this.into({ newId: uuid(), kind, closure, spotId });
  }

  protected into(holder: Parameters<BatchApi['rebag']>[1]['holder']): void {
    this.run(this.api.rebag(this.batch().id, { id: uuid(), holder, at: this.at() }), 'Moved to the new bag. It is opened with it.');
  }

  /** An extreme that was typed is asked back once. */
  protected readonly asked = signal<string | null>(null);

  protected probe(): void {
    this.probed.markAllAsTouched();
    const { low, high } = this.probed.getRawValue();
    const [minC, maxC] = [this.celsius(low), this.celsius(high)];
    if (this.probed.invalid || minC === null || maxC === null) return;
    const { units } = this.about.household();
    const asked = askBackInWords(
      askedBack({ minC, maxC }),
      { minC, maxC },
      { temperature: (celsius) => formatTemperature(celsius, units) },
    );
    if (asked !== null && asked !== this.asked()) return this.asked.set(asked);
    const day = (this.at() ?? this.about.moments().field(this.about.nowMs())).slice(0, 10);
    this.run(this.api.probe(this.batch().holder.id, { id: uuid(), day, minC, maxC }), 'Saved. It overrides the place’s thermometer.');
  }

  protected weigh(): void {
    this.weighed.markAllAsTouched();
    const { grams: typed, full } = this.weighed.getRawValue();
    const grams = readGrams(typed);
    if (grams === null) return;
    this.run(
      this.api.weigh(this.batch().holder.id, { id: uuid(), grams, full, at: this.at() }),
      'Saved. A gram lost is a millilitre gone.',
    );
  }

  private run(request: Observable<unknown>, said: string): void {
    request.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: () => {
        this.error.set(null);
        this.said.emit(said);
      },
      error: (problem: ApiProblem) => this.error.set(problem.message),
    });
  }
}
