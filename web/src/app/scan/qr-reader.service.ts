import { Injectable } from '@angular/core';

/** A photograph is made no larger than this before it is looked through, px: a code is found in less. */
const MOST_PX = 1400;

/** Reads the code in a picture, beside the page. */
@Injectable({ providedIn: 'root' })
export class QrReader {
  private worker: Worker | null = null;
  private lastKey = 0;
  private readonly waiting = new Map<number, (text: string | null) => void>();
  private readonly canvas = document.createElement('canvas');

  private started(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(new URL('./qr.worker', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<{ key: number; text: string | null }>) => {
      this.waiting.get(data.key)?.(data.text);
      this.waiting.delete(data.key);
    };
    this.worker = worker;
    return worker;
  }

  /** @returns what the code says; null where none is seen */
  read(source: CanvasImageSource, width: number, height: number): Promise<string | null> {
    const shrink = Math.min(1, MOST_PX / Math.max(width, height));
    const [w, h] = [Math.max(Math.round(width * shrink), 1), Math.max(Math.round(height * shrink), 1)];
    this.canvas.width = w;
    this.canvas.height = h;
    const context = this.canvas.getContext('2d', { willReadFrequently: true });
    if (!context) return Promise.resolve(null);
    context.drawImage(source, 0, 0, w, h);
    const { data } = context.getImageData(0, 0, w, h);
    const key = ++this.lastKey;
    return new Promise((resolve) => {
      this.waiting.set(key, resolve);
      this.started().postMessage({ key, pixels: data.buffer, width: w, height: h }, [data.buffer]);
    });
  }

  /** @throws Error where the file is no picture */
  async readFile(file: Blob): Promise<string | null> {
    const picture = await createImageBitmap(file);
    try {
      return await this.read(picture, picture.width, picture.height);
    } finally {
      picture.close();
    }
  }
}
