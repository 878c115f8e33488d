import { computed, createEnvironmentInjector, type EnvironmentInjector, signal, untracked, type WritableSignal } from '@angular/core';
import type { Sitting } from '@fresh-tuck/contract';
import { METHOD_WORDS, preparingInWords } from '@fresh-tuck/core/words';
import { TuckSources } from '../tuck/sources';
import { TuckPlan } from '../tuck/tuck-plan';
import { restore, wordsOf } from '../tuck/words-of';

export type Line = Sitting['lines'][number];

/** The same words in whichever order they were said. */
const sorted = (words: object): string => JSON.stringify(Object.entries(words).sort(([a], [b]) => a.localeCompare(b)));

/** One packet of a sitting: its line as it is stored, and the sentence that is made of it. */
export class Seat {
  readonly line: WritableSignal<Line>;
  private readonly injector: EnvironmentInjector;
  readonly plan: TuckPlan;
  readonly id: string;

  constructor(line: Line, sources: TuckSources, parent: EnvironmentInjector) {
    this.id = line.id;
    this.line = signal(line);
    this.injector = createEnvironmentInjector([{ provide: TuckSources, useValue: sources }, TuckPlan], parent);
    this.plan = this.injector.get(TuckPlan);
    this.take(line);
  }

  /** The line as the server has it now. */
  take(line: Line): void {
    this.line.set(line);
    if (sorted(line.words) !== sorted(untracked(this.words))) restore(this.plan, line.words);
    this.plan.mate.set(line.bag === null || line.bag === line.id ? null : line.bag);
    // What is gone, laid or passed over is not worked out any more.
    if (line.title !== null && line.batchId === null) this.plan.packetId.set(line.packetId);
  }

  /** Whether its sitting is over: then nothing is laid from it any more. */
  readonly over = signal(false);
  readonly open = computed(() => !this.over() && this.line().batchId === null && !this.line().skipped && this.line().title !== null);
  readonly ready = computed(() => !this.open() || (this.plan.plan() !== undefined && this.plan.settled()));
  readonly words = computed(() => wordsOf(this.plan));
  readonly count = computed(() => this.line().begun?.seeds ?? this.plan.seeds());
  readonly method = computed(() => this.line().begun?.method ?? this.plan.method());
  /** "okra", as it is told in a sentence. */
  readonly crop = computed(() => (this.line().title ?? '').split(', ')[0]?.replace(/^./, (first) => first.toLowerCase()) ?? '');
  readonly variety = computed(() => (this.line().title ?? '').split(', ').slice(1).join(', '));
  /** How it is started, and made ready for it. */
  readonly way = computed(() => {
    const { plan } = this;
    const made = plan.prepared().length > 0 ? `, after ${preparingInWords(plan.prepared(), plan.crop())}` : '';
    const cold = plan.chillDays() === null ? '' : `, ${plan.chillDays()} days of cold first`;
    return `${METHOD_WORDS[plan.method()]}${made}${cold}`;
  });
  /** Where no number of seeds makes the plants sure, somebody has to say how many. */
  readonly doubt = computed(() => {
    const answer = this.plan.plan();
    if (!this.open() || this.plan.seedsFixed() !== null || answer?.enough !== null || !this.plan.settled()) return null;
    return `No number of seeds makes ${this.plan.wantedNumber()} plants sure: say how many you lay.`;
  });
  /** Why it cannot be laid as it stands; null where it can. */
  readonly fault = computed(() => {
    const { plan } = this;
    if (this.line().title === null) return 'This packet is no longer in the box. Take it off the list, or take the packet out again.';
    if (!this.open()) return null;
    const short = plan.short();
    return (
      plan.unsuited() ??
      plan.refused() ??
      (short === null ? null : `The packet has only ${short} left: fewer seeds, or take it off the list.`)
    );
  });

  /** Asks about its packet anew: something was just taken from it. */
  again(): void {
    this.plan.asked.update((nth) => nth + 1);
  }

  end(): void {
    this.injector.destroy();
  }
}
