import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import { create } from 'qrcode';
import type { Ink } from '@fresh-tuck/core/drawing';
import { PAGES, type PageSize } from '@fresh-tuck/core/paper';

export const INK = '#14342B';
export const SOFT = '#4A635A';
export const HAIR = '#9AAAA2';
export const TROUBLE = '#8E2A18';
const POINTS_PER_MM = 72 / 25.4;

/** A style is two files: a font's Latin letters, and the rarer ones of the same face. */
const FILES = {
  text: ['@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next', '400'],
  bold: ['@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next', '700'],
  number: ['@fontsource/bricolage-grotesque/files/bricolage-grotesque', '800'],
} as const;
export type Face = keyof typeof FILES;
const PARTS = ['latin', 'latin-ext'] as const;

const require = createRequire(import.meta.url);
/** Read once for as long as the thread lives: every sheet embeds what it uses of them. */
const fonts = new Map<string, Buffer>();
function fontFile(face: Face, part: (typeof PARTS)[number]): Buffer {
  const [path, weight] = FILES[face];
  const name = `${path}-${part}-${weight}-normal.woff`;
  const found = fonts.get(name) ?? readFileSync(require.resolve(name));
  fonts.set(name, found);
  return found;
}

/** Whether a letter is among a font's plain Latin ones: the first page of Unicode and its typographic marks. */
const isPlain = (letter: string): boolean => {
  const code = letter.codePointAt(0) ?? 0;
  return code <= 0xff || (code >= 0x2000 && code <= 0x206f) || code === 0x20ac;
};
/** Letters that neither file holds are left as a mark that something stands there. */
const isKnown = (letter: string): boolean => isPlain(letter) || (letter.codePointAt(0) ?? 0) <= 0x24f;

interface Run {
  readonly part: (typeof PARTS)[number];
  readonly text: string;
}
function runs(text: string): Run[] {
  const found: { part: (typeof PARTS)[number]; text: string }[] = [];
  for (const letter of text.normalize('NFC')) {
    const part = isPlain(letter) || !isKnown(letter) ? 'latin' : 'latin-ext';
    const last = found.at(-1);
    const shown = isKnown(letter) ? letter : '?';
    if (last?.part === part) last.text += shown;
    else found.push({ part, text: shown });
  }
  return found;
}

