import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { SCHOOLS } from '@fresh-tuck/core/crops';
import { AboutService } from '../data/household/about.service';
import { HandbookPage } from './page';

/** Where growers differ: each question with a fair reason on every side. */
@Component({
  selector: 'ft-schools',
  imports: [HandbookPage],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-handbook-page path="schools">
      <p class="lead">
        All of these work in somebody’s kitchen. What we do unless a crop or you say otherwise stands first; a crop’s page says where it
        asks for something else.
      </p>
      @for (one of schools; track one.id) {
        <section>
          <h2>{{ one.question }}</h2>
          <ul>
            @for (choice of one.choices; track choice.id) {
              <li>
                <b [class.usual]="choice.id === one.usual">{{ about.told(choice.label) }}</b>
                @if (choice.id === one.usual) {
                  <span class="soft">our usual</span>
                }
                <br />{{ about.told(choice.reason) }}
              </li>
            }
          </ul>
        </section>
      }
    </ft-handbook-page>
  `,
  styles: `
    .lead {
      max-width: 70ch;
      margin: 10px 0 8px;
      font-size: 17px;
    }
    section {
      display: grid;
      grid-template-columns: 230px minmax(0, 1fr);
      gap: 8px 28px;
      padding: 14px 0;
      border-bottom: 1px solid var(--hairline);
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
      gap: 10px 26px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .usual {
      color: var(--growth-word);
    }
    @media (max-width: 860px) {
      section,
      ul {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class Schools {
  protected readonly about = inject(AboutService);
  /** Our usual first. */
  protected readonly schools = SCHOOLS.map((one) => ({
    ...one,
    choices: [...one.choices].sort((a, b) => Number(b.id === one.usual) - Number(a.id === one.usual)),
  }));
}
