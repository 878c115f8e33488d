import type { LookingBack, Note, Trial, TrialBatchShown, TrialCandidates, TrialInShort } from '@fresh-tuck/contract';
import { look, NOW, parcel } from '@fresh-tuck/core/testing';
import type { PastSum } from '@fresh-tuck/core/trials';
import { problem, show } from '../testing/house';
import { cropList, tuckAnswers } from '../testing/answers';
import { CompareScreen } from './compare';
import { LookingBackScreen } from './looking-back';
import { NotebookScreen } from './notebook';
import { NotesScreen } from './notes';
import { PlanTrial } from './plan-trial';
import { PracticeScreen } from './practice';
import { trialShown } from './shown';
import { TrialScreen } from './trial';
import { WorkbenchScreen } from './workbench';

const DAYS = 14;
/** A closed batch of okra whose middle seed came on a day, looked at every day. */
function batch(number: number, middle: number, most: number, more: Partial<TrialBatchShown> = {}): TrialBatchShown {
  const came = (day: number): number => Math.round(most / (1 + Math.exp(-2.2 * (day - middle))));
  const looks = Array.from({ length: DAYS }, (_, nth) => look(24 * (DAYS - 1 - nth), { tipped: came(nth + 1), rotten: 0 }));
  const facts = { ...parcel('okra', DAYS, 27, { seeds: 30, looks }) };
  return {
    ...{
      id: `b${number}`,
      number,
      title: 'Okra, Tall Mast',
      startMs: facts.startMs,
      closedMs: NOW,
      seeds: 30,
      came: most,
      spots: ['Hall cupboard'],
    },
    ...{ packetId: 'p1', variety: 'Tall Mast', ageYears: 1, people: ['Ana'], facts, moved: most, lived: 0, died: 0 },
    ...more,
  };
}
const trial = (more: Partial<Trial> = {}): Trial => ({
  ...{ id: '01a233a7-5d36-7168-8cb7-24b6cb42ae16', state: 'closed', saidMs: NOW },
  words: {
    ...{ name: 'The soak, okra', question: 'soak', plan: null, read: null, better: null },
    arms: [
      { name: 'Soaked 12 hours', setting: '12', batchIds: ['b1'] },
      { name: 'Not soaked', setting: '0', batchIds: ['b2'] },
    ],
  },
  arms: [
    { name: 'Soaked 12 hours', setting: '12', batches: [batch(1, 3, 26)] },
    { name: 'Not soaked', setting: '0', batches: [batch(2, 6, 25)] },
  ],
  ...more,
});

describe('a trial', () => {
  it('leads with what it came to, says whether it is fair, and is written down with the side that won', async () => {
    const own = trial();
    const screen = await show(TrialScreen, { [`GET trials/${own.id}`]: own, 'POST trials': own }, { trialId: own.id });
    await screen.until(() => screen.text.includes('Is it fair?'));
    expect(screen.find('h1')?.textContent).toMatch(/^Those soaked 12 hours came \d(\.\d)? days sooner \(.* to .*\); as many came$/);
    expect(screen.text).toContain('All else that was written down is the same on both sides.');
    expect(screen.all('ft-dimples').length).toBe(2);
    expect(screen.text).toContain('Ellis and Roberts 1981');
    await screen.click('Write it down');
    const said = screen.sent('POST', 'trials')?.body['words'] as Trial['words'];
    expect(said.read).toMatch(/^Those soaked 12 hours came/);
    expect(said.better).toBe(0);
  });

  it('that is unfair is never called a difference, whatever chance says', () => {
    const own = trial();
    const other = batch(2, 6, 14, { packetId: 'p2', variety: 'Old Mast', ageYears: 6 });
    const household = { zone: 'Europe/Copenhagen', units: 'metric', millilitresPerSpray: 0.8 } as never;
    const arms = [{ name: 'soaked', batches: [batch(1, 3, 28)] }, { name: 'dry', batches: [other] }]; // prettier-ignore
    const steps: number[] = [];
    const shown = trialShown({ kind: 'compare', question: own.words.question, arms, seed: 3, nowMs: NOW, household }, (done) =>
      steps.push(done),
    );
    expect(steps.at(-1)).toBe(1);
    expect(steps.length).toBeGreaterThan(10);
    expect(shown.pairs[0]).toEqual(jasmine.objectContaining({ different: false, better: null }));
    expect(shown.pairs[0]?.lead).toMatch(/^Not to be told: /);
    expect(shown.pairs[0]?.heavy[0]?.text).toContain('Tall Mast');
  });

  it('that runs is not compared yet, and says what is still to lay', async () => {
    const own = trial({ state: 'running' });
    const plan = { packetId: 'p1', seeds: 30, bags: 1, care: { of: 'days' as const, days: 1 }, lot: 3 };
    const arms = [own.arms[0], { name: 'Not soaked', setting: '0', batches: [] }] as Trial['arms'];
    const running = { ...own, words: { ...own.words, plan }, arms };
    const screen = await show(TrialScreen, { [`GET trials/${own.id}`]: running }, { trialId: own.id });
    expect(screen.find('h1')?.textContent).toBe('The soak, okra: one still to lay');
    const lay = screen.find<HTMLAnchorElement>('a.do')?.getAttribute('href') ?? '';
    expect(Object.fromEntries(new URLSearchParams(lay.split('?')[1]))).toEqual({
      ...{ packet: 'p1', seeds: '30', trial: own.id, arm: '1', question: 'soak', setting: '0' },
    });
  });

  it('that is gone says so', async () => {
    const screen = await show(TrialScreen, { 'GET trials/x': problem(404, 'There is no such trial.') }, { trialId: 'x' });
    expect(screen.text).toContain('There is no such trial.');
  });
});

