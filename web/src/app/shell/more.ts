import { ChangeDetectionStrategy, Component, inject, Injector } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { AboutService } from '../data/household/about.service';

/** On a phone: the rooms that the foot of the screen has no place for. */
@Component({
  selector: 'ft-more',
  imports: [MatButton, RouterLink],
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
          <button matButton="text" type="button" class="quiet" (click)="find()">Find</button>
          <p class="soft">Every packet, batch, seedling and crop by its name or number.</p>
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
          <a routerLink="/season">Season</a>
          <p class="soft">The year between the frosts: what to start when, and where it will not fit.</p>
        </li>
        <li>
          <a routerLink="/notebook">Notebook</a>
          <p class="soft">What you tried and what came of it; the Handbook with every crop, trouble and caution.</p>
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
    a,
    .quiet {
      display: flex;
      align-items: center;
      min-height: 48px;
      font: 700 19px var(--heading);
    }
  `,
})
export class More {
  private readonly injector = inject(Injector);
  protected readonly about = inject(AboutService);

  /** The find box comes when it is asked for, and not before. */
  protected find(): void {
    void import('../find/open-find').then(({ openFind }) => openFind(this.injector));
  }
}
