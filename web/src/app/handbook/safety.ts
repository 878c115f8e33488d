import { ChangeDetectionStrategy, Component } from '@angular/core';
import { HandbookPage } from './page';

/** Usual safe practice. Each caution also stands in the screens where its hazard is. */
const CAUTIONS = [
  {
    id: 'mats',
    name: 'Heat mats',
    text: [
      'Run a mat on a thermostat and from an outlet with a residual-current device (RCD, GFCI).',
      'Plug and controller stay dry and out of the tray. Never rest damp bags on powered electronics or over their vents.',
      'Do not fold a mat, cover it with thick bedding or run it under anything that burns unless its maker allows it.',
    ],
  },
  {
    id: 'heaters',
    name: 'Water heaters and boilers',
    text: ['Keep bags clear of burners, flues, vents and relief valves, and keep the clearances that the maker and the local code set.'],
  },
  {
    id: 'peroxide',
    name: 'Peroxide',
    text: [
      'Household strength only, 3 %. Anything stronger burns skin and eyes and feeds fire.',
      'Never together with vinegar or bleach. Label the bottle. Gloves, and something over the eyes.',
    ],
  },
  {
    id: 'mould',
    name: 'Mould',
    text: [
      'Open a mouldy bag outdoors or by a window and do not sniff at it. Bag what you take out, and bin it.',
      'Whoever has asthma or a weak immune system leaves it to someone else.',
    ],
  },
  {
    id: 'blades',
    name: 'Blades and files',
    text: [
      'Nick away from your fingers. Hold the seed in pliers or a folded cloth, never between finger and thumb.',
      'A cut-resistant glove for hard seed and stones.',
    ],
  },
  {
    id: 'dressed',
    name: 'Dressed seed',
    text: ['Dyed or coated seed may carry pesticide: gloves, no eating near it, out of reach of animals, wash your hands afterwards.'],
  },
  {
    id: 'eating',
    name: 'Sprouts here are for planting, never for eating',
    text: [
      'Warm damp seed breeds bacteria, and nothing here is kept as food is.',
      'Raw kidney beans are toxic. Castor bean, sweet pea, foxglove, morning glory, lupin and many other ornamentals are poisonous in every part.',
    ],
  },
  {
    id: 'peppers',
    name: 'Hot peppers',
    text: ['The seed burns skin and eyes. Gloves, and nothing near the face until they are off.'],
  },
  {
    id: 'mixes',
    name: 'Mixes',
    text: [
      'Damp perlite, bone meal and compost before you stir them, and keep out of the dust.',
      'Gloves, and wash your hands: compost can carry Legionella.',
    ],
  },
  { id: 'pesticides', name: 'Neem and other pesticides', text: ['The label is the law.'] },
  { id: 'lights', name: 'Lights', text: ['Keep lamps off wet leaves, and eyes off bare ultraviolet and very bright LEDs.'] },
  { id: 'bags', name: 'Bags', text: ['A plastic bag is a suffocation risk to small children.'] },
  {
    id: 'regulated',
    name: 'Invasive and regulated plants',
    text: ['Look at the local lists before you sow, save or give away; a crop’s page says where we know of one.'],
  },
] as const;

@Component({
  selector: 'ft-safety',
  imports: [HandbookPage],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-handbook-page path="safety">
      <p class="lead">
        Usual safe practice. The maker’s instructions, the label and the local code come before anything written here, and wiring belongs to
        a licensed electrician.
      </p>
      @for (one of cautions; track one.id) {
        <section [attr.aria-labelledby]="one.id">
          <h2 [id]="one.id">{{ one.name }}</h2>
          <div>
            @for (line of one.text; track line) {
              <p>{{ line }}</p>
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
      grid-template-columns: 260px minmax(0, 70ch);
      gap: 4px 28px;
      padding: 13px 0;
      border-bottom: 1px solid var(--hairline);
    }
    h2 {
      color: var(--trouble-word);
      line-height: 1.3;
    }
    @media (max-width: 860px) {
      section {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class Safety {
  protected readonly cautions = CAUTIONS;
}
