import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { TrialInShort } from '@fresh-tuck/contract';
import { capital, listed, numberWord } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { Changes } from '../data/transport/changes.service';
import { PAGES } from './pages';

/** The open notebook: trials on the one page, what else it holds on the other. */
@Component({
  selector: 'ft-notebook',
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page wide">
      <header>
        <div>
          <p class="soft">Notebook</p>
          <h1>{{ lead() }}</h1>
        </div>
        @if (ready(); as trial) {
          <a matButton="filled" class="do" [routerLink]="['/notebook/trials', trial.id]"
            >{{ trial.state === 'closed' ? 'Read' : 'Lay' }} {{ trial.name }}</a
          >
        } @else {
          <a matButton="filled" class="do" routerLink="/notebook/trials/plan">Plan a trial</a>
        }
      </header>
      <div class="open">
        <section aria-labelledby="trials">
          <h2 id="trials">Trials</h2>
          <ul>
            @for (trial of trials(); track trial.id) {
              <li>
                <a [routerLink]="['/notebook/trials', trial.id]">{{ trial.read ?? trial.name }}</a>
                <p class="soft">{{ about(trial) }}</p>
              </li>
            } @empty {
              <li class="empty">
                Two lots that differ in one thing tell more than ten that differ in five. Lay half of a packet one way and half another,
                side by side, and write down here what came of it.
              </li>
            }
          </ul>
          <p class="acts">
            @if (ready()) {
              <a matButton="outlined" class="plain" routerLink="/notebook/trials/plan">Plan a trial</a>
            }
            <a matButton="outlined" class="plain" routerLink="/notebook/trials/compare">Compare what is over</a>
          </p>
        </section>
        <section aria-labelledby="pages">
          <h2 id="pages">Its other pages</h2>
          <ul>
            @for (page of pages; track page.link) {
              <li>
                <a [routerLink]="page.link">{{ page.title }}</a>
                <p class="soft">{{ page.about }}</p>
              </li>
            }
          </ul>
        </section>
      </div>
    </div>
  `,
  styles: `
    header {
      display: flex;
      flex-wrap: wrap;
      gap: 12px 28px;
      align-items: flex-end;
      justify-content: space-between;
    }
    header > div {
      flex: 1 1 420px;
    }
    .open {
      display: grid;
      grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
      margin-top: 24px;
      border-top: 2px solid var(--ink);
    }
    section {
      padding: 18px 0 8px;
    }
    section:first-child {
      padding-right: 44px;
    }
    /* The fold of the open book. */
    section + section {
      padding-left: 44px;
      border-left: 1.5px dashed var(--edge);
    }
    ul {
      margin: 8px 0 18px;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 11px 0;
      border-bottom: 1px solid var(--hairline);
    }
    li a {
      font: 700 19px/1.3 var(--heading);
    }
    .empty {
      max-width: 54ch;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
    @media (max-width: 860px) {
      .open {
        grid-template-columns: minmax(0, 1fr);
      }
      section:first-child {
        padding-right: 0;
      }
      section + section {
        padding-left: 0;
        border-left: 0;
        border-top: 1.5px dashed var(--edge);
      }
    }
  `,
})
export class NotebookScreen {
  private readonly api = inject(HouseholdApi);
  private readonly household = inject(AboutService);
  protected readonly pages = PAGES;
  protected readonly trials = toSignal(
    inject(Changes).keep(() => this.api.trials()),
    { initialValue: [] },
  );
  /** The trial that waits for somebody: to be read, else to be laid. */
  protected readonly ready = computed(() => {
    const of = (wanted: TrialInShort['state']): TrialInShort | undefined => this.trials().find(({ state }) => state === wanted);
    return of('closed') ?? of('planned') ?? null;
  });
  protected readonly lead = computed(() => {
    const many = (wanted: TrialInShort['state'], one: string, more: string): string | null => {
      const count = this.trials().filter(({ state }) => state === wanted).length;
      return count === 0 ? null : `${capital(numberWord(count))} ${count === 1 ? one : more}`;
    };
    return (
      many('closed', 'trial is over, to be read', 'trials are over, to be read') ??
      many('planned', 'trial is planned, to be laid', 'trials are planned, to be laid') ??
      many('running', 'trial is under way', 'trials are under way') ??
      many('read', 'trial written down', 'trials written down') ??
      'What have you wondered about?'
    );
  });

  protected about({ name, state, read, arms, fromMs }: TrialInShort): string {
    const numbers = arms.flatMap(({ numbers: own }) => own);
    const since = fromMs === null ? '' : `, ${this.household.moments().dated(fromMs)}`;
    const sides = arms.map((arm) => arm.name.toLowerCase()).join(' against ');
    const lot = numbers.length === 0 ? sides : `${sides}: ${listed(numbers.map(String))}${since}`;
    if (read !== null) return `${name} · ${lot}`;
    const stands = { planned: 'planned, nothing laid yet', running: 'under way', closed: 'over, not read yet', read: '' }[state];
    return `${capital(stands)} · ${lot}`;
  }
}
