import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Crop } from '@fresh-tuck/core/crops';
import { FindingPicture, type FindingDrawing } from '../kit/finding';

interface LookAlike {
  readonly of: FindingDrawing;
  readonly name: string;
  readonly text: string;
}

/** Kinds whose seed wraps itself in jelly when wet. Common practice, no source. */
const JELLY = ['basil', 'sage', 'rocket', 'mustard', 'summer-savory', 'lemon-balm', 'marjoram', 'thyme'];
/** Shorter seed than this is mistaken for what the paper sheds, mm. */
const TINY_MM = 2;

/** The first sign of a crop beside what it is mistaken for, chosen by what the seed is like. */
export function lookAlikes(crop: Crop): LookAlike[] {
  const tiny = crop.seed.lengthMm < TINY_MM;
  const coated = crop.preparation.steps.some((step) => step === 'nick' || step === 'soak' || step === 'file');
  const result: LookAlike[] = [
    crop.moving.firstSign === 'green_speck'
      ? { of: 'speck', name: 'The first sign', text: 'A green speck: on the surface the leaf is seen before the root.' }
      : { of: 'nib', name: 'The first sign', text: 'A white nib at the narrow end, firm and a little pointed.' },
  ];
  if (JELLY.includes(crop.id))
    result.push({ of: 'gel', name: 'Jelly', text: 'A clear coat of jelly within minutes of wetting. Nothing has sprouted yet.' });
  if (coated || crop.seed.lengthMm >= 6)
    result.push({
      of: 'split',
      name: 'A split coat',
      text: 'It has drunk and its coat gave way. Pale inside, nothing coming out: not yet.',
    });
  if (tiny) result.push({ of: 'lint', name: 'A paper fibre', text: 'Dry, even, and it blows away. A root stays on its seed.' });
  result.push({ of: 'hair', name: 'Root hair', text: 'Down close round a root, gone under a mist: it is drinking.' });
  result.push({ of: 'mould', name: 'Mould', text: 'Threads over paper and coats alike, with dots on their ends.' });
  return result;
}

@Component({
  selector: 'ft-first-sign',
  imports: [FindingPicture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      @for (one of all(); track one.of) {
        <li>
          <ft-finding [of]="one.of" />
          <p>
            <b>{{ one.name }}.</b> {{ one.text }}
          </p>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
      gap: 14px 22px;
      margin: 8px 0 0;
      padding: 0;
      list-style: none;
    }
    p {
      margin-top: 6px;
      font-size: 14px;
      line-height: 1.4;
    }
    @media (max-width: 720px) {
      li {
        display: grid;
        grid-template-columns: 104px 1fr;
        gap: 14px;
        align-items: center;
      }
      ul {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class FirstSign {
  readonly crop = input.required<Crop>();
  protected readonly all = computed(() => lookAlikes(this.crop()));
}
