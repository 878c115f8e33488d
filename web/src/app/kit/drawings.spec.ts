import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import fc from 'fast-check';
import { CROPS } from '@fresh-tuck/core/crops';
import { reportFor } from '@fresh-tuck/core/judging';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { SEEDLING_STAGES } from '@fresh-tuck/core/nursing';
import { SEED_STAGES } from '@fresh-tuck/core/parcel';
import { stockOf } from '@fresh-tuck/core/seedbox';
import { testResult } from '@fresh-tuck/core/seedtest';
import { anyParcel, NOW, words } from '@fresh-tuck/core/testing';
import { toldFor } from '@fresh-tuck/core/words';
import { Advice } from './advice';
import { Curve } from './curve';
import { FindingPicture } from './finding';
import { Label } from './label';
import { Parcel } from './parcel';
import { RateBar } from './rate-bar';
import { Ribbon } from './ribbon';
import { PlantDrawing } from './plant';
import { SeedDrawing } from './seed';
import { SeedlingLines, seedlingOf } from './seedling-lines';
import { TestResultView } from './test-result';
import { Towel } from './towel';
import { towelSeeds, emptyDraft } from '../open/draft';
import { aBatch } from '../testing/house';
import { HowMany } from '../tuck/how-many';
import { YearBar } from '../crop/year-bar';
import { FirstSign } from '../crop/first-sign';
import { Precision } from '../packet/precision';

/** What may lie there, the same each time. */
const PARCELS = fc.sample(anyParcel, { numRuns: 40, seed: 7 });

async function draw<T>(kind: Type<T>, inputs: Record<string, unknown>): Promise<HTMLElement> {
  const fixture = TestBed.createComponent(kind);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return fixture.nativeElement as HTMLElement;
}
/** Every number that is drawn. */
const drawn = (root: Element): string[] =>
  [root, ...root.querySelectorAll('*')].flatMap((node) =>
    ['d', 'x', 'y', 'cx', 'cy', 'r', 'width', 'height', 'transform', 'points', 'viewBox'].flatMap((name) => node.getAttribute(name) ?? []),
  );
const sound = (root: Element): void => {
  for (const text of drawn(root)) expect(text).not.toMatch(/NaN|undefined|Infinity|null/);
  for (const rect of root.querySelectorAll('rect')) expect(Number(rect.getAttribute('width') ?? 0)).toBeGreaterThanOrEqual(0);
};

