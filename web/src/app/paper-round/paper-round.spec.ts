import { parcel } from '@fresh-tuck/core/testing';
import { aBatch, aSpot, problem, show, type Screen } from '../testing/house';
import { PaperRound } from './paper-round';

const first = aBatch(parcel('okra', 4, 27), { id: 'b1', number: 21, title: 'Okra, Tall Mast' });
const second = aBatch(parcel('leek', 4, 22), { id: 'b2', number: 12, title: 'Leek, Quay' });

async function paper(answers: Record<string, unknown> = {}): Promise<Screen<PaperRound>> {
  const screen = await show(PaperRound, {
    'GET batches': [first, second],
    'GET spots': [aSpot()],
    'POST rounds/paper': { id: 'x', looks: 1 },
    ...answers,
  });
  await screen.settle();
  return screen;
}
const write = async (screen: Screen<PaperRound>, label: string, value: string): Promise<void> => {
  const field = screen.find<HTMLInputElement | HTMLSelectElement>(`[aria-label="${label}"]`);
  if (!field) throw new Error(`no field ${label}`);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  field.dispatchEvent(new Event('change'));
  await screen.settle();
};

describe('the round on paper', () => {
  it('sends the lines that are written, each at its own time, and leaves the blank ones out', async () => {
    const screen = await paper();
    await screen.click('Enter all of it');
    expect(screen.text).toContain('Nothing is written yet');
    await write(screen, 'When, 21', '2026-04-10T18:40');
    await write(screen, 'tips in all, 21', '3');
    await write(screen, 'How damp, 21', 'damp');
    await screen.click('Enter all of it');
    const body = screen.sent('POST', 'rounds/paper')?.body as unknown as { looks: object[] };
    expect(body.looks).toEqual([
      jasmine.objectContaining({ batchId: 'b1', at: '2026-04-10T18:40', tipped: 3, rotten: null, damp: 'damp', moved: 0, skipped: false }),
    ]);
    expect(screen.url).toBe('/');
  });

  it('sends what was left shut as left shut, and says at its line what cannot be', async () => {
    const refused = problem(422, 'looks.0.tipped must be at most 8', [
      { field: 'looks.0.tipped', message: 'looks.0.tipped must be at most 8' },
    ]);
    const screen = await paper({ 'POST rounds/paper': refused });
    await write(screen, 'How damp, 12', 'skipped');
    await screen.click('Enter all of it');
    const body = screen.sent('POST', 'rounds/paper')?.body as unknown as { looks: object[] };
    expect(body.looks).toEqual([jasmine.objectContaining({ batchId: 'b2', skipped: true, damp: null })]);
    expect(screen.text).toContain('12 Leek, Quay:');
  });
});
