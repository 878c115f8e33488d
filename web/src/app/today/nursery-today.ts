import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { retry } from 'rxjs';
import { Changes } from '../data/transport/changes.service';
import { NurseryApi } from '../nursery/nursery.api';

/** What the nursery asks for today, by its hour. */
@Component({
  selector: 'ft-nursery-today',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (tasks().length > 0) {
      <section aria-labelledby="nursed">
        <h2 id="nursed"><a routerLink="/nursery">In the nursery</a></h2>
        <ul>
          @for (task of tasks(); track task.kind + task.trayIds[0] + task.spotId + task.lead) {
            <li>
              <b class="when">{{ task.when }}</b>
              <span [class]="task.tone === 'trouble' ? 'trouble' : ''">{{ task.lead }}</span>
            </li>
          }
        </ul>
      </section>
    }
  `,
  styleUrl: './aside-list.scss',
  styles: `
    li {
      display: grid;
      grid-template-columns: 64px minmax(0, 1fr);
      gap: 2px 10px;
    }
    .when {
      font-size: 14px;
      line-height: 24px;
    }
  `,
})
export class NurseryToday {
  private readonly api = inject(NurseryApi);
  private readonly all = toSignal(inject(Changes).keep(() => this.api.nursery().pipe(retry({ delay: 5000, count: 3 }))));
  protected readonly tasks = computed(() => this.all()?.tasks.filter(({ today }) => today) ?? []);
}
