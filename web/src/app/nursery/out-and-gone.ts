import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, input, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { v7 as uuid } from 'uuid';
import type { Seedling } from '@fresh-tuck/contract';
import type { NurseryGroup } from '@fresh-tuck/contract/choices';
import { nextStage } from '@fresh-tuck/core/nursing';
import { SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { Notice } from '../data/household/notice.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { NurseryApi } from './nursery.api';
import { NurseryService } from './nursery.service';

const GROUPS = ['planted_out', 'ripe', 'harvested', 'gone'] as const satisfies readonly NurseryGroup[];
type Group = (typeof GROUPS)[number];

/** What has left the nursery: planted out, ripe, harvested; and what was lost or given. Years of it, shown when asked for. */
@Component({
  selector: 'ft-out-and-gone',
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (out() + gone() > 0) {
      <details (toggle)="open.set($any($event.target).open)">
        <summary>{{ title() }}</summary>
        @for (group of groups; track group) {
          @let found = shown()[group];
          @if (found && found.count > 0) {
            <h3>
              {{ group === 'gone' ? 'Lost or given' : words[group].title }} <span class="soft">{{ found.count }}</span>
            </h3>
            <ul>
              @for (one of found.seedlings; track one.number) {
                <li>
                  <b class="number">{{ one.number }}</b>
                  <p>
                    <a [routerLink]="['/seedling', one.number]">{{ one.title }}</a>&ngsp;<span class="soft">{{
                      one.gone ? last(one) : (one.bedName ?? one.destination)
                    }}</span>
                  </p>
                  @if (next(one); as stage) {
                    <button matButton="outlined" type="button" class="choice" (click)="service.stage([one.number], stage)">
                      {{ words[stage].title }}<span class="unseen">: label {{ one.number }}</span>
                    </button>
                  }
                  @if (one.events.length > 0) {
                    <button matButton="text" type="button" class="quiet" (click)="undo(one)">
                      Undo<span class="unseen"> label {{ one.number }}: {{ last(one) }}</span>
                    </button>
                  }
                </li>
              }
            </ul>
            @if (found.count > found.seedlings.length) {
              <button matButton="text" type="button" class="quiet more" (click)="more(group)">
                Show more of the {{ found.count }}<span class="unseen">: {{ group }}</span>
              </button>
            }
          }
        }
      </details>
    }
  `,
  styles: `
    details {
      margin-top: 26px;
    }
    summary {
      min-height: 48px;
      font-weight: 700;
      line-height: 48px;
      cursor: pointer;
    }
    h3 {
      margin-top: 12px;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 52px minmax(0, 1fr) auto auto;
      gap: 4px 12px;
      align-items: center;
      padding: 7px 0;
      border-bottom: 1px solid var(--hairline);
    }
    .number {
      font: 800 20px var(--heading);
    }
  `,
})
export class OutAndGone {
  private readonly api = inject(NurseryApi);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly service = inject(NurseryService);
  readonly out = input.required<number>();
  readonly gone = input.required<number>();
  protected readonly groups = GROUPS;
  protected readonly words = SEEDLING_WORDS;
  protected readonly open = signal(false);
  protected readonly shown = signal<Partial<Record<Group, { count: number; seedlings: readonly Seedling[] }>>>({});

  protected title(): string {
    return [this.out() > 0 ? `${this.out()} planted out` : '', this.gone() > 0 ? `${this.gone()} harvested, lost or given` : '']
      .filter(Boolean)
      .join(', ');
  }

  constructor() {
    // Fetched when somebody looks, and again when something was said meanwhile.
    effect(() => {
      this.service.all();
      if (this.open()) untracked(() => GROUPS.forEach((group) => this.fetch(group, 0)));
    });
  }

  protected next({ stage, gone }: Seedling) {
    return gone === null ? nextStage(stage) : null;
  }
  protected last = ({ events }: Seedling): string => events.at(-1)?.inWords ?? '';

  protected more(group: Group): void {
    this.fetch(group, this.shown()[group]?.seedlings.length ?? 0);
  }

  protected undo({ number, events }: Seedling): void {
    const entryId = events.at(-1)?.id;
    if (entryId !== undefined)
      this.api
        .undo(number, { id: uuid(), entryId })
        .subscribe({ error: (problem: ApiProblem) => void this.notice.say(problem.message, 'Close') });
  }

  private fetch(group: Group, from: number): void {
    this.api
      .page(group, from)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe(({ count, seedlings }) =>
        this.shown.update((all) => ({
          ...all,
          [group]: { count, seedlings: from === 0 ? seedlings : [...(all[group]?.seedlings ?? []), ...seedlings] },
        })),
      );
  }
}
