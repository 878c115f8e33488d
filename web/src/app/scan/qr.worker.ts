/// <reference lib="webworker" />
import jsQR from 'jsqr';

/** A picture's pixels, looked at for a code beside the page. */
addEventListener(
  'message',
  ({ data: { key, pixels, width, height } }: MessageEvent<{ key: number; pixels: ArrayBuffer; width: number; height: number }>) => {
    const found = jsQR(new Uint8ClampedArray(pixels), width, height);
    postMessage({ key, text: found?.data ?? null });
  },
);
