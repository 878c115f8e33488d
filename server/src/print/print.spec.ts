import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsqr from 'jsqr';
import { v7 as uuid } from 'uuid';
import type { Labelled, Sitting } from '@fresh-tuck/contract';
import { lookBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, packetBody, type Household } from '../testing/household.js';

const DPI = 300;
const MM = DPI / 25.4;
const decode = jsqr as unknown as (data: Uint8ClampedArray, width: number, height: number) => { data: string } | null;

/** A page as grey levels, rasterised from outside by Poppler. */
interface Raster {
  readonly width: number;
  readonly height: number;
  readonly grey: Buffer;
}

/** PDFs looked at from outside: by Debian's Poppler, not by what wrote them. */
describe('paper', () => {
  let home: Household;
  let folder: string;
  const { get, post } = asks(() => home);
  const print = async (what: string, body: object): Promise<Buffer> => {
    const response = await home.request.post(`/api/print/${what}`).send(body).buffer(true).parse(whole);
    expect(response.status).withContext(JSON.stringify(response.body)).toBe(200);
    return response.body as Buffer;
  };
  const refused = async (what: string, body: object): Promise<string> => {
    const response = await home.request.post(`/api/print/${what}`).send(body);
    expect(response.status).toBe(422);
    return ((response.body as { errors: { message: string }[] }).errors[0] ?? { message: '' }).message;
  };
  const file = (pdf: Buffer): string => {
    const path = join(folder, `${uuid()}.pdf`);
    writeFileSync(path, pdf);
    return path;
  };
  const run = (command: string, ...args: string[]): string => execFileSync(command, args, { encoding: 'utf8' });
  const words = (pdf: Buffer): string => run('pdftotext', '-layout', file(pdf), '-').replace(/\s+/g, ' ');
  const pages = (pdf: Buffer): number => Number(/Pages:\s+(\d+)/.exec(run('pdfinfo', file(pdf)))?.[1]);
  function raster(pdf: Buffer, page = 1): Raster {
    const out = join(folder, uuid());
    run('pdftoppm', '-gray', '-r', String(DPI), '-f', String(page), '-l', String(page), '-singlefile', file(pdf), out);
    const pgm = readFileSync(`${out}.pgm`);
    const [, width = '', height = ''] = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(pgm.toString('latin1', 0, 40)) ?? [];
    return { width: Number(width), height: Number(height), grey: pgm.subarray(pgm.length - Number(width) * Number(height)) };
  }
  const isDark = ({ width, grey }: Raster, xMm: number, yMm: number): boolean => {
    // Within a tenth of a millimetre of where it is said to be.
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) if ((grey[Math.round(yMm * MM + dy) * width + Math.round(xMm * MM + dx)] ?? 255) < 150) return true;
    return false;
  };
  /** What a telephone would read of a part of a page. */
  function codeAt({ width, grey }: Raster, xMm: number, yMm: number, wMm: number, hMm: number): string | null {
    const [x, y, w, h] = [xMm, yMm, wMm, hMm].map((mm) => Math.round(mm * MM)) as [number, number, number, number];
    const rgba = new Uint8ClampedArray(w * h * 4);
    for (let row = 0; row < h; row++)
      for (let column = 0; column < w; column++) {
        const level = grey[(y + row) * width + x + column] ?? 255;
        rgba.set([level, level, level, 255], (row * w + column) * 4);
      }
    return decode(rgba, w, h)?.data ?? null;
  }

  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-print-'));
    home = await household();
  });
  afterEach(async () => {
    await home.services.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('prints the labels of a sitting with real text and embedded fonts, and their codes lead back', async () => {
    const varieties = ['Bollard', 'Šípková Łąka', 'An exceedingly long name of a variety that no label holds'];
    const lines: object[] = [];
    for (const variety of varieties) {
      const packet = packetBody({ variety });
      await post('packets', packet);
      lines.push({ id: uuid(), packetId: packet.id });
    }
    const sitting = await post<Sitting>('sittings', { lines, at: '2026-04-11T19:30' });
    const items = sitting.lines.map(({ id }) => ({ kind: 'line', id, seeds: 8 }));
    const pdf = await print('labels', { kind: 'stickers', from: 5, items });
    expect(pages(pdf)).toBe(1);
    expect(words(pdf)).toMatch(/2 Leek ?Bollard .*8 seeds · Sat 11 Apr 2026/);
    expect(words(pdf)).toContain('Šípková Łąka');
    const fonts = run('pdffonts', file(pdf)).split('\n').slice(2).filter(Boolean);
    expect(fonts.length).toBeGreaterThan(2);
    for (const font of fonts) expect(font).toMatch(/(TrueType|CID).*yes\s+yes\s+(yes|no)/);
    // Place 5 of three columns: the second row, in the middle; its code lies at its right edge.
    const page = raster(pdf);
    expect(Math.abs(page.width / MM - 210)).toBeLessThan(0.3);
    const [x, y] = [7.2 + 63.5 + 2.5, 12.9 + 33.9];
    const code = codeAt(page, x + 63.5 / 2, y, 63.5 / 2, 33.9);
    expect(await get<Labelled>(`labels?code=${code}`)).toEqual(jasmine.objectContaining({ kind: 'line', id: sitting.id }));
    // The four places before it are white.
    for (let place = 0; place < 4; place++) {
      const [px, py] = [7.2 + (place % 3) * 66, 12.9 + Math.floor(place / 3) * 33.9];
      let dark = 0;
      for (let at = 0; at < 60; at++) if (isDark(page, px + at, py + 6)) dark++;
      expect(dark)
        .withContext(`place ${place + 1}`)
        .toBe(0);
    }
  });

  it('prints a label for a batch, a sprout, a packet, a bag and a spot, on every kind of sheet', async () => {
    await post(`batches/${home.batchId}/looks`, lookBody(2));
    const moved = await post<{ cups: { number: number }[]; holder: { id: string } }>(`batches/${home.batchId}/moves`, {
      at: null,
      who: null,
      destination: 'cup',
      bedId: null,
      seeds: [],
      uncounted: 2,
      rooted: { freed: 0, patched: 0, snapped: 0 },
      quietPlanted: 0,
    });
    const items = [
      { kind: 'batch', id: home.batchId },
      { kind: 'seedling', id: String(moved.cups[0]?.number) },
      { kind: 'packet', id: home.packetId },
      { kind: 'holder', id: moved.holder.id },
      { kind: 'spot', id: home.spotId },
    ];
    for (const kind of ['stickers', 'strips', 'cut']) {
      const pdf = await print('labels', { kind, items });
      const text = words(pdf);
      for (const said of ['Okra', 'Tall Mast', 'from 1', 'Hall cupboard', 'Bag with 1']) expect(text).withContext(kind).toContain(said);
    }
  });

  it('takes several sheets where one is too small, and refuses what cannot be, by its field', async () => {
    const items = Array.from({ length: 40 }, () => ({ kind: 'batch', id: home.batchId }));
    expect(pages(await print('labels', { kind: 'stickers', from: 24, items }))).toBe(3);
    expect(await refused('labels', { kind: 'stickers', from: 25, items })).toContain('from 1 to 24');
    expect(await refused('labels', { kind: 'cut', items: [] })).toContain('at least one label');
    expect(await refused('template', { kind: 'towel', seeds: 0, widthMm: 140, heightMm: 110 })).toContain(
      'seeds must be a whole number from 1',
    );
    expect(await refused('template', { kind: 'bed', widthMm: 500, lengthMm: 500, inRowMm: -40, rowsMm: 40 })).toContain(
      'inRowMm must be a number from 5',
    );
    expect(await refused('template', { kind: 'bed', widthMm: 9000, lengthMm: 9000, inRowMm: 400, rowsMm: 400 })).toContain('print a part');
    const grid = { page: 'a4', columns: 3, rows: 8, widthMm: 90, heightMm: 33.9, leftMm: 7.2, topMm: 12.9, gapXMm: 2.5, gapYMm: 0 };
    const wide = await home.request.put('/api/print/paper').send({ id: uuid(), page: 'a4', stickers: grid });
    expect(wide.status).toBe(422);
    expect(JSON.stringify(wide.body)).toContain('stickers.widthMm must be at most 65.9 mm');
    await home.request
      .put('/api/print/paper')
      .send({ id: uuid(), page: 'letter', stickers: { ...grid, widthMm: 60 } })
      .expect(200);
    expect(words(await print('labels', { kind: 'strips', items: items.slice(0, 1) }))).toContain('Okra');
  });

  it('draws a towel to scale: seeds, edges and ruler lie where a ruler finds them', async () => {
    const pdf = await print('template', { kind: 'towel', cropId: 'okra', seeds: 1, widthMm: 140, heightMm: 110 });
    const page = raster(pdf);
    const [left, top] = [14, 26];
    // The edges of the folded towel, and the only seed in its middle.
    for (const [x, y] of [
      [left, top + 40],
      [left + 140, top + 40],
      [left + 50, top],
      [left + 50, top + 110],
      [left + 70, top + 55],
    ] as const)
      expect(isDark(page, x, y))
        .withContext(`${x} ${y}`)
        .toBeTrue();
    expect(isDark(page, left + 30, top + 20)).toBeFalse();
    // The ruler's ends are 100 mm apart.
    const ruler = 297 - 26 + 12;
    expect([isDark(page, 14, ruler - 2), isDark(page, 114, ruler - 2), isDark(page, 118, ruler - 2)]).toEqual([true, true, false]);
    expect(words(pdf)).toContain('1 seed on a towel');
  });

  it('splits a bed over pages that meet: every plant stands once, at its distance', async () => {
    const pdf = await print('template', { kind: 'bed', cropId: 'leek', widthMm: 400, lengthMm: 300, inRowMm: 100, rowsMm: 100 });
    // 182 by 245 mm to a page of A4: three across, two down.
    expect(pages(pdf)).toBe(6);
    expect(words(pdf)).toContain('12 places');
    const [left, top] = [14, 26];
    const found = new Set<string>();
    for (let index = 0; index < 6; index++) {
      const page = raster(pdf, index + 1);
      const [fromX, fromY] = [(index % 3) * 182, Math.floor(index / 3) * 245];
      for (let x = 50; x < 400; x += 100)
        for (let y = 50; y < 300; y += 100) {
          const [px, py] = [x - fromX, y - fromY];
          if (px < 0 || py < 0 || px >= 182 || py >= 245) continue;
          expect(isDark(page, left + px, top + py))
            .withContext(`${x} ${y}`)
            .toBeTrue();
          found.add(`${x} ${y}`);
        }
    }
    expect(found.size).toBe(12);
  });

  it('prints a round by spot, with what to look for and boxes to fill in', async () => {
    await post('batches', batchBody(home.packetId, home.spotId, { seeds: 4 }));
    const text = words(await print('round', { batchIds: null }));
    for (const said of [
      'Test house: the round',
      'Hall cupboard',
      'Okra, Tall Mast · 8 seeds',
      'tips in all',
      'not opened',
      'never for eating',
    ])
      expect(text).toContain(said);
    const one = words(await print('round', { batchIds: [home.batchId] }));
    expect(one).toContain('1 parcel in 1 place');
    await post(`batches/${home.batchId}/closings`, { reason: 'rotten', at: null });
    expect(await refused('round', { batchIds: [home.batchId] })).toContain('still open');
  });

  it('knows a stranger’s code, and one of another household, and says so', async () => {
    const strange = await home.request.get('/api/labels').query({ code: 'https://example.org/x' });
    expect([strange.status, (strange.body as { detail: string }).detail]).toEqual([
      404,
      jasmine.stringContaining('no label of Fresh Tuck'),
    ]);
    const other = await home.request.get('/api/labels').query({ code: `FT:${uuid().replaceAll('-', '')}` });
    expect((other.body as { detail: string }).detail).toContain('another household');
  });
});

/** A body as the bytes that it is. */
function whole(response: unknown, done: (error: Error | null, body: unknown) => void): void {
  const chunks: Buffer[] = [];
  const stream = response as NodeJS.ReadableStream;
  stream.on('data', (chunk: Buffer) => chunks.push(chunk));
  stream.on('end', () => {
    const body = Buffer.concat(chunks);
    done(null, body.subarray(0, 4).toString() === '%PDF' ? body : (JSON.parse(body.toString()) as unknown));
  });
}
