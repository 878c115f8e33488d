import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { type FormControl, FormGroup } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { CLOSURES } from '@fresh-tuck/contract/choices';
import { CLOSURE_WORDS, preparingInWords } from '@fresh-tuck/core/words';
import { listed } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { NewSpot } from '../house/new-spot';
import { type Choice, Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { Word } from '../kit/word';
import { type Pane, type Preparation, PANES, SOAKS, STEPS, SURENESS } from './choices';
import { LaidWord } from './laid-word';
import { Muddle } from './muddle';
import { PotWords } from './pot-words';
import { ReadyFields } from './ready-fields';
import { TuckPlan } from './tuck-plan';
import { WayWords } from './way-words';
import { GoalWord } from './when-words';
import { WishWord } from './wish-word';

const SEED_LIMIT = 400;

/** The sentence of one packet: its words are the controls. */
@Component({
  selector: 'ft-sentence',
  imports: [
    Choices,
    Field,
    GoalWord,
    LaidWord,
    MatButton,
    MatButtonToggleModule,
    MatFormFieldModule,
    MatInputModule,
    Muddle,
    NewSpot,
    PotWords,
    ReadyFields,
    RouterLink,
    WayWords,
    WishWord,
    Word,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sentence.html',
  styleUrl: './sentence.scss',
})
export class Sentence {
  protected readonly about = inject(AboutService);
  protected readonly plan = inject(TuckPlan);
  /** Whether the packet and its hour are said elsewhere: on the list of a sitting. */
  readonly packetFixed = input(false);
  readonly level = input(1);

  protected readonly preparations = STEPS;
  protected readonly panes = computed(() =>
    PANES.map((pane): Choice<Pane> => ({
      value: pane,
      text: `${pane.name}, ${this.about.lengthText()(pane.widthMm)} × ${this.about.lengthText()(pane.heightMm)}`,
    })),
  );
  /** Words of the sentence that are typed; empty is for the plan to say. */
  protected readonly form = new FormGroup({ seeds: text('', wholeFrom(1, SEED_LIMIT)), start: text(), chill: text('', wholeFrom(1, 200)) });
  protected readonly soaks = SOAKS;
  /** Led by what could be started now, while nothing is typed. */
  protected readonly packetChoices = computed(() => {
    const ideas = this.plan.finding().trim() === '' ? (this.plan.ideas() ?? []) : [];
    const led = ideas.map(({ id, cropName, variety, why }): Choice<string> => ({
      value: id,
      text: `${cropName}, ${variety}`,
      follows: why,
    }));
    const rest = (this.plan.packets() ?? []).filter(({ id }) => !ideas.some((idea) => idea.id === id));
    return [
      ...led,
      ...rest.map((packet): Choice<string> => ({
        value: packet.id,
        text: `${packet.cropName}, ${packet.variety}`,
        follows: packet.seedsLeft === null ? null : `${packet.seedsLeft} left`,
      })),
    ];
  });
  protected readonly surenessChoices = computed(() =>
    SURENESS.map(({ value, text }): Choice<number> => ({ value, text, follows: this.levelText(value) })),
  );
  /** A bag of its own, or one that lies there already. */
  protected readonly bagChoices = computed((): Choice<string>[] => [
    ...this.plan.mates(),
    ...CLOSURES.map((value) => ({ value, text: CLOSURE_WORDS[value].text, follows: CLOSURE_WORDS[value].follows })),
    ...this.plan.holders().map(({ id, kind, numbers, spotName }) => ({
      value: id,
      text: `the ${kind} with ${listed(numbers)}`,
      follows: `${spotName}; opening it opens all`,
    })),
  ]);
  protected readonly spotChoices = computed(() =>
    this.plan.spots().map(({ id, name, inWords }): Choice<string> => ({ value: id, text: name, follows: inWords })),
  );

  protected readonly packetText = computed(() => {
    const packet = this.plan.chosen();
    return packet ? `${packet.cropName}, ${packet.variety}` : 'a packet of seed';
  });
  protected readonly surenessText = computed(() => {
    const sureness = this.plan.sureness();
    return SURENESS.find(({ value }) => value === sureness)?.text ?? `${Math.round(sureness * 100)} times in 100`;
  });
  protected readonly startText = computed(() => {
    const at = this.plan.startAt();
    return at === null ? 'now' : `on ${at.replace('T', ' at ')}`;
  });
  protected readonly prepText = computed(() => preparingInWords(this.plan.prepared(), this.plan.crop()));
  protected readonly chillText = computed(() => {
    const [days, before] = [this.plan.chillDays(), this.plan.chilledDays()];
    const had = before > 0 ? `, ${before} had before` : '';
    const warm = (this.plan.crop()?.chill.warmWeeks ?? 0) * 7;
    if (days !== null && warm > 0 && days > warm) return `${warm} days of warmth, then ${days - warm} of cold${had}`;
    return days === null ? `no chill${had}` : `${days} days of ${this.plan.chillDry() ? 'dry ' : ''}cold first${had}`;
  });
  protected readonly bagText = computed(() => {
    const mate = this.plan.mates().find(({ value }) => value === this.plan.mate());
    if (mate) return mate.text;
    const holder = this.plan.holder();
    return holder ? `${holder.kind} with ${listed(holder.numbers)}` : CLOSURE_WORDS[this.plan.closure()].text;
  });
  /** Seeds that a sureness takes. */
  private levelText(sureness: number): string {
    const level = this.plan.plan()?.levels.find((one) => one.sureness === sureness);
    return level ? (level.seeds === null ? 'no number will do' : `${level.seeds} seeds`) : '';
  }

  constructor() {
    const { seeds, start, chill } = this.form.controls;
    const number = (value: string): number | null => (value.trim() === '' ? null : Number(value));
    const follow = (control: FormControl<string>, take: (value: string) => void): void => {
      control.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
        control.markAsTouched();
        if (control.valid) take(String(value ?? ''));
      });
    };
    follow(seeds, (value) => this.plan.seedsFixed.set(number(value)));
    follow(chill, (value) => this.plan.chillFixed.set(number(value)));
    follow(start, (value) => this.plan.startAt.set(value === '' ? null : value.slice(0, 16)));
    // What another word decides stands in the fields too, unless it is just being typed.
    const show = (control: FormControl<string>, value: number | string | null): void => {
      if (String(control.value ?? '') !== String(value ?? '') && control.valid) control.setValue(String(value ?? ''), { emitEvent: false });
    };
    effect(() => show(seeds, this.plan.seedsFixed()));
    effect(() => show(chill, this.plan.chillDays()));
    effect(() => show(start, this.plan.startAt()));
  }

  /** Whether a word holds what cannot be. */
  readonly invalid = (): boolean => this.form.invalid;

  protected lieIn(where: string): void {
    const mate = this.plan.mates().some(({ value }) => value === where);
    this.plan.mate.set(mate ? where : null);
    if (mate) return this.plan.holderId.set(null);
    const closure = CLOSURES.find((one) => one === where);
    if (closure) this.plan.closure.set(closure);
    this.plan.holderId.set(closure ? null : where);
  }

  protected togglePrep(step: Preparation): void {
    const now = this.plan.prepared();
    this.plan.prepFixed.set(now.includes(step) ? now.filter((other) => other !== step) : [...now, step]);
  }
}
