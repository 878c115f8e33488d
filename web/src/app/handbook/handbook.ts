import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { CropSummary } from '@fresh-tuck/contract';

import { Changes } from '../data/transport/changes.service';
import { FindingPicture } from '../kit/finding';
import { PAGES } from './pages';
import { HouseholdApi } from '../data/household/household.api';

/** The Handbook’s first page: the general pages, and every crop by its family. */
@Component({
  selector: 'ft-handbook',
  imports: [FindingPicture, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <p class="soft">Handbook</p>
      <h1>What this house knows about seed</h1>
      <div class="columns">
        <section aria-labelledby="general">
          <h2 id="general" class="unseen">General pages</h2>
          <ul class="pages">
            @for (page of pages; track page.path) {
              <li>
                <a [routerLink]="['/notebook/handbook', page.path]">{{ page.title }}</a>
                <p class="soft">{{ page.about }}</p>
              </li>
            }
          </ul>
          <ft-finding class="picture" of="hair" />
          <p class="soft">Down close round a root, gone under a mist: root hair, not mould.</p>
        </section>
        <section aria-labelledby="crops">
          <h2 id="crops">{{ crops().length }} crops, by family</h2>
          @for (family of families(); track family.name) {
            <div class="family">
              <h3>{{ family.name }}</h3>
              <p>
                @for (crop of family.crops; track crop.id; let last = $last) {
                  <a [routerLink]="['/crop', crop.id]">{{ crop.name }}</a>{{
                    crop.added ? ' (your own)' : crop.changed ? ' (your figures)' : ''
                  }}{{ last ? '' : ' · ' }}
                }
              </p>
            </div>
          } @empty {
            <p class="soft" role="status">Fetching the library…</p>
          }
        </section>
      </div>
    </div>
  `,
  styles: `
    .columns {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.7fr);
      gap: 30px 56px;
      margin-top: 22px;
    }
    .pages {
      margin: 0 0 26px;
      padding: 0;
      list-style: none;
    }
    .pages li {
      padding: 11px 0;
      border-bottom: 1px solid var(--hairline);
    }
    .pages a {
      font: 700 19px var(--heading);
    }
    .picture {
      max-width: 200px;
      margin-bottom: 6px;
    }
    .family {
      display: grid;
      grid-template-columns: 150px minmax(0, 1fr);
      gap: 4px 18px;
      padding: 7px 0;
      border-bottom: 1px solid var(--hairline);
    }
    .family p {
      line-height: 1.75;
    }
    h3 {
      font: 400 15px/1.75 var(--text);
      color: var(--ink-soft);
      letter-spacing: 0;
    }
    @media (max-width: 860px) {
      .columns,
      .family {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class Handbook {
  private readonly api = inject(HouseholdApi);
  protected readonly pages = PAGES;
  protected readonly crops = toSignal(
    inject(Changes).keep(() => this.api.crops()),
    { initialValue: [] },
  );
  protected readonly families = computed(() => {
    const byFamily = new Map<string, CropSummary[]>();
    for (const crop of this.crops()) byFamily.set(crop.family, [...(byFamily.get(crop.family) ?? []), crop]);
    return [...byFamily].map(([name, crops]) => ({ name, crops })).sort((a, b) => a.name.localeCompare(b.name));
  });
}
