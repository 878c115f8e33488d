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
import { capital, numberWord } from '@fresh-tuck/core/units';
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
  /** Packets that are chosen: all of them are wished alike, and each can be changed on its own page. */
  protected readonly chosen = signal<readonly PacketName[]>([]);
  protected readonly chosenTitle = computed(() => {
    const [first, ...more] = this.chosen();
    return !first
      ? ''
      : more.length === 0
        ? `${first.cropName}, ${first.variety}`
        : `${capital(numberWord(more.length + 1))} packets, each`;
  });
  private readonly crop = toSignal(
    toObservable(this.chosen).pipe(switchMap(([packet, another]) => (packet && !another ? this.household.crop(packet.cropId) : of(null)))),
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
    const words = {
      cropId,
      packetId,
      plants: Math.min(plants, MOST_PLANTS),
      place: 'outdoors' as const,
      goal: { kind: 'season' as const },
    };
    this.add([{ wishId: uuid(), words }], title);
  }

  protected has = ({ id }: PacketName): boolean => this.chosen().some((one) => one.id === id);
  protected toggle(packet: PacketName): void {
    this.chosen.update((all) => (this.has(packet) ? all.filter(({ id }) => id !== packet.id) : [...all, packet]));
  }

  protected wish(): void {
    this.plants.markAsTouched();
    if (this.chosen().length === 0 || this.plants.invalid || this.plants.value.trim() === '') return;
    const [kind = 'outdoors', where] = this.place().split(' ') as ['bed' | 'slot' | 'outdoors' | 'indoors', string?];
    const rest = {
      ...{ plants: Number(this.plants.value), place: kind, goal: this.goal() },
      ...(kind === 'bed' ? { bedId: where ?? null } : kind === 'slot' ? { rackId: where ?? null } : {}),
    };
    const packets = this.chosen();
    this.add(
      packets.map(({ id, cropId }) => ({ wishId: uuid(), words: { cropId, packetId: id, ...rest } })),
      packets.length === 1 ? this.chosenTitle() : `${packets.length} packets`,
    );
  }

  private add(wishes: Parameters<SeasonService['say']>[0], title: string): void {
    this.service.say(wishes, `${title} ${wishes.length === 1 ? 'is' : 'are'} wished for.`, () => this.chosen.set([]));
  }
}