describe('the drawings, whatever a household has lying there', () => {
  beforeEach(() => TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] }));

  it('the ribbon and the curve have no hole and say in words what they show', async () => {
    for (const facts of PARCELS) {
      const answers = reportFor(facts, NOW);
      for (const kind of [Ribbon, Curve] as const) {
        const root = await draw<Ribbon | Curve>(kind, { facts, answers });
        sound(root);
        expect(root.querySelector('svg')?.getAttribute('aria-label')).withContext(kind.name).toMatch(/\d/);
      }
    }
  });

  it('the towel shows each seed once, and none outside its pane', async () => {
    for (const facts of PARCELS.slice(0, 20)) {
      const batch = aBatch({ ...facts, method: 'towel' });
      const { state } = batch.answers;
      const root = await draw(Towel, {
        seeds: towelSeeds(batch, state, emptyDraft(null)),
        widthMm: 140,
        heightMm: 110,
        seedLengthMm: facts.crop.seed.lengthMm,
        live: true,
      });
      sound(root);
      const names = [...root.querySelectorAll('.place')].map((one) => one.getAttribute('aria-label') ?? '');
      expect(names.length).toBe(facts.seeds);
      expect(new Set(names.map((name) => name.split(',')[0])).size).toBe(facts.seeds);
      const at = [...root.querySelectorAll('.place')].map((one) =>
        /translate\(([-\d.]+)[ ,]([-\d.]+)\)/.exec(one.getAttribute('transform') ?? ''),
      );
      for (const place of at.filter((place) => place !== null)) {
        expect(Number(place[1])).toBeGreaterThanOrEqual(0);
        expect(Number(place[1])).toBeLessThanOrEqual(140);
        expect(Number(place[2])).toBeLessThanOrEqual(110);
      }
    }
  });

  it('the small parcel of Today bears its number, and any seed in any stage can be drawn', async () => {
    for (const [number, facts] of PARCELS.slice(0, 15).entries()) {
      const root = await draw(Parcel, { number: number * 97, state: reportFor(facts, NOW).state });
      sound(root);
      expect(root.textContent).toContain(String(number * 97));
    }
    for (const stage of SEED_STAGES) {
      for (const [lengthMm, rootMm] of [
        [0.6, null],
        [4, 3],
        [30, 90],
      ] as const)
        sound(await draw(SeedDrawing, { stage, lengthMm, rootMm }));
    }
  });

  it('advice is told as it was judged: each lead once, each deadline where there is one', async () => {
    for (const facts of PARCELS) {
      const { advice } = toldFor(facts, reportFor(facts, NOW), words);
      const text = ((await draw(Advice, { advice })).textContent ?? '').replace(/\s+/g, ' ');
      for (const { lead, by, text: said } of advice) for (const part of [lead, by ?? '', said]) expect(text).toContain(part);
    }
  });

  it('a rate is a bar between none and all, its mean inside its stretch', async () => {
    const [crop] = CROPS;
    if (!crop) return fail('no crop');
    for (const mean of [0.001, 0.2, 0.5, 0.93, 0.999]) {
      for (const weight of [2.2, 9, 400]) {
        const stock = stockOf(crop, { share: { mean, weight }, ageYears: 2, pace: 1, seedsLeft: 20, tried: false });
        const root = await draw(RateBar, { stock });
        sound(root);
        const [of = -1, , low = -1, high = -1] = (root.querySelector('svg')?.getAttribute('aria-label')?.match(/\d+/g) ?? []).map(Number);
        expect(low).toBeLessThanOrEqual(high);
        expect(of).toBeLessThanOrEqual(100);
      }
    }
  });

  it('a test’s result says what was counted and whether its towels agree', async () => {
    const one = await draw(TestResultView, { result: testResult([{ normal: 30, abnormal: 2, hard: 0, fresh: 1, dead: 7 }]) });
    sound(one);
    expect(one.textContent).not.toMatch(/towels (agree|differ)/);
    const two = await draw(TestResultView, {
      result: testResult([
        { normal: 24, abnormal: 0, hard: 0, fresh: 0, dead: 1 },
        { normal: 6, abnormal: 0, hard: 0, fresh: 0, dead: 19 },
      ]),
    });
    expect(two.textContent).toContain('The towels differ by more than chance');
  });

  it('a label bears its code, and none before there is one', async () => {
    const bare = await draw(Label, { title: 'Leek, Quay', detail: '8 seeds' });
    expect(bare.querySelector('svg')).toBeNull();
    const whole = await draw(Label, {
      number: 1204,
      title: 'Leek, Quay',
      detail: '8 seeds',
      token: '01a21877-9954-713e-a61b-a1e5331b159f',
    });
    sound(whole);
    expect(whole.textContent).toContain('1204');
    expect(whole.querySelector('[aria-label="Code of this batch"]')).not.toBeNull();
  });

  it('every crop has its year, its first sign and what is taken for it', async () => {
    for (const crop of CROPS) {
      const year = await draw(YearBar, { crop });
      sound(year);
      const sign = await draw(FirstSign, { crop });
      sound(sign);
      expect(sign.textContent).withContext(crop.id).toContain('Mould');
      expect([...sign.querySelectorAll('ft-finding svg')].every((one) => (one.getAttribute('aria-label') ?? '').length > 8))
        .withContext(crop.id)
        .toBeTrue();
    }
  });

  it('a finding is drawn with words for those who do not see it', async () => {
    for (const of of ['hair', 'mould', 'nib', 'speck', 'split', 'gel', 'lint', 'smell']) {
      const root = await draw(FindingPicture, { of });
      sound(root);
      expect(root.querySelector('svg')?.getAttribute('aria-label')?.length).withContext(of).toBeGreaterThan(8);
    }
  });

  it('a larger sample tells more: the stretch narrows', async () => {
    const width = async (seeds: number): Promise<number> => {
      const root = await draw(Precision, { expected: 0.7, seeds });
      sound(root);
      const [, low = 0, high = 0] = (root.querySelector('svg')?.getAttribute('aria-label')?.match(/\d+/g) ?? []).map(Number);
      return high - low;
    };
    const widths = [await width(10), await width(40), await width(200)];
    expect(widths).toEqual([...widths].sort((a, b) => b - a));
    expect(new Set(widths).size).toBe(3);
  });

  it('the bars of how many rise, and the chosen number stands out', async () => {
    const chances = Array.from({ length: 7 }, (_, nth) => ({ seeds: 10 + nth, chance: 0.6 + nth * 0.06 }));
    const root = await draw(HowMany, { plan: { seeds: 13, enough: 15, chances, levels: [] }, sureness: 0.9 });
    sound(root);
    const heights = [...root.querySelectorAll('rect')].map((bar) => Number(bar.getAttribute('height')));
    expect(heights).toEqual([...heights].sort((a, b) => a - b));
    expect(root.querySelector('svg')?.getAttribute('aria-label')).toMatch(/13/);
  });
});

