import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { debounceTime, of, startWith, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { PacketName, WishWords } from '@fresh-tuck/contract';
import { plantsForBed } from '@fresh-tuck/core/sowing';
import { HouseholdApi } from '../data/household/household.api';
import { Changes } from '../data/transport/changes.service';
import { Choices, type Choice } from '../kit/choices';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { TuckApi } from '../tuck/tuck.api';
import { GoalFields } from './goal-fields';
import { SeasonApi } from './season.api';
import { SeasonService } from './season.service';

const TYPING_MS = 150;
const MOST_PLANTS = 400;
/** A place that plants end in: one of the beds, a rack, out of doors at large, or within. */
export type PlaceKey = 'outdoors' | 'indoors' | `bed ${string}` | `slot ${string}`;

/** What shall grow: from last year with one touch, from the box, or as many as a bed holds. */
@Component({
  selector: 'ft-wishes',
  imports: [Choices, Field, GoalFields, MatButton, MatButtonToggleModule, MatFormFieldModule, MatInputModule, RouterLink],
  providers: [SeasonService],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './wishes.html',
  styleUrl: './wishes.scss',
})
export class WishesScreen {
  private readonly api = inject(SeasonApi);
  private readonly household = inject(HouseholdApi);
  private readonly tuck = inject(TuckApi);
  private readonly changes = inject(Changes);
  protected readonly service = inject(SeasonService);
  protected readonly all = this.service.all;
  protected readonly sources = toSignal(this.changes.keep(() => this.api.sources(null)));
  protected readonly finding = signal('');
  protected readonly packets = toSignal(
    toObservable(this.finding).pipe(
      debounceTime(TYPING_MS),
      startWith(''),
      switchMap((words) => this.changes.keep(() => this.household.packets(words))),
    ),
    { initialValue: [] },
  );
  private readonly beds = toSignal(
    this.changes.keep(() => this.household.beds()),
    { initialValue: [] },
  );
  private readonly racks = toSignal(
    this.changes.keep(() => this.tuck.racks()),
    { initialValue: [] },
  );
  protected readonly chosen = signal<PacketName | null>(null);
  private readonly crop = toSignal(
    toObservable(this.chosen).pipe(switchMap((packet) => (packet ? this.household.crop(packet.cropId) : of(null)))),
    { initialValue: null },
  );
  protected readonly plants = text('6', wholeFrom(1, MOST_PLANTS));
  protected readonly place = signal<PlaceKey>('outdoors');
  protected readonly goal = signal<WishWords['goal']>({ kind: 'season' });
  protected readonly places = computed((): Choice<PlaceKey>[] => [
    { value: 'outdoors', text: 'out of doors', follows: 'when the frost lets it' },
    ...this.beds().map(({ id, name }) => ({ value: `bed ${id}` as const, text: name, follows: this.holds(id) })),
    ...this.racks().map(({ id, name, slots }) => ({ value: `slot ${id}` as const, text: name, follows: `${slots} slots` })),
    { value: 'indoors', text: 'indoors, for good' },
  ]);
  private readonly inBed = computed(() => {
    const place = this.place();
    return place.startsWith('bed ') ? this.mostIn(place.slice(4)) : null;
  });
  protected readonly most = computed(() => {
    const most = this.inBed();
    return most !== null && 'plants' in most ? most.plants : null;
  });

  /** As many as a bed holds of the crop that is chosen, or why none. */
  private mostIn(bedId: string) {
    const bed = this.beds().find(({ id }) => id === bedId);
    const spacing = this.crop()?.growing.spacingCm;
    return bed && spacing ? plantsForBed(bed, spacing) : null;
  }
  private holds(bedId: string): string {
    const most = this.mostIn(bedId);
    return most === null ? '' : 'plants' in most ? `holds ${most.plants} of it` : most.refused;
  }

  protected fill(): void {
    const most = this.most();
    if (most !== null) this.plants.setValue(String(most));
  }

  protected again(sowing: NonNullable<ReturnType<typeof this.sources>>['sowings'][number]): void {
    const { cropId, packetId, plants, title } = sowing;
    this.add({ cropId, packetId, plants: Math.min(plants, MOST_PLANTS), place: 'outdoors', goal: { kind: 'season' } }, title);
  }

  protected wish(): void {
    const packet = this.chosen();
    this.plants.markAsTouched();
    if (!packet || this.plants.invalid || this.plants.value.trim() === '') return;
    const [kind = 'outdoors', where] = this.place().split(' ') as ['bed' | 'slot' | 'outdoors' | 'indoors', string?];
    const words = {
      ...{ cropId: packet.cropId, packetId: packet.id, plants: Number(this.plants.value), place: kind, goal: this.goal() },
      ...(kind === 'bed' ? { bedId: where ?? null } : kind === 'slot' ? { rackId: where ?? null } : {}),
    };
    this.add(words, `${packet.cropName}, ${packet.variety}`);
  }

  private add(words: Parameters<SeasonService['say']>[0][number]['words'], title: string): void {
    this.service.say([{ wishId: uuid(), words }], `${title} is wished for.`, () => this.chosen.set(null));
  }
}
