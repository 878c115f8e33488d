import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { AboutService } from '../data/household/about.service';

/** On a phone: the rooms that the foot of the screen has no place for. */
@Component({
  selector: 'ft-more',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <h1>More of {{ about.household().name }}</h1>
      <ul>
        <li>
          <a routerLink="/scan">Read a label</a>
          <p class="soft">Its code leads to the parcel, the seedling or the packet.</p>
        </li>
        <li>
          <a routerLink="/sitting">A sitting</a>
          <p class="soft">Many packets in one evening: one list, labels first, then one after another.</p>
        </li>
        <li>
          <a routerLink="/nursery">Nursery</a>
          <p class="soft">Every moved sprout by its label: up, lost, given.</p>
        </li>
        <li>
          <a routerLink="/handbook">Handbook</a>
          <p class="soft">Every crop’s page, troubles, media, cautions.</p>
        </li>
        <li>
          <a routerLink="/house">House</a>
          <p class="soft">Warm spots and thermometers, looking times, units, your data.</p>
        </li>
      </ul>
    </div>
  `,
  styles: `
    ul {
      margin: 14px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      border-bottom: 1px solid var(--hairline);
      padding: 8px 0 12px;
    }
    a {
      display: flex;
      align-items: center;
      min-height: 48px;
      font: 700 19px var(--heading);
    }
  `,
})
export class More {
  protected readonly about = inject(AboutService);
}
