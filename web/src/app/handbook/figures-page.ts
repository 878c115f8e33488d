import { ChangeDetectionStrategy, Component } from '@angular/core';
import { HandbookPage } from './page';

const TABLES = [
  [
    'How fast seed comes at each temperature',
    'J. F. Harrington and P. A. Minges, Vegetable Seed Germination, University of California (1954): days to emergence and normal seedlings of 24 vegetables. The curves are beta responses after Yan and Hunt, Annals of Botany 84 (1999).',
  ],
  [
    'How many come in heat and cold',
    'Harrington and Minges again (1954); Gray, J. Horticultural Science 50 (1975); Carpenter and Boucher, HortScience 26 and 27 (1991, 1992); a relative’s figures or a guess elsewhere, as the crop’s page says.',
  ],
  [
    'Chill, hard coats and frost',
    'Woody Plant Seed Manual, USDA Agriculture Handbook 727 (2008); ISTA, International Rules for Seed Testing; Thompson and Kelly, Vegetable Crops (1957); common practice.',
  ],
  ['Base temperatures', 'J. F. Bierhuizen and W. A. Wagenvoort, Scientia Horticulturae 2 (1974).'],
  [
    'Temperature, depth and weeks in handbooks',
    'Knott’s Handbook for Vegetable Growers, with tables after Harrington and after C. S. Vavrina; planting depths near USDA Home and Garden Bulletin 202.',
  ],
  ['Least share of live seed that may be sold', 'US Federal Seed Act regulations, 7 CFR 201.31; seeds in a gram, 7 CFR 201.46.'],
  [
    'How long seed keeps',
    'Harrington’s list in Knott’s Handbook, and his rule that each 5 °C (9 °F) or each one per cent of moisture halves it.',
  ],
  ['Laboratory tests', 'ISTA, International Rules for Seed Testing: temperatures, counting days, tolerances of replicates.'],
  [
    'How fast a towel dries',
    'Vapour pressure by FAO Irrigation and Drainage Paper 56 (1998), equation 11; the loss itself is a rule of thumb that your own bags correct.',
  ],
] as const;

const TRUST = [
  ['from tables', 'A published table says it for this crop. The tables were written down from memory, with their sources named.'],
  ['fairly sure', 'Handbooks and growers agree within a little, or you set it yourself.'],
  ['a guess', 'Taken from a relative, or from what is usual. The forecast is made wider by it, never narrower.'],
] as const;

/** Where the figures come from, and what each is worth. */
@Component({
  selector: 'ft-figures-page',
  imports: [HandbookPage],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-handbook-page path="figures">
      <p class="lead">
        A wide figure that says so is better than a narrow one that only looks sure. Every group of figures on a crop’s page names its
        source and how far it is trusted, and your own finished batches take over as they come in.
      </p>
      <h2>How far to trust a figure</h2>
      <dl>
        @for (one of trust; track one[0]) {
          <dt>{{ one[0] }}</dt>
          <dd>{{ one[1] }}</dd>
        }
      </dl>
      <h2>Published tables</h2>
      <dl>
        @for (one of tables; track one[0]) {
          <dt>{{ one[0] }}</dt>
          <dd>{{ one[1] }}</dd>
        }
      </dl>
      <h2>What nobody has published for a kitchen towel</h2>
      <p class="say">
        Most tables are of seed in soil. A tip on a damp towel comes earlier than the seedling above ground: by a factor that each crop’s
        page states, from about a third for peas to nearly one for spinach and the melon kin (common practice, no source). How fast roots
        grow and at what length they enter paper is a guess for nearly every kind; measuring a few roots corrects it for the batch.
      </p>
      <h2>How sure a forecast is</h2>
      <p class="say">
        A stretch “with 8 chances in 10” was tried on simulated packets that do not follow our own law: late, mixed, dead, at a wrong
        temperature. It held about as often as it says. A chance is given as a count out of ten, so that nobody reads a promise into it.
      </p>
    </ft-handbook-page>
  `,
  styles: `
    .lead,
    .say {
      max-width: 74ch;
    }
    .lead {
      margin: 10px 0 8px;
      font-size: 17px;
    }
    h2 {
      margin: 22px 0 8px;
    }
    dl {
      display: grid;
      grid-template-columns: 260px minmax(0, 74ch);
      gap: 8px 28px;
      margin: 0;
    }
    dt {
      font-weight: 700;
    }
    dd {
      margin: 0;
    }
    @media (max-width: 860px) {
      dl {
        grid-template-columns: minmax(0, 1fr);
        gap: 2px;
      }
      dd {
        margin-bottom: 10px;
      }
    }
  `,
})
export class FiguresPage {
  protected readonly tables = TABLES;
  protected readonly trust = TRUST;
}
