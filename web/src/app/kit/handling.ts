import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Crop } from '@fresh-tuck/core/crops';
import { handlingInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';

/** What a crop asks of whoever handles it: poison and what burns in the colour of a caution. */
@Component({
  selector: 'ft-handling',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (handling(); as handling) {
      @if (handling.strong || !onlyStrong()) {
        <p [class]="handling.strong ? 'trouble' : 'soft'">{{ handling.text }}</p>
      }
    }
  `,
  styles: `
    p {
      margin: 6px 0 0;
    }
  `,
})
export class Handling {
  private readonly about = inject(AboutService);
  readonly crop = input.required<Crop>();
  /** Where the hands are at work: nothing but what the seed itself does to them. */
  readonly onlyStrong = input(false);
  protected readonly handling = computed(() => handlingInWords(this.crop(), this.about.household().units));
}
