import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FINDINGS } from '@fresh-tuck/core/judging';
import { FindingPicture } from '../kit/finding';
import { AboutService } from '../data/household/about.service';
import { HandbookPage } from './page';

const HARM = { none: 'harmless', mend: 'mend it', loss: 'act now' } as const;

/** Troubles and what they are not. */
@Component({
  selector: 'ft-troubles',
  imports: [FindingPicture, HandbookPage],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-handbook-page path="troubles">
      <p class="lead">
        Firm and unchanged in colour may still be alive. Mist first, then judge: what lies down is root hair, what stands up is mould. All
        of this is common practice.
      </p>
      @for (one of findings; track one.id) {
        <section [attr.aria-labelledby]="one.id">
          <ft-finding [of]="one.id" />
          <div>
            <h2 [id]="one.id">
              {{ one.seen }} <span class="harm" [class]="one.harm">{{ harm[one.harm] }}</span>
            </h2>
            <p>
              {{ one.sign }} <b>{{ about.told(one.means) }}</b>
            </p>
            <p class="soft">Easily confused with: {{ one.mistaken }}</p>
          </div>
          <div>
            <p>{{ one.todo }}</p>
            @if (one.caution) {
              <p class="trouble">{{ one.caution }}</p>
            }
          </div>
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
      grid-template-columns: 150px minmax(0, 1.1fr) minmax(0, 1fr);
      gap: 10px 28px;
      align-items: start;
      padding: 16px 0;
      border-bottom: 1px solid var(--hairline);
    }
    h2 {
      margin-bottom: 4px;
    }
    .harm {
      margin-left: 8px;
      font: 700 15px var(--text);
    }
    .none {
      color: var(--growth-word);
    }
    .mend {
      color: var(--waiting-word);
    }
    .loss {
      color: var(--trouble-word);
    }
    p + p {
      margin-top: 6px;
    }
    p.trouble {
      font-size: 15px;
    }
    @media (max-width: 860px) {
      section {
        grid-template-columns: 110px minmax(0, 1fr);
      }
      section > div:last-child {
        grid-column: 1 / -1;
      }
    }
  `,
})
export class Troubles {
  protected readonly about = inject(AboutService);
  protected readonly findings = FINDINGS;
  protected readonly harm = HARM;
}
