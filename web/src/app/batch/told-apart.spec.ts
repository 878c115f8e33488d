import { Component, signal } from '@angular/core';
import { parcel } from '@fresh-tuck/core/testing';
import { aBatch, problem, show, type Screen } from '../testing/house';
import { ToldApart } from './told-apart';

const lost = aBatch(parcel('leek', 4, 22), {
  id: 'b1',
  amendedId: 'a7',
  oneOf: [
    { id: 'p1', title: 'Leek, Quay' },
    { id: 'p2', title: 'Chives, Gangway' },
  ],
});
@Component({ imports: [ToldApart], template: `<ft-told-apart [batch]="batch()" (said)="told.push($event)" />` })
class Host {
  readonly batch = signal(lost);
  readonly told: string[] = [];
}
const shown = (answers: Record<string, unknown> = {}): Promise<Screen<Host>> =>
  show(Host, { 'POST batches/b1/amendments': lost, ...answers });

describe('a muddled lot', () => {
  it('is told apart by one button for each packet that it may be from, on the record as it was seen', async () => {
    const screen = await shown();
    expect(screen.text).toContain('Nobody knows yet which it is');
    await screen.click('It is Chives, Gangway');
    expect(screen.asked.at(-1)?.body).toEqual(jasmine.objectContaining({ after: 'a7', packetId: 'p2' }));
    expect(screen.fixture.componentInstance.told[0]).toMatch(
      /^It is Chives, Gangway: its \d+ seeds left that packet, and its record is there\.$/,
    );
  });

  it('says why it cannot be that one, and goes on asking', async () => {
    const refused = problem(422, 'Chives, Gangway has 3 seeds, and 8 were laid.');
    const screen = await shown({ 'POST batches/b1/amendments': refused });
    await screen.click('It is Chives, Gangway');
    expect(screen.text).toContain('Chives, Gangway has 3 seeds, and 8 were laid.');
    expect(screen.fixture.componentInstance.told).toEqual([]);
  });

  it('asks nothing of a lot that is known', async () => {
    const screen = await shown();
    screen.fixture.componentInstance.batch.set({ ...lost, oneOf: [] });
    await screen.settle();
    expect(screen.text).toBe('');
  });
});
