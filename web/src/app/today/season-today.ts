import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { retry } from 'rxjs';
import { Changes } from '../data/transport/changes.service';
import { TodayApi } from './today.api';

/** What the season asks to be started this week. */
@Component({
  selector: 'ft-season-today',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (due().length > 0) {
      <section aria-labelledby="season-due">
        <h2 id="season-due"><a routerLink="/season">To be started this week</a></h2>
        <ul>
          @for (one of due(); track one.wishId) {
            <li>
              <a [routerLink]="['/season', one.wishId]" [class]="one.late ? 'trouble' : ''">{{ one.lead }}</a>
              <p class="soft">{{ one.text }}</p>
            </li>
          }
        </ul>
      </section>
    }
  `,
  styleUrl: './aside-list.scss',
})
export class SeasonToday {
  private readonly api = inject(TodayApi);
  private readonly all = toSignal(inject(Changes).keep(() => this.api.seasonDue().pipe(retry({ delay: 5000, count: 3 }))));
  protected readonly due = computed(() => this.all()?.due ?? []);
}