describe('the notebook', () => {
  const short = (more: Partial<TrialInShort>): TrialInShort => ({
    ...{ id: 't1', name: 'The soak, okra', question: 'soak', cropId: 'okra', better: null, state: 'closed', read: null, fromMs: NOW },
    arms: [{ name: 'Soaked', numbers: [1] }, { name: 'Dry', numbers: [2] }], // prettier-ignore
    ...more,
  });

  it('leads to the trial that is to be read, else to the next one', async () => {
    const screen = await show(NotebookScreen, { 'GET trials': [short({}), short({ id: 't2', state: 'read', read: 'As many came' })] });
    expect(screen.find('h1')?.textContent).toBe('One trial is over, to be read');
    expect(screen.find<HTMLAnchorElement>('a.do')?.getAttribute('href')).toBe('/notebook/trials/t1');
    expect(screen.text).toContain('As many came');
  });

  it('puts closed batches side by side by what they differ in', async () => {
    const one = (number: number, method: 'towel' | 'pellet') => ({
      ...{
        id: `b${number}`,
        number,
        title: 'Okra, Tall Mast',
        startMs: NOW,
        closedMs: NOW,
        seeds: 8,
        came: 5,
        spots: ['Sill'],
        cropId: 'okra',
      },
      ...{ packetId: 'p1', method },
      settings: {
        packet: 'p1',
        age: '1',
        method,
        medium: 'paper',
        wet: 'wrung',
        damped: 'water',
        closure: 'lidded',
        light: '',
        soak: '0',
        chill: '0',
        prepared: '',
        spot: 's1',
      },
    });
    const all: TrialCandidates = {
      ...{ crops: [{ id: 'okra', name: 'Okra', batches: 3 }], names: { p1: 'Tall Mast, 2024' } },
      batches: [one(1, 'towel'), one(2, 'pellet'), one(3, 'towel')],
    };
    const screen = await show(CompareScreen, { 'GET trials/candidates': all, 'POST trials': {} }, { crop: 'okra' });
    expect(screen.text).toContain('the way it is started');
    await screen.click(/^Leave it out number 3/);
    await screen.click('Set them side by side');
    const words = screen.sent('POST', 'trials')?.body['words'] as Trial['words'];
    expect(words.arms.map(({ name, batchIds }) => [name, batchIds])).toEqual([
      ['On a towel', ['b1']],
      ['In a swollen pellet', ['b2']],
    ]);
    await screen.click(/^Leave it out number 2/);
    await screen.click('Set them side by side');
    expect(screen.text).toContain('In a swollen pellet has no batch left');
  });

  it('plans a trial with what is known of the seed, and says what both sides being alike is', async () => {
    const screen = await show(PlanTrial, { ...tuckAnswers(), 'POST trials': {} }, { packet: 'p1' });
    await screen.until(() => screen.text.includes('It comes in about'));
    expect(screen.text).toMatch(/With 24 a side, a side of which the seed truly comes 1 day sooner is told from chance/);
    await screen.press(/^The other side:/);
    await screen.clickAbove('Soaked 12 hours');
    await screen.click('Draw the lots');
    expect(screen.text).toContain('Two sides are soaked 12 hours: choose another for one of them.');
    await screen.press(/^The other side:/);
    await screen.clickAbove('Not soaked');
    await screen.click('Draw the lots');
    const words = screen.sent('POST', 'trials')?.body['words'] as Trial['words'];
    expect(words.plan).toEqual(jasmine.objectContaining({ packetId: 'p1', seeds: 24, bags: 1 }));
    expect(words.arms.map(({ setting }) => setting)).toEqual(['12', '0']);
    // A third side takes more seed, and is left out again.
    await screen.click('Another side');
    await screen.until(() => screen.text.includes('Of three sides each is held against each'));
    await screen.click('Draw the lots');
    const more = screen.sent('POST', 'trials')?.body['words'] as Trial['words'];
    expect(more.arms.map(({ setting }) => setting)).toEqual(['12', '0', '4']);
    await screen.press(/^A third side:/);
    await screen.clickAbove('Leave this side out');
    await screen.until(() => !screen.text.includes('Of three sides'));
  });

  it('looks back by crop, and from a crop into its packets', async () => {
    const sum: PastSum = {
      ...{ batches: 3, seeds: 40, came: 30, rotten: 2, quiet: 8, moved: 26, snapped: 1, openings: 20, nothing: 9, tooSoon: 4, thrown: 3 },
      ...{ lived: 20, died: 2, days: 5.2, withinDays: 3.1, saidDays: 6.1, timesOff: 1.2, packet: null, asked: 30, held: 24 },
    };
    const answer: LookingBack = {
      ...{
        lead: 'Three batches: 30 of 40 seeds came',
        left: 0,
        by: 'crop',
        year: null,
        years: [2025],
        cropId: null,
        whole: sum,
        spent: [],
      },
      ...{ forecast: ['It says 8 times in 10.'], losses: [], learnt: [], next: [], more: 0, middles: [], curve: null },
      rows: [{ key: 'okra', title: 'Okra', sum, losses: ['8 seeds stayed quiet to the end'] }],
    };
    const screen = await show(LookingBackScreen, { 'GET looking-back': answer });
    await screen.settle();
    expect(screen.text).toContain('30 of 40 came, 75 in 100');
    expect(screen.all('.bar i').length).toBe(4);
    await screen.click('Okra');
    await screen.settle();
    expect(screen.sent('GET', 'looking-back')?.query).toEqual({ by: 'packet', crop: 'okra' });
  });

  it('keeps a note with its day, changes it, and refuses an empty one', async () => {
    const note: Note = {
      ...{ id: 'n1', kind: 'note', day: '2026-04-10', text: 'New paper', batchId: null, batchNumber: null, cropId: null, about: null },
      ...{ who: null, photoIds: [] },
    };
    const screen = await show(NotesScreen, { 'GET notes': { notes: [note], more: 0 }, 'POST notes': { id: 'x' } });
    await screen.settle(200);
    await screen.click('Write it down');
    expect(screen.text).toContain('Write something first');
    await screen.click('Change');
    await screen.type('Change the note', 'Old paper');
    await screen.click('Change it');
    const { noteId, words } = screen.sent('POST', 'notes')?.body ?? {};
    expect([noteId, words]).toEqual(['n1', { day: '2026-04-10', text: 'Old paper', batchId: null, cropId: null }]);
  });
});

