/** Longest side that a kept photograph has, px: enough to tell hair from mould. */
const LONGEST_PX = 1600;
const QUALITY = 0.82;

/**
 * Scales a photograph down in the browser, so that years of them stay small; its
 * place and camera data go with the pixels that are thrown away.
 *
 * @throws Error where the file is no picture
 */
export async function smallPicture(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('That file is no picture: a JPEG, PNG or WebP is.');
  });
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
}
