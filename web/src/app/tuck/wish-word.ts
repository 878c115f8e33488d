import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { v7 as uuid } from 'uuid';
import { plantsForBed, plantsForRack, type Wish } from '@fresh-tuck/core/sowing';
import { parseMetres } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { Word } from '../kit/word';
import { KEEPS } from './choices';
import { TuckPlan } from './tuck-plan';
import { HouseholdApi } from '../data/household/household.api';
import { TuckApi } from './tuck.api';

const MOST = 400;

/** How many plants: a number, a bed's worth at a spacing, or a rack's free slots; and whether only the best are kept. */
@Component({
  selector: 'ft-wish-word',
  imports: [MatButton, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './wish-word.html',
  styleUrl: './wish-word.scss',
})
export class WishWord {
  private readonly api = inject(TuckApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly plan = inject(TuckPlan);
  protected readonly beds = toSignal(
    inject(Changes).keep(() => this.householdApi.beds()),
    { initialValue: [] },
  );
  protected readonly racks = toSignal(
    inject(Changes).keep(() => this.api.racks()),
    { initialValue: [] },
  );
  protected readonly keeps = KEEPS;
  protected readonly error = signal<string | null>(null);
  protected readonly adding = signal(false);
  protected readonly lengthUnit = computed(() => (this.about.household().units === 'us' ? 'ft' : 'm'));
  protected readonly spacingUnit = computed(() => (this.about.household().units === 'us' ? 'in' : 'cm'));

  protected readonly text = computed(() => {
    const number = this.plan.wantedNumber();
    const keep = KEEPS.find(({ share }) => share === this.plan.keep());
    const plants = `${number} ${number === 1 ? 'plant' : 'plants'}`;
    return keep && keep.share < 1 ? `${plants}, ${keep.text}` : plants;
  });
  private readonly spacing = computed(() => this.plan.crop()?.growing.spacingCm ?? null);
  /** The crop's spacing as the household writes it. */
  protected readonly rowText = computed(() => this.write(this.spacing()?.inRow));
  protected readonly rowsText = computed(() => this.write(this.spacing()?.rows));

  private write(centimetres: number | undefined): string {
    if (centimetres === undefined) return '';
    return this.spacingUnit() === 'in' ? (centimetres / 2.54).toFixed(1) : String(centimetres);
  }

  protected type(event: Event): void {
    const { value } = event.target as HTMLInputElement;
    const number = Number(value);
    const fits = value.trim() !== '' && Number.isInteger(number) && number >= 1 && number <= MOST;
    this.error.set(fits ? null : `How many plants is a whole number from 1 to ${MOST}.`);
    if (fits) this.plan.wanted.set({ plants: number, from: null });
  }

  /** A bed as measured here, at the spacing that stands there. */
  protected measure(width: string, length: string, inRow: string, rows: string): void {
    const { units } = this.about.household();
    const [widthM, lengthM] = [parseMetres(width, units), parseMetres(length, units)];
    if (widthM === null || lengthM === null) return this.error.set(`A bed's side is a length like 1.2 m, 80 cm or 4 ft.`);
    this.fill({ widthM, lengthM }, inRow, rows, 'the bed');
  }

  protected fill(bed: { widthM: number; lengthM: number }, inRow: string, rows: string, name: string): void {
    const read = (text: string): number | null => {
      const metres = parseMetres(/[a-z"']\s*$/i.test(text.trim()) ? text : `${text} ${this.spacingUnit()}`, 'metric');
      return metres === null ? null : metres * 100;
    };
    const spacing = { inRow: read(inRow), rows: read(rows) };
    if (spacing.inRow === null || spacing.rows === null)
      return this.error.set(`The room for a plant is two lengths above 0, like 30 ${this.spacingUnit()} in the row and 45 between rows.`);
    this.take(plantsForBed(bed, { inRow: spacing.inRow, rows: spacing.rows }), name);
  }

  protected fillRack(slots: number, taken: number, name: string): void {
    if (this.take(plantsForRack(slots, taken), name)) this.plan.destinationFixed.set('slot');
  }

  private take(wish: Wish, from: string): boolean {
    if ('refused' in wish) {
      this.error.set(wish.refused);
      return false;
    }
    this.error.set(null);
    this.plan.wanted.set({ plants: wish.plants, from });
    return true;
  }

  protected addRack(name: string, slots: string): void {
    this.api
      .addRack({ id: uuid(), name, slots: Number(slots) })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.error.set(null);
          this.adding.set(false);
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