describe('the bench and the practice', () => {
  it('works out what is typed in either system, and says what a field takes', async () => {
    const screen = await show(WorkbenchScreen, { 'GET crops': cropList(), 'GET packets': [] });
    expect(screen.find('.lead')?.textContent).toMatch(/^7\.5 ml/);
    await screen.type('Open sheet, wide', '11 in');
    expect(screen.find('.lead')?.textContent).toMatch(/^7\.5 ml/);
    await screen.type('Layers', 'many');
    expect(screen.text).toContain('Layers: a number from 1 to 8.');
    await screen.click('Units, both ways');
    expect(screen.text).toContain('23.89 °C = 75 °F');
    await screen.click('Warmth to days');
    expect(screen.text).toContain('Choose the crop first.');
  });

  it('asks ten, takes numbers for answers, and tells what was true', async () => {
    const okra = cropList().find(({ id }) => id === 'okra');
    const { crop } = parcel('okra', 1, 20);
    const sheets = Object.fromEntries(
      ['okra', 'tomatillo', 'leek', 'melon', 'sweet-pea', 'dill'].map((id) => [
        `GET crops/${id}`,
        { crop: { ...crop, id }, book: crop, own: {}, added: false },
      ]),
    );
    localStorage.removeItem('fresh-tuck practice');
    const screen = await show(PracticeScreen, { ...sheets, 'GET packets': [{ cropId: okra?.id }] });
    await screen.until(() => screen.text.includes('Practice, 1 of 10'));
    for (let nth = 1; nth <= 10; nth++) {
      const key = (name: string) => document.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
      key('1');
      await screen.fixture.whenStable();
      if (screen.find('h1')?.textContent.startsWith('How sure')) key('3');
      await screen.fixture.whenStable();
      expect(screen.find('.lead')?.textContent.length).toBeGreaterThan(5);
      await screen.click(/^(Next|What it came to)/);
    }
    expect(screen.find('h1')?.textContent).toMatch(/right$/);
    expect((JSON.parse(localStorage.getItem('fresh-tuck practice') ?? '[]') as unknown[]).length).toBe(10);
    localStorage.removeItem('fresh-tuck practice');
  });
});
