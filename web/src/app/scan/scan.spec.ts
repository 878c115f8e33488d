import { create } from 'qrcode';
import { codeText } from '@fresh-tuck/core/paper';
import { choose, problem, show, type Screen } from '../testing/house';
import { Scan } from './scan';

const TOKEN = '0199a3f2-0000-7000-8000-000000000001';

/** A photograph of a code, a little turned, on a grey table. */
async function photograph(text: string | null): Promise<File> {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 640;
  const context = canvas.getContext('2d');
  if (!context) throw new Error('no canvas');
  context.fillStyle = '#c9c2b4';
  context.fillRect(0, 0, 640, 640);
  if (text !== null) {
    const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
    const one = 9;
    context.translate(190, 150);
    context.rotate(0.12);
    context.fillStyle = '#fff';
    context.fillRect(-36, -36, size * one + 72, size * one + 72);
    context.fillStyle = '#111';
    data.forEach((dark, index) => dark && context.fillRect((index % size) * one, Math.floor(index / size) * one, one, one));
  }
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  return new File([blob ?? ''], 'label.png', { type: 'image/png' });
}
const photographed = async (answer: unknown, file: File): Promise<Screen<Scan>> => {
  const screen = await show(Scan, { 'GET labels': answer });
  await choose(screen, 'Take a picture of it', file);
  await screen.until(() => !screen.text.includes('Looking for a label'));
  await screen.settle();
  return screen;
};

describe('reading a label', () => {
  it('finds the code in a photograph and opens what it leads to', async () => {
    const screen = await photographed({ kind: 'batch', id: 'b1', title: '7 Leek, Quay' }, await photograph(codeText(TOKEN)));
    await screen.until(() => screen.url === '/batch/b1');
    expect(screen.asked.find(({ path }) => path === 'labels')?.query).toEqual({ code: codeText(TOKEN) });
    expect(screen.url).toBe('/batch/b1');
  });

  it('says of a stranger’s code, of a picture without one, and of no picture what they are', async () => {
    const strange = problem(404, 'This code is no label of Fresh Tuck’s. Ours have a number beside them: type that.');
    expect((await photographed(strange, await photograph('https://example.org'))).text).toContain('no label of Fresh Tuck’s');
  });

  it('asks for a nearer picture where no code is in it', async () => {
    expect((await photographed(strange(), await photograph(null))).text).toContain('No code is to be seen in it.');
  });

  it('asks for a picture where the file is none', async () => {
    expect((await photographed(strange(), new File(['a letter'], 'letter.txt'))).text).toContain('This file is no picture');
  });
});

const strange = () => problem(404, 'unused');
