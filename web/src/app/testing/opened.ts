import { look, parcel } from '@fresh-tuck/core/testing';
import { OpenScreen } from '../open/open';
import { aBatch, show, type Screen } from './house';

const looks = [look(48, { tipped: 0, damp: 'damp' }), look(24, { tipped: 1, marks: [{ seed: 3, stage: 'tip', rootMm: null }] })];
/** Okra on its fourth day: one tip a day ago, seven seeds quiet. */
export const okra = aBatch(parcel('okra', 4, 27, { looks }), { lastLookId: 'l2', number: 21 });

export async function open(answers: Record<string, unknown> = {}, inputs: Record<string, unknown> = {}): Promise<Screen<OpenScreen>> {
  sessionStorage.clear();
  const screen = await show(
    OpenScreen,
    { 'GET batches/b1': okra, 'GET people': ['Ada', 'Bo'], 'GET beds': [], 'POST batches/b1/looks': okra, ...answers },
    { batchId: 'b1', ...inputs },
  );
  await screen.settle();
  return screen;
}
/** The look as it was sent, once the outbox has it. */
export const sent = async (screen: Screen<OpenScreen>): Promise<Record<string, unknown>> => {
  await screen.until(() => screen.sent('POST', 'batches/b1/looks') !== undefined);
  return screen.sent('POST', 'batches/b1/looks')?.body ?? {};
};
