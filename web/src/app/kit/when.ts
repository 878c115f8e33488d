import { ChangeDetectionStrategy, Component, computed, effect, inject, input, model, viewChild } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { AboutService } from '../data/household/about.service';
import { Choices, type Choice } from './choices';
import { Field } from './field';
import { readBy, text } from './validators';
import { Word } from './word';

const DAY_MS = 86_400_000;
/** Looking times lately past that are offered with one touch. */
const MOST = 4;
const NOW = 'now';

/** When something was done: now, one of the looking times lately past, or any moment since a start. */
@Component({
  selector: 'ft-when',
  imports: [Choices, Field, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-word [label]="label()" [text]="text()" [fixed]="at() !== null">
      <ft-choices [label]="label()" [choices]="choices()" [value]="at() ?? 'now'" (chosen)="choose($event)" />
      <ft-field
        label="Another time"
        type="datetime-local"
        [min]="earliest()"
        [max]="latest()"
        [control]="typed"
        accepted="A time that is past, and not before it began."
      />
    </ft-word>
  `,
  styles: `
    :host {
      font: inherit;
    }
  `,
})
export class When {
  private readonly about = inject(AboutService);
  readonly label = input('When');
  /** What it says while nothing is chosen. */
  readonly now = input(NOW);
  /** Nothing of it lies before, ms. */
  readonly sinceMs = input(0);
  /** On the household's clock, "2026-04-11T07:10"; null is now. */
  readonly at = model<string | null>(null);
  private readonly word = viewChild.required(Word);
  private readonly past = readBy((local) => {
    const ms = this.about.moments().at(local);
    return ms >= this.sinceMs() && ms <= this.about.nowMs() + 60_000 ? ms : null;
  });
  protected readonly typed = text('', this.past);
  protected readonly text = computed(() => {
    const at = this.at();
    const { at: msOf, spoken } = this.about.moments();
    return at === null ? this.now() : spoken(msOf(at));
  });
  protected readonly earliest = computed(() => (this.sinceMs() > 0 ? this.about.moments().field(this.sinceMs()) : null));
  protected readonly latest = computed(() => this.about.moments().field(this.about.nowMs()));
  protected readonly choices = computed((): Choice<string>[] => {
    const nowMs = this.about.nowMs();
    const { at, field, spoken } = this.about.moments();
    const days = [0, 1, 2, 3].map((ago) => field(nowMs - ago * DAY_MS).slice(0, 10));
    const times = this.about.household().lookingTimes;
    const past = days
      .flatMap((day) => times.map((time) => `${day}T${time}`))
      .map((value) => ({ value, ms: at(value) }))
      .filter(({ ms }) => ms < nowMs && ms >= this.sinceMs())
      .sort((a, b) => b.ms - a.ms)
      .slice(0, MOST);
    return [{ value: NOW, text: this.now() }, ...past.map(({ value, ms }) => ({ value, text: spoken(ms) }))];
  });

  constructor() {
    this.typed.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      this.typed.markAsTouched();
      if (value !== '' && this.typed.valid) this.at.set(value.slice(0, 16));
    });
    effect(() => {
      const at = this.at() ?? '';
      if (this.typed.valid && this.typed.value !== at) this.typed.setValue(at, { emitEvent: false });
    });
  }

  protected choose(value: string): void {
    this.at.set(value === NOW ? null : value);
    this.word().open.set(false);
  }
}