describe('a seedling', () => {
  beforeEach(() => TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] }));

  it('is drawn unlike at every stage, whatever it stands in, and alike for all that look alike', () => {
    for (const destination of DESTINATIONS) {
      const all = SEEDLING_STAGES.map((stage) => seedlingOf(stage, false, destination));
      expect(new Set(all.map(({ plant }) => JSON.stringify(plant))).size)
        .withContext(destination)
        .toBe(SEEDLING_STAGES.length);
      SEEDLING_STAGES.forEach((stage, nth) => expect(seedlingOf(stage, false, destination)).toBe(all[nth] as (typeof all)[number]));
    }
  });

  it('is drawn anew when it is a stage on, its label over it; one that shares a pot leaves the pot to the first', async () => {
    const fixture = TestBed.createComponent(PlantDrawing);
    const lines = (): string[] =>
      [...(fixture.nativeElement as HTMLElement).querySelectorAll('svg > *')].map((line) => line.getAttribute('class') ?? '');
    fixture.componentRef.setInput('stage', 'up');
    fixture.componentRef.setInput('number', 37);
    await fixture.whenStable();
    expect(lines()).toEqual(['mix', 'wall', 'roots', 'stem', 'coat', 'stake', 'tag', 'number']);
    fixture.componentRef.setInput('stage', 'true_leaves');
    await fixture.whenStable();
    expect(lines()).toEqual(['mix', 'wall', 'roots', 'stem', 'leaf', 'vein', 'stake', 'tag', 'number']);
    const board = TestBed.createComponent(SeedlingLines);
    const shown = async (vessel: string | null): Promise<(string | null)[][]> => {
      board.componentRef.setInput('ftSeedling', seedlingOf('seed_leaves', false, 'pot'));
      board.componentRef.setInput('vessel', vessel);
      await board.whenStable();
      return [...(board.nativeElement as Element).children].map((line) => [line.getAttribute('class'), line.getAttribute('transform')]);
    };
    expect((await shown('scale(2 1)')).slice(0, 3)).toEqual([
      ['mix', 'scale(2 1)'],
      ['wall', 'scale(2 1)'],
      ['roots', null],
    ]);
    expect((await shown(null)).map(([kind]) => kind)).toEqual(['roots', 'stem', 'leaf']);
  });
});
