import { NOW } from '@fresh-tuck/core/testing';
import { startAt, tuckAnswers } from '../testing/answers';
import { aPacket, problem, show, type Screen } from '../testing/house';
import { TuckScreen } from './tuck';

const box = ['Quay', 'Bollard', 'Gangway'].map((variety, nth) => ({
  id: `p${nth + 1}`,
  cropId: 'leek',
  cropName: 'Leek',
  variety,
  year: 2025,
  seedsLeft: 40,
}));
const muddled = aPacket({ id: 'm1', variety: 'Quay or Gangway' });

async function asking(answers: Record<string, unknown> = {}): Promise<Screen<TuckScreen>> {
  const screen = await show(TuckScreen, {
    ...tuckAnswers(muddled),
    'GET packets': box,
    'GET packets/m1': muddled,
    'GET packets/m1/kin': [],
    'GET packets/m1/start': startAt(NOW),
    'POST packets/muddles': muddled,
    ...answers,
  });
  await screen.settle(250);
  await screen.press(/^Packet: /);
  await screen.clickAbove('Nobody knows any more which it is');
  return screen;
}

describe('seed of which nobody knows any more which it is', () => {
  it('is of two packets or more, and is tucked in as a packet of its own', async () => {
    const screen = await asking();
    await screen.clickAbove('Leek, Quay');
    // One alone would be no muddle: nothing is sent.
    await screen.clickAbove(/^It is one of these/);
    expect(screen.sent('POST', 'packets/muddles')).toBeUndefined();
    await screen.clickAbove('Leek, Gangway');
    await screen.clickAbove('It is one of these 2');
    expect(screen.sent('POST', 'packets/muddles')?.body).toEqual(jasmine.objectContaining({ packetIds: ['p1', 'p3'] }));
    await screen.settle(250);
    expect(screen.text).toContain('Quay or Gangway');
  });

  it('takes a choice back, and may be any packet of the box', async () => {
    const screen = await asking();
    await screen.clickAbove('Leek, Bollard');
    await screen.clickAbove('Leek, Bollard');
    await screen.clickAbove('It may be any packet of the box');
    expect(screen.sent('POST', 'packets/muddles')?.body).toEqual(jasmine.objectContaining({ packetIds: [] }));
  });

  it('stays where it is where the server refuses it', async () => {
    const screen = await asking({ 'POST packets/muddles': problem(422, 'There is no packet in the box that it could be from.') });
    await screen.clickAbove('It may be any packet of the box');
    expect(document.body.textContent).toContain('There is no packet in the box that it could be from.');
    expect(document.body.textContent).toContain('Leek, Quay');
  });
});
