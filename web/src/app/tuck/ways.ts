import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { debounceTime, filter, map, switchMap } from 'rxjs';
import { paneOf, methodOf } from '@fresh-tuck/core/method';
import type { Way, WaysQuestion } from '@fresh-tuck/core/sowing';
import { wayInWords, wayTo } from '@fresh-tuck/core/words';
import { ForecastService } from '../data/forecast/forecast.service';
import { Ground } from '../kit/ground';
import { TuckPlan } from './tuck-plan';

/** Ways that are shown before the rest is asked for. */
const FIRST = 3;

/** The ways to start this crop for where it is to stand, the best first, each with one reason and its figures. */
@Component({
  selector: 'ft-ways',
  imports: [Ground, MatButton, MatButtonToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows(); as rows) {
      <section aria-labelledby="ways">
        <h2 id="ways">
          Which way <span class="soft">for {{ plan.seeds() }} seeds, to the same stage</span>
        </h2>
        <mat-button-toggle-group class="choices" aria-labelledby="ways" hideSingleSelectionIndicator [value]="plan.method()">
          @for (row of shown(); track row.way.method) {
            <mat-button-toggle class="bare" [value]="row.way.method" (change)="plan.methodFixed.set(row.way.method)">
              <span class="way">
                <svg [attr.viewBox]="row.box" aria-hidden="true">
                  <svg:g
                    ftGround
                    [carrier]="row.carrier"
                    [medium]="plan.setup().medium"
                    [widthMm]="row.widthMm"
                    [heightMm]="row.heightMm"
                    [places]="3"
                  />
                </svg>
                <span
                  ><b>{{ row.name }}</b> <span class="why">{{ row.said.why }}</span>
                  <span class="soft figures">{{ row.said.figures }}</span>
                  @if (row.said.risk) {
                    <span class="waiting">{{ row.said.risk }}</span>
                  }
                </span>
              </span>
            </mat-button-toggle>
          }
        </mat-button-toggle-group>
        @if (rows.length > shown().length) {
          <button matButton="text" type="button" class="more" (click)="all.set(true)">
            {{ rows.length - shown().length }} more {{ rows.length - shown().length === 1 ? 'way' : 'ways' }}
          </button>
        }
      </section>
    }
  `,
  styleUrls: ['../kit/titled.scss', './ways.scss'],
})
export class Ways {
  private readonly forecasts = inject(ForecastService);
  protected readonly plan = inject(TuckPlan);

  protected readonly all = signal(false);
  /** The best few, and the one that is chosen. */
  protected readonly shown = computed(() =>
    (this.rows() ?? []).filter(({ way }, nth) => this.all() || nth < FIRST || way.method === this.plan.method()),
  );
  private readonly question = computed<WaysQuestion | null>(() => {
    const { plan } = this;
    const [crop, packet, seasons, start] = [plan.crop(), plan.chosen(), plan.seasons(), plan.start()];
    const spot = start?.spots.find(({ id }) => id === plan.spotId()) ?? start?.spots[0];
    if (!crop || !packet || !seasons || !start || !spot || crop.id !== packet.cropId) return null;
    return {
      crop,
      destination: plan.destination(),
      school: plan.school(),
      prepared: plan.prepared(),
      soaking: plan.soaking(),
      setup: plan.setup(),
      chillDays: plan.chillDays(),
      chilledDays: plan.chilledDays(),
      chillDry: plan.chillDry(),
      closure: plan.closure(),
      startMs: start.startMs,
      seeds: plan.seeds(),
      records: seasons.ways,
      rackId: plan.destination() === 'slot' ? plan.rackId() : null,
      handled: packet.handled,
      fates: packet.fates,
      spot,
    };
  });
  private readonly answered = toSignal(
    toObservable(this.question).pipe(
      filter((question) => question !== null),
      debounceTime(60),
      switchMap((question) => this.forecasts.ways(question).pipe(map((ways) => ({ question, ways })))),
    ),
  );
  protected readonly rows = computed(() => {
    const answer = this.answered();
    if (!answer) return null;
    const { question, ways } = answer;
    return ways.map((way: Way) => {
      const { widthMm, heightMm } = paneOf(methodOf(way.method), 3);
      return {
        way,
        carrier: methodOf(way.method).carrier,
        widthMm,
        heightMm,
        box: `0 0 ${widthMm} ${heightMm}`,
        name: wayTo(way, question.destination),
        said: wayInWords(way, question.crop, question.seeds),
      };
    });
  });
}
