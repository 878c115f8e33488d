import { TestBed } from '@angular/core/testing';
import type { Household } from '@fresh-tuck/contract';
import { MatInputHarness } from '@angular/material/input/testing';
import { ABOUT, problem, show, type Screen } from '../testing/house';
import { FrostWord } from './frost-word';

const about = (more: Partial<Household>) => ({ ...ABOUT, household: ABOUT.household && { ...ABOUT.household, ...more } });
async function asked(more: Partial<Household> = {}, answers: Record<string, unknown> = {}): Promise<Screen<FrostWord>> {
  const screen = await show(FrostWord, { 'GET about': about(more), 'PUT household': about({ ...more, version: 1 }), ...answers });
  await screen.settle();
  return screen;
}
const saved = (screen: Screen<FrostWord>): Household['frost'] =>
  (screen.sent('PUT', 'household')?.body as unknown as Household | undefined)?.frost ?? null;

describe('the last frost', () => {
  it('is asked for once, and taken from a date of any year with the days it may be off', async () => {
    const screen = await asked();
    expect(screen.text).toContain('When is the last frost where you are? It is not said yet');
    await screen.press(/^The last frost/);
    const day = await screen.overlays.getHarness(MatInputHarness.with({ label: 'Around (any year)' }));
    const give = await screen.overlays.getHarness(MatInputHarness.with({ label: 'Give or take, days' }));
    await give.setValue('8');
    await day.setValue('2019-05-10');
    await screen.until(() => saved(screen) !== null);
    expect(saved(screen)).toEqual({ monthDay: '05-10', giveDays: 8, guessed: false });
  });

  it('takes no days that cannot be, and leaves the date unsaved until they can', async () => {
    const screen = await asked();
    await screen.press(/^The last frost/);
    const give = await screen.overlays.getHarness(MatInputHarness.with({ label: 'Give or take, days' }));
    const day = await screen.overlays.getHarness(MatInputHarness.with({ label: 'Around (any year)' }));
    await give.setValue('90');
    await day.setValue('2026-05-10');
    await screen.settle(900);
    expect(saved(screen)).toBeNull();
    expect(document.body.textContent).toContain('A whole number of days from 0 to 60.');
    await give.setValue('9');
    await screen.until(() => saved(screen) !== null);
    expect(saved(screen)?.giveDays).toBe(9);
  });

  it('is the usual of such a place where nobody wrote it down, half a year on in the south, and says that it is a guess', async () => {
    for (const [zone, monthDay, said] of [
      ['Europe/Dublin', '04-25', '25 Apr'],
      ['Australia/Hobart', '10-25', '25 Oct'],
    ] as const) {
      const screen = await asked({ zone });
      await screen.press(/^The last frost/);
      expect(document.body.textContent).toContain(`about ${said}`);
      await screen.clickAbove(/^\s*in a lowland/);
      expect(saved(screen)).withContext(zone).toEqual({ monthDay, giveDays: 14, guessed: true });
      document.querySelectorAll('.cdk-overlay-container').forEach((one) => one.replaceChildren());
      TestBed.resetTestingModule();
    }
    const known = await asked({ frost: { monthDay: '05-10', giveDays: 10, guessed: true } });
    expect(known.text).toContain('The last frost is about 10 May, give or take 10 days (a guess)');
  });

  it('says the server’s refusal', async () => {
    const screen = await asked({}, { 'PUT household': problem(409, 'Somebody changed the household meanwhile.') });
    await screen.press(/^The last frost/);
    await screen.clickAbove(/^\s*by a mild coast/);
    expect(screen.text).toContain('Somebody changed the household meanwhile.');
  });
});
