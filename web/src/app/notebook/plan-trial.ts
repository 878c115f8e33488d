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
import type { Question, SeedToTry } from '@fresh-tuck/core/trials';
import { capital, counted, DAY_MS } from '@fresh-tuck/core/units';
import { QUESTION_WORDS, settingInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { Word } from '../kit/word';
import { TuckPlan } from '../tuck/tuck-plan';
import { TuckSources } from '../tuck/sources';
import { NotebookApi } from './notebook.api';
import type { CareFor } from './trial.messages';
import { TrialWork } from './trial.service';

const MOST_SEEDS = 200;
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
const PLANNED = ['soak', 'method', 'medium', 'wet', 'damped', 'closure', 'light', 'spot', 'packet'] as const satisfies Question[];
type Planned = (typeof PLANNED)[number];

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
  protected readonly sides = linkedSignal<readonly [string | null, string | null]>(() => {
    const all = this.settings();
    if (this.question() === 'soak') return [all.findLast((hours) => Number(hours) <= USUAL_SOAK && hours !== '0') ?? null, '0'];
    return [all[0] ?? null, all[1] ?? null];
  });
  protected sideText(index: 0 | 1): string {
    const setting = this.sides()[index];
    return setting === null ? 'nothing else' : settingInWords(this.question(), setting, (id) => this.nameOf(id));
  }
  protected choose(index: 0 | 1, setting: string): void {
    this.sides.update(([first, second]) => (index === 0 ? [setting, second] : [first, setting]));
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
  protected readonly cares = CARES.map((care, value) => ({ value, text: this.careInWords(care) }));
  protected careInWords(care: CareFor): string {
    return care.of === 'share'
      ? `${Math.round(100 * care.share)} in 100 more`
      : care.days === 0.5
        ? 'half a day sooner'
        : `${counted(care.days, 'day')} sooner`;
  }

  /** What is known of the seed, where the plan would put it. */
  private readonly tried = computed<SeedToTry | null>(() => {
    const [chosen, answer] = [this.plan.chosen(), this.plan.here()?.answers];
    const facts = this.plan.here()?.facts;
    if (!chosen || !answer || !facts || answer.halfMs === null) return null;
    return {
      medianDays: (answer.halfMs - facts.startMs) / DAY_MS,
      spread: facts.prior.spread.median,
      rate: Math.min(Math.max(answer.end.mean / facts.seeds, 0.05), 0.99),
      lookEveryDays: 1 / Math.max(this.about.household().lookingTimes.length, 1),
    };
  });
  private readonly size = toSignal(
    toObservable(computed(() => ({ seed: this.tried(), seeds: this.seeds(), care: this.care() }))).pipe(
      debounceTime(60),
      switchMap(({ seed, seeds, care }) =>
        seed === null
          ? of(null)
          : this.work.ask({ kind: 'size', seed, seeds, care }).pipe(
              filter((reply) => reply.kind === 'size'),
              map((reply) => ({ ...reply, seed, seeds, care })),
            ),
      ),
    ),
    { initialValue: null },
  );
  /** Whether so many would show it, in two sentences. */
  protected readonly told = computed(() => {
    const size = this.size();
    if (!size) return null;
    const { chance, needed, seeds, care, seed } = size;
    const known = `It comes in about ${seed.medianDays.toFixed(1)} days here, ${Math.round(10 * seed.rate)} in 10 of it.`;
    if (care.of === 'days' && care.days >= 0.9 * seed.medianDays)
      return `${known} It cannot come ${counted(care.days, 'day')} sooner than that: ask for less.`;
    const times = Math.round(10 * chance);
    const often = times >= 10 ? 'nearly always' : times <= 0 ? 'hardly ever' : `about ${times} times in 10`;
    const shows = `With ${seeds} a side, a side of which ${care.of === 'days' ? 'the seed truly comes' : 'truly'} ${this.careInWords(care)}${care.of === 'share' ? ' come' : ''} is told from chance ${often}.`;
    const enough =
      needed === null
        ? 'No household has the seed to show so little: ask for more, or leave it.'
        : needed <= seeds
          ? needed < 0.8 * seeds
            ? `${needed} a side would do.`
            : 'That is about right.'
          : `It takes about ${needed} a side to see it 8 times in 10.`;
    return `${known} ${shows} ${enough}`;
  });
  protected readonly needed = computed(() => {
    const needed = this.size()?.needed ?? null;
    return needed !== null && needed !== this.seeds() && needed <= MOST_SEEDS ? needed : null;
  });
  /** What the packet has, where it is too little for both sides. */
  protected readonly short = computed(() => {
    const left = this.plan.chosen()?.seedsLeft ?? null;
    const wanted = this.question() === 'packet' ? this.seeds() : 2 * this.seeds();
    return left !== null && left < wanted ? `The packet has ${left} seeds left, and both sides take ${wanted}.` : null;
  });
  protected readonly saving = signal(false);
  protected readonly problem = signal<string | null>(null);

  constructor() {
    toObservable(this.named)
      .pipe(takeUntilDestroyed())
      .subscribe((id) => this.plan.packetId.set(id));
  }
  protected take(id: string): void {
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
    const [first, second] = this.sides();
    if (!packet) return this.problem.set('Choose the packet first: touch “a packet of seed” in the sentence.');
    if (first === null || second === null)
      return this.problem.set('There is no second side: the box has one packet of this crop, or the house one place.');
    if (first === second) return this.problem.set(`Both sides are ${this.sideText(0)}: choose another for one of them.`);
    const trialId = uuid();
    const arm = (setting: string, index: 0 | 1) => ({ name: capital(this.sideText(index)).slice(0, 40), setting, batchIds: [] });
    const lot = crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;
    this.saving.set(true);
    this.api
      .say(trialId, {
        name: `${capital(this.questionText())}, ${packet.cropName.toLowerCase()}`,
        question: this.question(),
        arms: [arm(first, 0), arm(second, 1)],
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
