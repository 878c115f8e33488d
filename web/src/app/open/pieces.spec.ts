import { MAT_BOTTOM_SHEET_DATA, MatBottomSheetRef } from '@angular/material/bottom-sheet';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { SeedMark } from '@fresh-tuck/core/parcel';
import { SEED_STAGES } from '@fresh-tuck/core/parcel';
import { parcel } from '@fresh-tuck/core/testing';
import { STAGE_WORDS } from '@fresh-tuck/core/words';
import { aBatch, problem, show } from '../testing/house';
import { Keys } from './keys';
import { Legend } from './legend';
import { Peek } from './peek';
import { smallPicture } from '../kit/photo';
import { SeedSheet, type SeedSheetData } from './seed-sheet';

describe('one seed’s sheet', () => {
  let kept: (SeedMark | undefined)[] = [];
  async function sheet(data: Partial<SeedSheetData> = {}) {
    kept = [];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: MAT_BOTTOM_SHEET_DATA, useValue: { seed: 4, stage: 'root', rootMm: 12, units: 'metric', ...data } },
        { provide: MatBottomSheetRef, useValue: { dismiss: (mark?: SeedMark) => kept.push(mark) } },
      ],
    });
    const fixture = TestBed.createComponent(SeedSheet);
    await fixture.whenStable();
    const root = fixture.nativeElement as HTMLElement;
    const click = async (text: string): Promise<void> => {
      const button = [...root.querySelectorAll('button')].find((one) => one.textContent?.trim() === text);
      if (!button) return fail(`no ${text}`);
      button.click();
      await fixture.whenStable();
    };
    const type = async (text: string): Promise<void> => {
      const field = root.querySelector('input');
      if (!field) return fail('no length');
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    return { root, click, type };
  }

  it('offers every stage, and a length only where there is a root', async () => {
    const { root, click } = await sheet();
    expect([...root.querySelectorAll('.stages button')].map((one) => one.textContent?.trim())).toEqual(
      SEED_STAGES.map((stage) => STAGE_WORDS[stage]),
    );
    expect(root.querySelector('[aria-checked=true]')?.textContent?.trim()).toBe('root');
    expect(root.querySelector('input')).not.toBeNull();
    await click('quiet');
    expect(root.querySelector('input')).toBeNull();
  });

  it('keeps what was chosen with its length in millimetres, in inches too', async () => {
    const { click, type } = await sheet({ units: 'us' });
    await type('1/2 in');
    await click('leaves open');
    await click('Mark seed 4');
    expect(kept).toEqual([{ seed: 4, stage: 'leaves', rootMm: 12.7 }]);
  });

  it('asks a length that is none back, and keeps nothing meanwhile', async () => {
    const { root, click, type } = await sheet();
    for (const text of ['long', '4000']) {
      await type(text);
      await click('Mark seed 4');
      expect(root.textContent).toContain('A root length is a number up to 400 mm, like 12, 12 mm or 1/2 in.');
    }
    expect(kept).toEqual([]);
    await type('');
    await click('Mark seed 4');
    expect(kept).toEqual([{ seed: 4, stage: 'root', rootMm: null }]);
  });

  it('forgets the length of a seed that has none', async () => {
    const { click } = await sheet();
    await click('rotten');
    await click('Mark seed 4');
    expect(kept).toEqual([{ seed: 4, stage: 'rotten', rootMm: null }]);
  });
});

describe('a picture of a look', () => {
  const drawn = async (width: number, height: number): Promise<File> => {
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')?.fillRect(0, 0, width, height);
    return new File([await canvas.convertToBlob({ type: 'image/png' })], 'towel.png', { type: 'image/png' });
  };
  const sizeOf = async (picture: Blob): Promise<[number, number]> => {
    const { width, height } = await createImageBitmap(picture);
    return [width, height];
  };

  it('is made small by its longer side, and left as it is where it is small', async () => {
    const large = await smallPicture(await drawn(4000, 1000));
    expect([large.type, await sizeOf(large)]).toEqual(['image/jpeg', [1600, 400]]);
    expect(await sizeOf(await smallPicture(await drawn(300, 500)))).toEqual([300, 500]);
  });

  it('is refused in a sentence where it is none', async () => {
    await expectAsync(smallPicture(new File(['Dear diary'], 'diary.png', { type: 'image/png' }))).toBeRejectedWithError(
      /no picture: a JPEG, PNG or WebP is/,
    );
  });
});

describe('the demo’s look into the bag', () => {
  const batch = aBatch(parcel('okra', 4, 27));
  const lengthText = (mm: number): string => `${mm} mm`;

  it('shows what truly lies there only when it is asked for, and folds it again', async () => {
    const truth = {
      seeds: batch.answers.state.seeds.map(({ seed }) => ({ seed, stage: seed < 3 ? 'root' : 'quiet', rootMm: seed < 3 ? 9 : null })),
      damp: 'damp',
    };
    const screen = await show(Peek, { 'GET demo/parcels/b1': truth }, { batch, lengthText });
    expect(screen.asked.some(({ path }) => path.startsWith('demo'))).toBeFalse();
    await screen.click(/what lies in the bag/);
    expect(screen.all('ft-towel').length).toBe(1);
    expect(screen.text).toContain('9 mm');
    await screen.click(/fold it again/);
    expect(screen.all('ft-towel').length).toBe(0);
  });

  it('shows nothing where there is no such bag', async () => {
    const screen = await show(Peek, { 'GET demo/parcels/b1': problem(404, 'none') }, { batch, lengthText });
    await screen.click(/what lies in the bag/);
    expect(screen.all('ft-towel').length).toBe(0);
  });
});

describe('the legend and the keys', () => {
  it('name every shape that is drawn', async () => {
    const screen = await show(Legend, {});
    expect(screen.all('li').map((one) => one.textContent?.trim())).toEqual([...SEED_STAGES.map((stage) => STAGE_WORDS[stage]), 'moved']);
  });

  it('name every key that does something', async () => {
    const screen = await show(Keys, {});
    for (const key of ['M', 'O · T', 'N', 'D', 'U', 'S', 'Ctrl Enter', '/'])
      expect(screen.all('dt').map((one) => one.textContent)).toContain(key);
  });
});
