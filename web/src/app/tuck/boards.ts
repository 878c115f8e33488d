import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { formatTemperature } from '@fresh-tuck/core/units';
import { comesInWords, PLACE_CAUTIONS, refusedInWords } from '@fresh-tuck/core/words';
import type { PlanAtSpot } from '../data/forecast/forecast.messages';
import { AboutService } from '../data/household/about.service';
import { Ribbon } from '../kit/ribbon';
import { TuckPlan } from './tuck-plan';

const DAY_MS = 86_400_000;

/** Every warm spot as a board with what the seed would do there; a touch puts it there. */
@Component({
  selector: 'ft-boards',
  imports: [MatButtonToggleModule, Ribbon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './boards.html',
  styleUrls: ['../kit/titled.scss', './boards.scss'],
})
export class Boards {
  private readonly about = inject(AboutService);
  protected readonly plan = inject(TuckPlan);

  /** What belongs to the place that it goes to. */
  protected readonly caution = computed(() => PLACE_CAUTIONS[this.plan.spot()?.kind ?? ''] ?? null);

  protected refused({ refused }: PlanAtSpot): string | null {
    const { units } = this.about.household();
    return refused && refusedInWords(refused, { temperature: (celsius) => formatTemperature(celsius, units) });
  }

  protected comes({ comes }: PlanAtSpot): string {
    return comesInWords(comes);
  }

  protected startBy({ back }: PlanAtSpot): string {
    const targetMs = this.plan.targetMs();
    const startByMs = back && targetMs !== null ? targetMs - back.daysBefore * DAY_MS : null;
    if (startByMs === null) return 'not in time';
    // A day that is past is no plan.
    return startByMs < this.about.nowMs() - DAY_MS / 2 ? 'late for it' : `by ${this.about.moments().dated(startByMs)}`;
  }
}
