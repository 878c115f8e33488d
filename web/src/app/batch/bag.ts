import { CLOSURE_WORDS } from '@fresh-tuck/core/words';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import type { Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, ClosureRequest } from '@fresh-tuck/contract';
import { CLOSURES } from '@fresh-tuck/contract/choices';
import { parseCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { BatchApi } from './batch.api';
import { HouseholdApi } from '../data/household/household.api';

/** What belongs to the bag and not to one parcel: its closure, its probe, its weight, and who is in it. */
@Component({
  selector: 'ft-bag',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
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
          the {{ holder.kind }} with {{ holder.numbers.join(' and ') }}, {{ holder.spotName }}
        </button>
      }
      @if (batch().bagMates.length > 0) {
        <button matButton="outlined" type="button" class="choice" (click)="own()">a bag of its own, same place</button>
      } @else if (others().length === 0) {
        <span class="soft">There is no other bag.</span>
      }
    </fieldset>
    <form (submit)="$event.preventDefault(); probe(low.value, high.value)">
      <p>A probe in the {{ batch().holder.kind }}, today {{ batch().holder.probed ? '(it has one)' : '' }}</p>
      <label>Lowest <input #low class="entry" inputmode="decimal" /></label>
      <label>Highest <input #high class="entry" inputmode="decimal" /></label>
      <button matButton="outlined" type="submit" class="plain">Keep it</button>
    </form>
    <form (submit)="$event.preventDefault(); weigh(grams.value, full.checked)">
      <p>
        On a kitchen scale{{
          batch().holder.weighedG === null ? ': first when it was just given its water' : ', last ' + batch().holder.weighedG + ' g'
        }}
      </p>
      <label>Grams, bag and all <input #grams class="entry" inputmode="decimal" /></label>
      <label class="tick"><input #full type="checkbox" [checked]="batch().holder.weighedG === null" /> just given its water</label>
      <button matButton="outlined" type="submit" class="plain">Keep it</button>
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
    label {
      display: grid;
      gap: 4px;
      font-size: 15px;
    }
    .tick {
      display: flex;
      align-items: center;
      min-height: 48px;
    }
    .entry {
      width: 100%;
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
  protected readonly closures = CLOSURES;
  protected readonly closureWords = CLOSURE_WORDS;
  protected readonly error = signal<string | null>(null);
  private readonly holders = toSignal(
    inject(Changes).keep(() => this.householdApi.holders()),
    { initialValue: [] },
  );
  protected readonly others = computed(() => this.holders().filter(({ id }) => id !== this.batch().holder.id));

  protected close(closure: ClosureRequest['closure']): void {
    this.run(this.api.setClosure(this.batch().holder.id, { id: uuid(), closure }), 'Noted. It dries by that from now on.');
  }

  protected own(): void {
    const { kind, closure, spotId } = this.batch().holder;
    this.into({ newId: uuid(), kind, closure, spotId });
  }

  protected into(holder: Parameters<BatchApi['rebag']>[1]['holder']): void {
    this.run(this.api.rebag(this.batch().id, { id: uuid(), holder }), 'Laid over. It is opened with its new bag.');
  }

  protected probe(low: string, high: string): void {
    const { units } = this.about.household();
    const [minC, maxC] = [parseCelsius(low, units), parseCelsius(high, units)];
    if (minC === null || maxC === null) {
      this.error.set('Two temperatures like 21, 21.5 C or 70F.');
      return;
    }
    const day = this.about.moments().field(this.about.nowMs()).slice(0, 10);
    this.run(this.api.probe(this.batch().holder.id, { id: uuid(), day, minC, maxC }), 'Kept. It counts before the place’s thermometer.');
  }

  protected weigh(typed: string, full: boolean): void {
    const grams = Number(typed.replace(',', '.').replace(/\s*g$/, ''));
    if (typed.trim() === '' || !Number.isFinite(grams)) {
      this.error.set('A weight in grams, like 23.5.');
      return;
    }
    this.run(this.api.weigh(this.batch().holder.id, { id: uuid(), grams, full }), 'Kept. A gram lost is a millilitre gone.');
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
