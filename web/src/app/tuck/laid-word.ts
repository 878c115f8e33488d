import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  DAMPINGS,
  LIGHTS,
  MEDIA,
  WETNESSES,
  type Damping,
  type Light,
  type Medium,
  type Setup,
  type Wetness,
} from '@fresh-tuck/core/carrier';
import { bottleCard, DAMPED_WORDS, LIGHT_WORDS, MEDIUM_WORDS, WET_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { type Choice, Choices } from '../kit/choices';
import { Word } from '../kit/word';
import { TuckPlan } from './tuck-plan';

const BOTTLES_ML = [250, 500, 1000] as const;
const STOCK_PERCENT = 3;

const listed = <T extends string>(codes: readonly T[], words: Readonly<Record<T, { text: string; follows: string }>>): Choice<T>[] =>
  codes.map((value) => ({ value, text: words[value].text, follows: words[value].follows }));

/** How it is laid: on what, damped with what, how wet, and in what light; each with what follows from it. */
@Component({
  selector: 'ft-laid-word',
  imports: [Choices, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-word label="How it is laid" [text]="text()" [fixed]="fixed()">
      @if (plan.way().bagged) {
        <p class="soft">On what</p>
        <ft-choices label="On what" [closes]="false" [choices]="media" [value]="plan.setup().medium" (chosen)="set({ medium: $event })" />
        <p class="soft">How wet</p>
        <ft-choices label="How wet" [closes]="false" [choices]="wets" [value]="plan.setup().wet" (chosen)="set({ wet: $event })" />
      }
      <p class="soft">Damped with</p>
      <ft-choices
        label="Damped with"
        [closes]="false"
        [choices]="waters"
        [value]="plan.setup().damped"
        (chosen)="set({ damped: $event })"
      />
      @if (plan.setup().damped === 'peroxide') {
        <p class="soft">A bottle of</p>
        <ft-choices label="A bottle of" [closes]="false" [choices]="bottles" [value]="bottleMl()" (chosen)="bottleMl.set($event)" />
        <p>{{ card().mix }}</p>
        <p class="label">{{ card().label }}</p>
        <p class="trouble">{{ card().caution }}</p>
      }
      <p class="soft">Light</p>
      <ft-choices label="Light" [closes]="false" [choices]="lights" [value]="plan.setup().light" (chosen)="set({ light: $event })" />
      <p class="soft">{{ lightAdvice() }}</p>
    </ft-word>
  `,
  styles: `
    .label {
      padding: 8px 12px;
      border: 1.5px solid var(--ink);
      border-radius: 6px;
      font: 600 15px/1.4 var(--text);
    }
  `,
})
export class LaidWord {
  private readonly about = inject(AboutService);
  protected readonly plan = inject(TuckPlan);
  protected readonly media = listed<Medium>(MEDIA, MEDIUM_WORDS);
  protected readonly wets = listed<Wetness>(WETNESSES, WET_WORDS);
  protected readonly waters = listed<Damping>(DAMPINGS, DAMPED_WORDS);
  protected readonly lights = listed<Light>(LIGHTS, LIGHT_WORDS);
  protected readonly bottles = BOTTLES_ML.map((value): Choice<number> => ({ value, text: `${value} ml` }));
  protected readonly bottleMl = signal<number>(500);
  protected readonly card = computed(() => bottleCard(STOCK_PERCENT, this.bottleMl(), this.about.moments().day(this.about.nowMs())));
  protected readonly fixed = computed(() => Object.keys(this.plan.setupFixed()).length > 0);
  protected readonly text = computed(() => {
    const { medium, damped, wet, light } = this.plan.setup();
    const lies = this.plan.way().bagged ? [MEDIUM_WORDS[medium].text, WET_WORDS[wet].text] : [];
    return [...lies, DAMPED_WORDS[damped].text, ...(light === null ? [] : [LIGHT_WORDS[light].text])].join(', ');
  });
  protected readonly lightAdvice = computed(() => {
    const wants = this.plan.crop()?.growing.light;
    if (wants === 'needs_light') return 'This kind waits for light: in the dark about 6 in 10 of it come, a guess.';
    return wants === 'dark' ? 'This kind likes the dark: in light a few stay away, a guess.' : 'This kind does not mind either.';
  });

  protected set(said: Partial<Setup>): void {
    this.plan.setupFixed.update((before) => ({ ...before, ...said }));
  }
}
