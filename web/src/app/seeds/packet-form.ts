import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { of, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { CropSummary, PacketChange, PacketRequest, PacketSheet } from '@fresh-tuck/contract';
import { ISOLATIONS } from '@fresh-tuck/contract/choices';
import { ISOLATION_WORDS } from '@fresh-tuck/core/words';
import { DRYNESSES, freezesWet, readNumber, STORES, type Dryness, type Store } from '@fresh-tuck/core/seedbox';
import { formatTemperature, parseCelsius, parseMetres } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { fieldError, showProblem } from '../kit/field-errors';
import { HouseholdApi } from '../data/household/household.api';
import { SeedsApi } from './seeds.api';

const whole = Validators.pattern(/^\s*\d*\s*$/);
const text = (...validators: ReturnType<typeof Validators.pattern>[]) => new FormControl('', { nonNullable: true, validators });
type Isolation = (typeof ISOLATIONS)[number];

/** What is known of a packet, for a new one, a corrected one, or seed saved from one. */
@Component({
  selector: 'ft-packet-form',
  imports: [MatButton, MatAutocompleteModule, MatCheckboxModule, MatFormFieldModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './packet-form.html',
  styleUrl: './packet-form.scss',
})
export class PacketForm {
  private readonly api = inject(SeedsApi);
  private readonly householdApi = inject(HouseholdApi);
  protected readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  /** The packet to correct. */
  readonly packet = input<PacketSheet | null>(null);
  /** The packet that seed was saved from. */
  readonly mother = input<PacketSheet | null>(null);
  /** What is said of the plant that it was saved from. */
  readonly plant = input<{ readonly note: string; readonly trait: string } | null>(null);
  readonly kept = output<PacketSheet>();
  readonly left = output();

  protected readonly crops = toSignal(this.householdApi.crops(), { initialValue: [] });
  protected readonly error = signal<string | null>(null);
  protected readonly more = signal(false);
  /** Somebody saved this packet while it was being corrected here. */
  protected readonly stale = signal(false);
  /** The version that is being corrected. */
  private basedOn: number | null = null;
  protected readonly fieldError = fieldError;
  protected readonly stores = Object.entries(STORES) as [Store, (typeof STORES)[Store]][];
  protected readonly drynesses = Object.entries(DRYNESSES) as [Dryness, (typeof DRYNESSES)[Dryness]][];
  protected readonly isolations = ISOLATIONS.map((value) => ({ value, text: ISOLATION_WORDS[value] }));

  protected readonly form = new FormGroup({
    crop: new FormControl<string | CropSummary>('', { nonNullable: true, validators: Validators.required }),
    variety: text(Validators.required),
    year: text(whole),
    source: text(),
    printedRatePercent: text(),
    printedDays: text(),
    seedCount: text(whole),
    grams: text(),
    seedsPerGram: text(),
    dressed: new FormControl(false, { nonNullable: true }),
    place: new FormControl<Store | null>(null),
    celsius: text(),
    dryness: new FormControl<Dryness | null>(null),
    generation: text(whole),
    trait: text(),
    note: text(),
    price: text(),
    motherId: new FormControl<string | null>(null),
    fatherId: new FormControl<string | null>(null),
    isolation: new FormControl<Isolation | null>(null),
    isolationM: text(),
  });
  private readonly typed = toSignal(this.form.controls.crop.valueChanges, { initialValue: '' });
  private readonly value = toSignal(this.form.valueChanges);
  protected readonly matching = computed(() => {
    const typed = this.typed();
    const words = (typeof typed === 'string' ? typed : typed.name).trim().toLowerCase();
    return this.crops().filter(({ name, otherNames, latin }) =>
      [name, ...otherNames, latin].some((known) => known.toLowerCase().includes(words)),
    );
  });
  /** Packets that can be parents: of the same crop. */
  private readonly cropId = computed(() => {
    const name = this.nameOf(this.typed());
    return this.crops().find((crop) => crop.name === name)?.id ?? null;
  });
  private readonly ofCrop = toSignal(toObservable(this.cropId).pipe(switchMap((id) => (id === null ? of([]) : this.api.packetsOf(id)))), {
    initialValue: [],
  });
  protected readonly kin = computed(() => this.ofCrop().filter(({ id }) => id !== this.packet()?.id));
  protected readonly saved = computed(() => this.mother() !== null || Boolean(this.value()?.motherId));
  protected readonly freezesWet = computed(() => {
    const { place = null, celsius = '', dryness = null } = this.value() ?? {};
    return freezesWet({ place, celsius: parseCelsius(celsius, this.about.household().units), dryness });
  });
  protected readonly isolationNeeded = computed(() => (this.mother() ?? this.packet())?.isolationNeededM ?? null);

  protected readonly nameOf = (crop: string | CropSummary | null): string =>
    typeof crop === 'string' || crop === null ? (crop ?? '') : crop.name;

  constructor() {
    // Once each: what was typed since is not taken away when the box changes elsewhere.
    let filled: string | null = null;
    effect(() => {
      const packet = this.packet();
      if (!packet || filled === packet.id) return;
      filled = packet.id;
      this.fill(packet);
    });
    effect(() => {
      const mother = this.mother();
      if (!mother || filled === mother.id) return;
      filled = mother.id;
      const year = this.about.moments().field(this.about.nowMs()).slice(0, 4);
      this.form.patchValue({
        crop: mother.cropName,
        variety: mother.variety,
        year,
        source: 'saved here',
        generation: String((mother.generation ?? 0) + 1),
        trait: this.plant()?.trait || (mother.trait ?? ''),
        note: this.plant()?.note ?? '',
        motherId: mother.id,
      });
      this.form.controls.isolation.addValidators(Validators.required);
      this.more.set(true);
    });
  }

  /** Lays what stands now into the form: somebody saved it meanwhile. */
  protected again(): void {
    const packet = this.packet();
    if (packet) this.fill(packet);
    this.error.set(null);
    this.stale.set(false);
  }

  private fill(packet: PacketSheet): void {
    this.basedOn = packet.version;
    const write = (value: number | string | null): string => (value === null ? '' : String(value));
    this.form.patchValue({
      crop: packet.cropName,
      variety: packet.variety,
      year: write(packet.year),
      source: write(packet.source),
      printedRatePercent: write(packet.printedRatePercent),
      printedDays: packet.printedDays?.join(' to ') ?? '',
      seedsPerGram: write(packet.seedsPerGram),
      dressed: packet.dressed,
      place: packet.storage.place,
      celsius: packet.storage.celsius === null ? '' : formatTemperature(packet.storage.celsius, this.about.household().units),
      dryness: packet.storage.dryness,
      generation: write(packet.generation),
      trait: write(packet.trait),
      note: write(packet.note),
      price: write(packet.price),
      motherId: packet.motherId,
      fatherId: packet.fatherId,
      isolation: packet.isolation,
      isolationM: packet.isolationM === null ? '' : this.about.told(`${packet.isolationM} m`),
    });
    this.more.set(true);
  }

  /** Reads a field, or marks it with what would be accepted. */
  private read<T>(name: keyof typeof this.form.controls, how: (text: string) => T | null, accepted: string): T | null {
    const control = this.form.controls[name];
    const written = typeof control.value === 'string' ? control.value.trim() : '';
    if (written === '') return null;
    const value = how(written);
    if (value === null) control.setErrors({ server: accepted });
    return value;
  }

  protected save(): void {
    const { crop, variety, year, source, dressed, place, dryness, generation, trait, motherId, fatherId, isolation, ...rest } =
      this.form.getRawValue();
    const name = this.nameOf(crop).trim().toLowerCase();
    const known =
      typeof crop === 'string'
        ? this.crops().find((other) => [other.name, ...other.otherNames].some((one) => one.toLowerCase() === name))
        : crop;
    if (!known) this.form.controls.crop.setErrors({ unknown: true });
    const { units } = this.about.household();
    const percent = this.read('printedRatePercent', readNumber, 'A percentage from 1 to 100, or empty.');
    const days = this.read('printedDays', daysFrom, 'A number of days or a stretch like 7 to 14.');
    const celsius = this.read('celsius', (words) => parseCelsius(words, units), 'A temperature like 5, 5 C or 41F.');
    const grams = this.read('grams', readNumber, 'A weight in grams like 0.8.');
    const perGram = this.read('seedsPerGram', readNumber, 'How many seeds weigh a gram, like 250.');
    const metres = this.read('isolationM', (words) => parseMetres(words, units), 'A distance like 400 m or 1300 ft.');
    const price = this.read('price', readNumber, 'An amount of money like 2.80.');
    this.form.markAllAsTouched();
    if (!this.form.valid || !known) {
      if (this.form.controls.isolation.invalid) this.more.set(true);
      return;
    }
    const number = (words: string): number | null => (words.trim() === '' ? null : Number(words));
    const described: Omit<PacketChange, 'id' | 'version'> = {
      cropId: known.id,
      variety,
      year: number(year),
      source: source.trim() || null,
      printedRatePercent: percent,
      printedDays: days,
      dressed,
      trait: trait.trim() || null,
      generation: number(generation),
      motherId,
      fatherId,
      isolation,
      isolationM: metres,
      storage: { place, celsius, dryness },
      seedsPerGram: perGram,
      note: rest.note.trim() || null,
      price,
    };
    const packet = this.packet();
    const sent = packet
      ? this.api.changePacket(packet.id, { ...described, id: uuid(), version: this.basedOn ?? packet.version })
      : this.api.addPacket({ ...described, id: uuid(), seedCount: number(rest.seedCount), grams } satisfies PacketRequest);
    sent.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: (kept: PacketSheet) => this.kept.emit(kept),
      error: (problem: ApiProblem) => {
        this.stale.set(problem.status === 409);
        this.error.set(showProblem(this.form, problem, { crop: 'cropId', celsius: 'storage.celsius', place: 'storage.place' }));
      },
    });
  }
}

/** "7", "7 to 14", "7-14". */
function daysFrom(words: string): [number, number] | null {
  const match = /^(\d+)(?:\s*(?:-|–|to)\s*(\d+))?\s*(?:days?|d)?$/.exec(words.trim());
  if (!match) return null;
  const low = Number(match[1]);
  const high = Number(match[2] ?? match[1]);
  return low >= 1 && high >= low && high <= 365 ? [low, high] : null;
}
