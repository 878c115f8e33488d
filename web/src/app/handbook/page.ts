import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { PAGES } from './pages';

/** The frame of a general page: its title, and the way to its neighbours. */
@Component({
  selector: 'ft-handbook-page',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <article class="page">
      <p class="soft"><a routerLink="/notebook/handbook">Handbook</a></p>
      <h1>{{ here().title }}</h1>
      <ng-content />
      @if (next(); as page) {
        <p class="next">
          Next: <a [routerLink]="['/notebook/handbook', page.path]">{{ page.title }}</a>
        </p>
      }
    </article>
  `,
  styles: `
    .next {
      margin-top: 30px;
      padding-top: 16px;
      border-top: 1px solid var(--hairline);
    }
  `,
})
export class HandbookPage {
  readonly path = input.required<(typeof PAGES)[number]['path']>();
  private readonly index = computed(() => PAGES.findIndex(({ path }) => path === this.path()));
  protected readonly here = computed(() => PAGES[this.index()] ?? PAGES[0]);
  protected readonly next = computed(() => PAGES[(this.index() + 1) % PAGES.length]);
}
