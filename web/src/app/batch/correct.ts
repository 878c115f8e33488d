import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, output, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { concat, debounceTime, last, startWith, switchMap, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { AmendRequest, BatchWithJournal } from '@fresh-tuck/contract';
import { METHODS, PREPARATIONS } from '@fresh-tuck/contract/choices';
import { methodOf, type MethodId } from '@fresh-tuck/core/method';
import { DESTINATIONS, type Destination } from '@fresh-tuck/core/moving';
import type { Preparation } from '@fresh-tuck/core/preparing';
import { capital } from '@fresh-tuck/core/units';
import { correctedInWords, DESTINATION_WORDS, preparingInWords, STEP_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { MendApi } from '../data/household/mend.api';
import { Changes } from '../data/transport/changes.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { When } from '../kit/when';
import { Word } from '../kit/word';
import { BatchApi } from './batch.api';

const TYPING_MS = 150;
const DAY_MS = 86_400_000;
/** What a word of the sentence was changed to; what is left out stays. */
type Changed = Omit<AmendRequest, 'id' | 'after'> & { readonly seeds?: number; readonly spotId?: string };

/** What a batch was begun as, in a sentence whose words are corrected; and the whole tuck-in taken back. */
@Component({
  selector: 'ft-correct',
  imports: [Choices, Field, MatButton, MatButtonToggleModule, MatFormFieldModule, MatInputModule, When, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './correct.html',
  styles: `
    .sentence {
      font: 400 19px/1.8 var(--heading);
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 18px;
      margin-top: 10px;
    }
    .follows {
      margin-top: 8px;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class Correct {
  private readonly api = inject(MendApi);
  private readonly batchApi = inject(BatchApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly changes = inject(Changes);
  private readonly destroyRef = inject(DestroyRef);
  private readonly about = inject(AboutService);
  readonly batch = input.required<BatchWithJournal>();
  readonly said = output<string>();

  protected readonly changed = signal<Changed>({});
  protected readonly error = signal<string | null>(null);
  protected readonly untucking = signal<readonly string[] | null>(null);
  protected readonly finding = signal('');
  private readonly packets = toSignal(
    toObservable(this.finding).pipe(
      debounceTime(TYPING_MS),
      startWith(''),
      switchMap((words) => this.householdApi.packets(words)),
    ),
    { initialValue: [] },
  );
  private readonly spots = toSignal(
    this.changes.keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  protected readonly seeds = text('', wholeFrom(1, 400));
  protected readonly chill = text('', wholeFrom(1, 200));
  protected readonly steps = PREPARATIONS.map((step): [Preparation, string] => [step, STEP_WORDS[step].thing]);

  protected readonly packetChoices = computed(() =>
    this.packets().map((packet): Choice<string> => ({
      value: packet.id,
      text: `${packet.cropName}, ${packet.variety}`,
      follows: [packet.year ?? '', packet.seedsLeft === null ? '' : `${packet.seedsLeft} left`].filter((part) => part !== '').join(' · '),
    })),
  );
  protected readonly spotChoices = computed(() =>
    this.spots().map(({ id, name, inWords }): Choice<string> => ({ value: id, text: name, follows: inWords })),
  );
  protected readonly methodChoices = METHODS.map((value): Choice<MethodId> => ({ value, text: methodOf(value).nouns.way }));
  protected readonly destinationChoices = DESTINATIONS.map((value): Choice<Destination> => ({
    value,
    text: DESTINATION_WORDS[value].many,
  }));
  /** Where it stood when it began. */
  protected readonly spotText = computed(() => {
    const { spotId } = this.changed();
    return this.spots().find(({ id }) => id === spotId)?.name ?? 'where it was put';
  });
  private readonly packetTitle = computed(() => {
    const { packetId } = this.changed();
    const found = this.packets().find(({ id }) => id === packetId);
    return found ? `${found.cropName}, ${found.variety}` : null;
  });
  protected readonly packetText = computed(() => this.packetTitle() ?? this.batch().title);
  protected readonly startText = computed(() => this.changed().startAt ?? null);
  protected readonly startedText = computed(() => this.about.moments().short(this.batch().facts.startMs));
  protected readonly prepared = computed(() => this.changed().prepared ?? this.batch().prepared);
  protected readonly prepText = computed(() => preparingInWords(this.prepared(), null));
  protected readonly chillText = computed(() => {
    const { chillDays = this.batch().chillDays } = this.changed();
    return chillDays === null ? 'no cold first' : `${chillDays} days of cold first`;
  });
  protected readonly method = computed(() => this.changed().method ?? this.batch().facts.method);
  protected readonly methodText = computed(() => methodOf(this.method()).nouns.way);
  protected readonly destinationText = computed(() => {
    const { destination = this.batch().aim.destination } = this.changed();
    return destination === null ? 'anywhere' : DESTINATION_WORDS[destination].many;
  });
  protected readonly seedsText = computed(() => {
    const count = this.changed().seeds ?? this.batch().facts.seeds;
    return `${count} ${count === 1 ? 'seed' : 'seeds'}`;
  });
  protected readonly any = computed(() => Object.keys(this.changed()).length > 0);
  /** What follows from it, said before it is done. */
  protected readonly follows = computed(() => {
    const batch = this.batch();
    const { startAt, method, packetId, seeds } = this.changed();
    const startMs = startAt === undefined ? null : this.about.moments().at(startAt);
    return correctedInWords({
      seeds: batch.facts.seeds,
      nowSeeds: seeds ?? null,
      was: batch.title,
      packet: packetId === undefined ? null : this.packetTitle(),
      labels: batch.cups.map(({ number }) => number),
      laterDays: startMs === null ? null : (startMs - batch.facts.startMs) / DAY_MS,
      method: method ?? null,
    });
  });

  constructor() {
    this.seeds.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      this.seeds.markAsTouched();
      if (value.toString().trim() !== '' && this.seeds.valid) this.set({ seeds: Number(value) });
    });
    this.chill.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      this.chill.markAsTouched();
      if (this.chill.valid) this.set({ chillDays: value.toString().trim() === '' ? null : Number(value) });
    });
    const id = computed(() => this.batch().id);
    effect(() => {
      id();
      untracked(() => this.changed.set({}));
    });
  }

  protected set(more: Changed): void {
    this.error.set(null);
    this.changed.update((changed) => ({ ...changed, ...more }));
  }

  protected start(at: string | null): void {
    if (at !== null) this.set({ startAt: at });
  }

  protected toggle(step: Preparation): void {
    const now = this.prepared();
    this.set({ prepared: now.includes(step) ? now.filter((other) => other !== step) : [...now, step] });
  }

  protected save(): void {
    const batch = this.batch();
    const { seeds, spotId, ...amended } = this.changed();
    const { startAt } = amended;
    const asks: Observable<unknown>[] = [];
    if (Object.keys(amended).length > 0) asks.push(this.api.amend(batch.id, { id: uuid(), after: batch.amendedId, ...amended }));
    if (seeds !== undefined && seeds !== batch.facts.seeds)
      asks.push(this.batchApi.recount(batch.id, { id: uuid(), seeds, was: batch.facts.seeds }));
    // From the start on: what was said of the bag since stands.
    const at = startAt ?? this.about.moments().field(batch.facts.startMs);
    if (spotId !== undefined) asks.push(this.batchApi.placeHolder(batch.holder.id, { id: uuid(), spotId, at }));
    if (asks.length === 0) return this.error.set('Nothing is changed yet: touch a word of the sentence.');
    concat(...asks)
      .pipe(last(), takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.changed.set({});
          this.said.emit('Corrected. The journal has what it was before.');
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected askUntuck(): void {
    if (this.untucking()) return this.untucking.set(null);
    this.api
      .untucking(this.batch().id)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: ({ follows }) => this.untucking.set(follows), error: (problem: ApiProblem) => this.error.set(problem.message) });
  }

  protected untuck(): void {
    this.api
      .untuck(this.batch().id, { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.untucking.set(null);
          this.said.emit(`${capital('the')} tuck-in is taken back. Undo it in the journal if it was one after all.`);
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