/** A sheet of paper that is drawn on in millimetres from its upper left corner. @param lying whether its long side lies below */
export function sheetOf(page: PageSize, title: string, lying = false) {
  const { widthMm, heightMm } = PAGES[page];
  const size = lying ? { widthMm: heightMm, heightMm: widthMm } : { widthMm, heightMm };
  const doc = new PDFDocument({
    size: [size.widthMm * POINTS_PER_MM, size.heightMm * POINTS_PER_MM],
    margin: 0,
    autoFirstPage: false,
    info: { Title: title, Producer: 'Fresh Tuck', Creator: 'Fresh Tuck' },
  });
  const pt = (mm: number): number => mm * POINTS_PER_MM;
  for (const face of Object.keys(FILES) as Face[]) for (const part of PARTS) doc.registerFont(`${face} ${part}`, fontFile(face, part));
  const chunks: Uint8Array[] = [];
  doc.on('data', (chunk: Uint8Array) => chunks.push(chunk));
  const ended = new Promise<Uint8Array>((resolve, reject) => {
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))));
    doc.on('error', reject);
  });

  const width = (text: string, face: Face, sizeMm: number): number =>
    runs(text).reduce((sum, run) => sum + doc.font(`${face} ${run.part}`).fontSize(pt(sizeMm)).widthOfString(run.text), 0) / POINTS_PER_MM;

  const own = {
    page(): void {
      doc.addPage();
    },
    width,
    /** Text with its baseline at a height. @returns where it ends */
    text(text: string, xMm: number, baseMm: number, face: Face, sizeMm: number, colour = INK, turned = 0): number {
      let at = pt(xMm);
      doc.save();
      if (turned !== 0) doc.rotate(turned, { origin: [pt(xMm), pt(baseMm)] });
      for (const run of runs(text)) {
        doc
          .font(`${face} ${run.part}`)
          .fontSize(pt(sizeMm))
          .fillColor(colour)
          .text(run.text, at, pt(baseMm), { lineBreak: false, baseline: 'alphabetic' });
        at += doc.widthOfString(run.text);
      }
      doc.restore();
      return at / POINTS_PER_MM;
    },
    /** The largest size up to a limit at which a text fits; where even the smallest is too large, it is cut short. */
    fitted(text: string, widthMm: number, face: Face, most: number, least: number): { readonly text: string; readonly sizeMm: number } {
      const whole = width(text, face, most);
      if (whole <= widthMm) return { text, sizeMm: most };
      const sizeMm = Math.max((most * widthMm) / whole, least);
      if (width(text, face, sizeMm) <= widthMm + 1e-6) return { text, sizeMm };
      let cut = [...text];
      while (cut.length > 1 && width(`${cut.join('').trimEnd()}…`, face, sizeMm) > widthMm) cut = cut.slice(0, -1);
      return { text: `${cut.join('').trimEnd()}…`, sizeMm };
    },
    /** Lines of a text that is broken at its spaces. */
    lines(text: string, widthMm: number, face: Face, sizeMm: number): string[] {
      const found: string[] = [];
      for (const word of text.split(/\s+/)) {
        const last = found.at(-1);
        if (last !== undefined && width(`${last} ${word}`, face, sizeMm) <= widthMm) found[found.length - 1] = `${last} ${word}`;
        else found.push(word);
      }
      return found;
    },
    line(x1: number, y1: number, x2: number, y2: number, colour = HAIR, widthMm = 0.15, dash: number | null = null): void {
      doc.save().lineWidth(pt(widthMm)).strokeColor(colour);
      if (dash !== null) doc.dash(pt(dash), { space: pt(dash) });
      doc.moveTo(pt(x1), pt(y1)).lineTo(pt(x2), pt(y2)).stroke().restore();
    },
    box(x: number, y: number, w: number, h: number, colour = INK, widthMm = 0.25): void {
      doc.save().lineWidth(pt(widthMm)).strokeColor(colour).rect(pt(x), pt(y), pt(w), pt(h)).stroke().restore();
    },
    ring(x: number, y: number, radiusMm: number, colour: string, dash: number | null = null): void {
      doc.save().lineWidth(pt(0.18)).strokeColor(colour);
      if (dash !== null) doc.dash(pt(dash), { space: pt(dash) });
      doc.circle(pt(x), pt(y), pt(radiusMm)).stroke().restore();
    },
    dot(x: number, y: number, radiusMm: number, colour = INK): void {
      doc.save().fillColor(colour).circle(pt(x), pt(y), pt(radiusMm)).fill().restore();
    },
    /** A path of an SVG, its figures in units of so many millimetres from a corner. */
    path(d: string, { fill, stroke, width: wide = 1, dash, opacity = 1 }: Ink, x: number, y: number, unitMm: number): void {
      doc.save().translate(pt(x), pt(y)).scale(pt(unitMm)).opacity(opacity).lineWidth(wide).lineCap('round').lineJoin('round');
      if (dash) doc.dash(dash[0] ?? 1, { space: dash[1] ?? 1 });
      doc.path(d);
      if (fill && stroke) doc.fillAndStroke(fill, stroke);
      else if (fill) doc.fill(fill);
      else if (stroke) doc.stroke(stroke);
      doc.restore();
    },
    /** Keeps what is drawn within a window. */
    within(x: number, y: number, w: number, h: number, draw: () => void): void {
      doc.save().rect(pt(x), pt(y), pt(w), pt(h)).clip();
      draw();
      doc.restore();
    },
    /** A QR code as crisp squares. */
    code(text: string, x: number, y: number, sideMm: number): void {
      const { size: modules, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
      const one = sideMm / modules;
      doc.save().fillColor('#000000');
      data.forEach((dark, index) => {
        // Squares overlap by a hair, or a printer leaves white seams between them.
        if (dark) doc.rect(pt(x + (index % modules) * one), pt(y + Math.floor(index / modules) * one), pt(one) + 0.02, pt(one) + 0.02);
      });
      doc.fill().restore();
    },
    end(): Promise<Uint8Array> {
      doc.end();
      return ended;
    },
  };
  return own;
}
export type Sheet = ReturnType<typeof sheetOf>;
