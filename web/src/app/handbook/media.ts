import { ChangeDetectionStrategy, Component } from '@angular/core';
import { HandbookPage } from './page';

/** What seed is laid on. Doses as the worktop computes them for paper; the rest is common practice, no source. */
const MEDIA = [
  {
    name: 'Kitchen paper',
    water: 'Two and a half times its dry weight: about 5 ml for a sheet a hand wide and two plies thick.',
    read: 'Well against a lamp where one layer lies over the seed.',
    snag: 'Roots thread it within a day or two of “late”; it tears away wet.',
    use: 'Nearly everything that shows within three weeks.',
  },
  {
    name: 'Old sheet cloth',
    water: 'Two or more layers, wetted through and wrung until nothing drips.',
    read: 'Not through it: unfold to look.',
    snag: 'A close weave lets roots go; a loose one holds them.',
    use: 'Big seed, and whoever would rather boil than buy. Boil it between batches.',
  },
  {
    name: 'Cotton pads',
    water: 'Soaked and pressed flat: a pad holds twenty times its weight when dripping, which is too much.',
    read: 'From above only.',
    snag: 'Root hairs hook into the fluff: move at the first tip.',
    use: 'A handful of small seeds, one pad each variety.',
  },
  {
    name: 'Loose perlite or vermiculite',
    water: 'As much as it takes up without a puddle: about a third of its volume for perlite, half for vermiculite.',
    read: 'Hardly: shake out and look.',
    snag: 'Nothing to tear; grains come along and do no harm.',
    use: 'Weeks of chill, stones and nuts, roots that dislike being lifted.',
    caution: 'Damp it before you pour it and keep out of its dust.',
  },
  {
    name: 'A cup of water',
    water: 'Just covering the seed, changed daily.',
    read: 'At a glance.',
    snag: 'None. But seed under water drowns: the crop’s page says after how many hours.',
    use: 'Radish and other quick kinds. Never beans or peas.',
  },
] as const;

@Component({
  selector: 'ft-media',
  imports: [HandbookPage],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-handbook-page path="media">
      <p class="lead">
        Every seed must touch something wet and have air. The measure is a wrung sponge; whatever lies free in the fold is poured off.
      </p>
      @for (one of media; track one.name) {
        <section>
          <h2>{{ one.name }}</h2>
          <dl>
            <dt>Water</dt>
            <dd>{{ one.water }}</dd>
            <dt>Read unopened</dt>
            <dd>{{ one.read }}</dd>
            <dt>Roots in it</dt>
            <dd>{{ one.snag }}</dd>
            <dt>Good for</dt>
            <dd>{{ one.use }}</dd>
          </dl>
          @if ('caution' in one) {
            <p class="trouble">{{ one.caution }}</p>
          }
        </section>
      }
      <p class="soft foot">
        The dose for paper is that of laboratories’ rolled towels, 2.5 g of water to a gram of dry paper (common practice, no source): less
        for kinds that rot when wet, more in an open tray, and what the seeds themselves drink on top. Tuck in works it out in sprays and
        spoons. Bags are a suffocation risk to small children.
      </p>
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
      grid-template-columns: 200px minmax(0, 1fr);
      gap: 4px 28px;
      padding: 16px 0;
      border-bottom: 1px solid var(--hairline);
    }
    dl {
      display: grid;
      grid-template-columns: 130px minmax(0, 1fr);
      gap: 4px 16px;
      margin: 0;
    }
    dt {
      color: var(--ink-soft);
    }
    dd {
      margin: 0;
    }
    .trouble {
      grid-column: 2;
    }
    .foot {
      max-width: 76ch;
      margin-top: 16px;
    }
    @media (max-width: 860px) {
      section,
      dl {
        grid-template-columns: minmax(0, 1fr);
      }
      dd {
        margin-bottom: 6px;
      }
      .trouble {
        grid-column: 1;
      }
    }
  `,
})
export class Media {
  protected readonly media = MEDIA;
}
