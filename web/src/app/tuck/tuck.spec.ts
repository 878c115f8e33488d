import { MatInputHarness } from '@angular/material/input/testing';
import { aBatch, aPacket, show, type Screen } from '../testing/house';
import { NOW } from '@fresh-tuck/core/testing';
import { startAt, tuckAnswers } from '../testing/answers';
import { TuckScreen } from './tuck';

const packet = aPacket();
async function tuck(answers: Record<string, unknown> = {}, more = packet): Promise<Screen<TuckScreen>> {
  const screen = await show(
    TuckScreen,
    {
      ...tuckAnswers(more),
      ...answers,
    },
    { packet: 'p1' },
  );
  await screen.settle(220);
  return screen;
}
const dialog = (): HTMLElement => document.querySelector<HTMLElement>('[role=dialog]') ?? document.body;

describe('Tuck in', () => {
  it('works out how many, where and how wet, from the packet and the places', async () => {
    const screen = await tuck();
    expect(screen.text).toContain('Leek, Quay');
    expect(screen.find('button.do')?.textContent?.trim()).toMatch(/^Tuck in \d+ seeds$/);
    expect(screen.text).toContain('Write the label before you open the packet.');
    expect(screen.text).toMatch(/Wet the paper with [\d.]+ ml: \d+ sprays/);
    expect(screen.text).toContain('Sprouts here are for planting, never for eating.');
  });

  it('sends the sentence as it stands: method, towel, spot and what was worked out', async () => {
    const screen = await tuck({ 'POST batches': aBatch() });
    await screen.click(/^Tuck in \d+ seeds$/);
    const body = screen.sent('POST', 'batches')?.body;
    expect(body).toEqual(jasmine.objectContaining({ packetId: 'p1', method: 'towel', startAt: null, wanted: 4 }));
    expect(body?.['towel']).toEqual({ widthMm: 140, heightMm: 110, plies: 2, medium: 'paper' });
    expect(body?.['holder']).toEqual(jasmine.objectContaining({ kind: 'bag', closure: 'sealed_air', spotId: 's1' }));
    expect(screen.text).toContain('7 is tucked in');
  });

  it('takes a number that the gardener fixes, says what would be taken, and saves nothing meanwhile', async () => {
    const screen = await tuck();
    screen
      .all<HTMLButtonElement>('button')
      .find((button) => button.getAttribute('aria-label')?.startsWith('How many seeds'))
      ?.click();
    await screen.fixture.whenStable();
    const field = await screen.overlays.getHarness(MatInputHarness.with({ label: 'How many seeds?' }));
    await field.setValue('0');
    await field.blur();
    expect(dialog().textContent).toContain('How many seeds is a whole number from 1 to 400.');
    await field.setValue('13');
    await screen.settle(220);
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Tuck in 13 seeds');
  });

  it('says what can be had where the packet has too few', async () => {
    const screen = await tuck({}, aPacket({ seedsLeft: 3 }));
    expect(screen.text).toContain('The packet has only 3 left');
    expect(screen.find<HTMLButtonElement>('button.do')?.disabled).toBeTrue();
  });

  it('refuses a board that kills and says why, and leaves the others', async () => {
    const [hall, fridge] = startAt(NOW).spots;
    const reading = { fromMs: NOW - 8 * 3_600_000, toMs: NOW + 16 * 3_600_000, minC: 36, maxC: 44 };
    const screen = await tuck({ 'GET packets/p1/start': { startMs: NOW, spots: [{ ...hall, readings: [reading] }, fridge] } });
    expect(screen.text).toMatch(/Read up to 44 °C: about \d in 10 of this seed would die in a day there\./);
    expect(screen.all<HTMLButtonElement>('ft-boards button').map(({ disabled }) => disabled)).toEqual([true, false]);
  });

  it('leaves a factor out when it is touched, and offers two steps where the rate is in doubt', async () => {
    const screen = await tuck({ 'POST batches': aBatch() }, aPacket({ prior: { ...packet.prior, share: { mean: 0.6, weight: 4 } } }));
    screen.fixture.componentInstance['plan'].wanted.set({ plants: 9, from: null });
    await screen.settle(300);
    const many = Number(/\d+/.exec(screen.find('button.do')?.textContent ?? '')?.[0]);
    await screen.click(/^\d+ now; if fewer than \d+ show by /);
    await screen.settle(220);
    const first = Number(/\d+/.exec(screen.find('button.do')?.textContent ?? '')?.[0]);
    expect(first).toBeLessThan(many);
    await screen.click(/^Tuck in \d+ seeds$/);
    const body = screen.sent('POST', 'batches')?.body;
    expect(body?.['seeds']).toBe(first);
    expect(body?.['secondStep']).toEqual({
      at: jasmine.stringMatching(/^2026-\d\d-\d\dT/),
      below: jasmine.any(Number),
      seeds: jasmine.any(Number),
    });
  });
});
