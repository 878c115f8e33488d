import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { debounceTime, filter, finalize, map, of, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { CLOSURES, DAMPINGS, LIGHTS, MEDIA, METHODS, WETNESSES } from '@fresh-tuck/contract/choices';
import { unsuited } from '@fresh-tuck/core/method';
import { warmFromMs, type CareFor, type Question, type SeedToTry } from '@fresh-tuck/core/trials';
import { capital, DAY_MS } from '@fresh-tuck/core/units';
import { careInWords, QUESTION_WORDS, settingInWords, shortInWords, trialSizeInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { Word } from '../kit/word';
import { TuckPlan } from '../tuck/tuck-plan';
import { TuckSources } from '../tuck/sources';
import { NotebookApi } from './notebook.api';
import { TrialWork } from './trial.service';

const MOST_SEEDS = 200;
const MOST_SIDES = 4;
/** How a side is called, by its place in the sentence. */
const SIDE_LABELS = ['One side', 'The other side', 'A third side', 'A fourth side'];
/** Hours in water that are worth trying. Common practice, no source. */
const SOAKS = ['0', '4', '8', '12', '24'];
const USUAL_SOAK = 12;
/** What is worth knowing: days sooner, or so many more in a hundred. */
const CARES: readonly CareFor[] = [
  { of: 'days', days: 0.5 },
  { of: 'days', days: 1 },
  { of: 'days', days: 2 },
  { of: 'days', days: 4 },
  { of: 'share', share: 0.1 },
  { of: 'share', share: 0.2 },
  { of: 'share', share: 0.3 },
];
const PLANNED = [
  'soak',
  'chill',
  'prepared',
  'method',
  'medium',
  'wet',
  'damped',
  'closure',
  'light',
  'spot',
  'packet',
] as const satisfies Question[];
type Planned = (typeof PLANNED)[number];
/** Why there may be no second side. */
const NO_OTHER: Partial<Record<Planned, string>> = {
  packet: 'the box has one packet of this crop',
  spot: 'the house has one place',
  soak: 'its kind drowns in any soak worth trying',
  chill: 'its kind asks for no cold',
  prepared: 'its coat asks for nothing that could be left out',
};

/** A trial planned ahead: one thing that differs, as many seeds a side as it takes, and the lots drawn. */
@Component({
  selector: 'ft-plan-trial',
  imports: [Choices, Field, MatButton, MatFormFieldModule, MatInputModule, RouterLink, Word],
  providers: [TuckSources, TuckPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './plan-trial.html',
  styleUrl: './compare.scss',
})
export class PlanTrial {
  private readonly api = inject(NotebookApi);
  private readonly work = inject(TrialWork);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  /** What the seed is likely to do where it would stand: the same plan that Tuck in makes. */
  protected readonly plan = inject(TuckPlan);
  readonly packet = input<string>();

  private readonly named = linkedSignal<string | null>(() => this.packet() ?? null);
  protected readonly packets = computed((): Choice<string>[] =>
    (this.plan.packets() ?? []).map(({ id, cropName, variety, seedsLeft }) => ({
      value: id,
      text: `${cropName}, ${variety}`,
      follows: seedsLeft === null ? '' : `${seedsLeft} left`,
    })),
  );
  protected readonly packetText = computed(() => {
    const chosen = this.plan.chosen();
    return chosen ? `${chosen.cropName}, ${chosen.variety}` : 'a packet of seed';
  });
  protected readonly question = signal<Planned>('soak');
  protected readonly questions = PLANNED.map((value) => ({ value, text: QUESTION_WORDS[value] }));
  protected readonly questionText = computed(() => QUESTION_WORDS[this.question()]);

  /** What a side may be, for the question that is asked. */
  private readonly settings = computed((): string[] => {
    const crop = this.plan.crop();
    switch (this.question()) {
      case 'soak':
        // None that its kind would drown in.
        return SOAKS.filter((hours) => !crop || Number(hours) <= crop.water.drowningLimitHours);
      case 'chill': {
        const { weeks = 0 } = crop?.chill ?? {};
        return weeks > 0 ? [...new Set([0, Math.ceil(weeks / 2), weeks, 2 * weeks])].map(String) : [];
      }
      case 'prepared': {
        const { steps = [], sometimes = [] } = crop?.preparation ?? {};
        const tried = [...steps, ...sometimes].filter((step) => step !== 'soak' && step !== 'chill');
        return ['', ...new Set(tried)];
      }
      case 'method':
        return METHODS.filter((method) => !crop || unsuited(crop, method) === null);
      case 'medium':
        return [...MEDIA];
      case 'wet':
        return [...WETNESSES];
      case 'damped':
        return [...DAMPINGS];
      case 'closure':
        return [...CLOSURES];
      case 'light':
        return [...LIGHTS];
      case 'spot':
        return this.plan.spots().map(({ id }) => id);
      case 'packet':
        return [this.plan.chosen()?.id ?? '', ...this.plan.others().map(({ id }) => id)].filter(Boolean);
    }
  });
  private nameOf(id: string): string {
    const spot = this.plan.spots().find((one) => one.id === id);
    const packet = [this.plan.chosen(), ...this.plan.others()].find((one) => one?.id === id);
    const year = (this.plan.packets() ?? []).find((one) => one.id === id)?.year ?? null;
    return spot?.name ?? (packet ? (year === null ? packet.variety : `${packet.variety}, ${year}`) : id);
  }
  protected readonly choices = computed((): Choice<string>[] =>
    this.settings().map((value) => ({ value, text: capital(settingInWords(this.question(), value, (id) => this.nameOf(id))) })),
  );
  /** What each side is; a side that there is nothing for is null. */
  protected readonly sides = linkedSignal<readonly (string | null)[]>(() => {
    const all = this.settings();
    if (this.question() === 'soak') return [all.findLast((hours) => Number(hours) <= USUAL_SOAK && hours !== '0') ?? null, '0'];
    if (this.question() === 'chill') return [all.length > 0 ? String(this.plan.crop()?.chill.weeks) : null, all[0] ?? null];
    if (this.question() === 'prepared') return [all[1] ?? null, ''];
    return [all[0] ?? null, all[1] ?? null];
  });
  /** The sides as the sentence names them. */
  protected readonly said = computed(() =>
    this.sides().map((setting, index, { length }) => ({
      setting,
      label: SIDE_LABELS[index] ?? '',
      before: index === 0 ? 'one side' : length === 2 ? 'the other' : 'one',
      text: setting === null ? 'nothing else' : settingInWords(this.question(), setting, (id) => this.nameOf(id)),
    })),
  );
  /** What a further side would be; null where nothing is left to try, or enough is. */
  protected readonly further = computed(() => {
    const setting = this.settings().find((one) => !this.sides().includes(one));
    return setting === undefined || this.sides().length >= MOST_SIDES || this.sides().includes(null) ? null : { setting };
  });
  protected choose(index: number, setting: string): void {
    this.sides.update((sides) => sides.map((side, nth) => (nth === index ? setting : side)));
  }
  protected take(setting: string): void {
    this.sides.update((sides) => [...sides, setting]);
  }
  protected leave(index: number): void {
    this.sides.update((sides) => sides.filter((_, nth) => nth !== index));
  }

  protected readonly seedsField = text('24', wholeFrom(2, MOST_SEEDS));
  protected readonly seeds = signal(24);
  protected readonly bags = signal(1);
  protected readonly bagChoices: Choice<number>[] = [1, 2, 3, 4].map((value) => ({
    value,
    text: value === 1 ? 'in one bag each' : `in ${value} bags each`,
    follows: value === 1 ? 'a bag that goes wrong spoils it' : 'what one bag does by itself evens out',
  }));
  protected readonly bagText = computed(() => this.bagChoices[this.bags() - 1]?.text ?? '');
  protected readonly careAt = signal(1);
  protected readonly care = computed(() => CARES[this.careAt()] as CareFor);
  protected readonly careText = computed(() => careInWords(this.care()));
  protected readonly cares = CARES.map((care, value) => ({ value, text: careInWords(care) }));
  /** What is known of the seed, where the plan would put it. */
  private readonly tried = computed<SeedToTry | null>(() => {
    const [chosen, answer] = [this.plan.chosen(), this.plan.here()?.answers];
    const facts = this.plan.here()?.facts;
    if (!chosen || !answer || !facts || answer.halfMs === null) return null;
    return {
      medianDays: Math.max(answer.halfMs - warmFromMs(facts), DAY_MS / 2) / DAY_MS,
      spread: facts.prior.spread.median,
      rate: Math.min(Math.max(answer.end.mean / facts.seeds, 0.05), 0.99),
      lookEveryDays: 1 / Math.max(this.about.household().lookingTimes.length, 1),
    };
  });
  private readonly size = toSignal(
    toObservable(computed(() => ({ seed: this.tried(), seeds: this.seeds(), care: this.care(), sides: this.sides().length }))).pipe(
      debounceTime(60),
      switchMap(({ seed, seeds, care, sides }) =>
        seed === null
          ? of(null)
          : this.work.ask({ kind: 'size', seed, seeds, care, sides }).pipe(
              filter((reply) => reply.kind === 'size'),
              map((reply) => ({ ...reply, seed, seeds, care, sides })),
            ),
      ),
    ),
    { initialValue: null },
  );
  /** Whether so many would show it, in two sentences. */
  protected readonly told = computed(() => {
    const size = this.size();
    return size && trialSizeInWords(size);
  });
  protected readonly needed = computed(() => {
    const needed = this.size()?.needed ?? null;
    return needed !== null && needed !== this.seeds() && needed <= MOST_SEEDS ? needed : null;
  });
  /** Packets that hold too little for their sides. */
  protected readonly short = computed(() => {
    const chosen = this.plan.chosen();
    if (!chosen) return null;
    if (this.question() !== 'packet')
      return shortInWords([{ name: this.packetText(), left: chosen.seedsLeft, taken: this.sides().length * this.seeds() }]);
    const box = [chosen, ...this.plan.others()];
    const its = this.sides().flatMap((id) => box.find((one) => one.id === id) ?? []);
    return shortInWords(its.map(({ id, seedsLeft }) => ({ name: this.nameOf(id), left: seedsLeft, taken: this.seeds() })));
  });
  protected readonly saving = signal(false);
  protected readonly problem = signal<string | null>(null);

  constructor() {
    toObservable(this.named)
      .pipe(takeUntilDestroyed())
      .subscribe((id) => this.plan.packetId.set(id));
  }
  protected pick(id: string): void {
    this.named.set(id);
  }
  protected asMany(seeds: number): void {
    this.seedsField.setValue(String(seeds));
    this.seeds.set(seeds);
  }
  protected typed(): void {
    this.seedsField.markAsTouched();
    if (this.seedsField.valid && this.seedsField.value.trim() !== '') this.seeds.set(Number(this.seedsField.value));
  }

  protected draw(): void {
    const packet = this.plan.chosen();
    const said = this.said();
    if (!packet) return this.problem.set('Choose the packet first: touch “a packet of seed” in the sentence.');
    const settings = this.sides().flatMap((setting) => setting ?? []);
    if (settings.length < said.length)
      return this.problem.set(`There is no second side: ${NO_OTHER[this.question()] ?? 'nothing else of it suits this kind'}.`);
    const twice = settings.findIndex((setting, index) => settings.indexOf(setting) !== index);
    if (twice >= 0) return this.problem.set(`Two sides are ${said[twice]?.text ?? ''}: choose another for one of them.`);
    const trialId = uuid();
    const arms = settings.map((setting, index) => ({ name: capital(said[index]?.text ?? '').slice(0, 40), setting, batchIds: [] }));
    const lot = crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;
    this.saving.set(true);
    this.api
      .say(trialId, {
        name: `${capital(this.questionText())}, ${packet.cropName.toLowerCase()}`,
        question: this.question(),
        arms,
        plan: { packetId: packet.id, seeds: this.seeds(), bags: this.bags(), care: this.care(), lot: lot >>> 1 },
        read: null,
      })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: () => void this.router.navigate(['/notebook/trials', trialId]),
        error: ({ message }: ApiProblem) => this.problem.set(message),
      });
  }
}
