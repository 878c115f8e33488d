import { createHash, randomUUID } from 'node:crypto';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';

/** Kinds of picture, and what their files end in. */
export const PHOTO_TYPES: Readonly<Record<string, string>> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' };

/** Where a picture lies below a folder of pictures, by its content. */
export const photoPath = (content: string, type: string): string => join(content.slice(0, 2), `${content}.${PHOTO_TYPES[type] ?? 'bin'}`);

export const contentOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** Sees to it that a folder's list of files is on the disk. */
async function settle(folder: string): Promise<void> {
  const handle = await open(folder, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/**
 * Pictures as files named by their content. A file is whole and on the disk
 * before anything speaks of it; the same picture twice is one file.
 *
 * @param folder where they lie, made when the first one comes
 */
export function photoFiles(folder: string) {
  const pathOf = (content: string, type: string): string => join(folder, photoPath(content, type));
  return {
    folder,
    pathOf,
    /** Writes a picture down. @returns its content's hash. @throws what the disk says */
    async put(bytes: Buffer, type: string): Promise<string> {
      const content = contentOf(bytes);
      const path = pathOf(content, type);
      const there = await stat(path).catch(() => null);
      if (there?.size === bytes.length) return content;
      await mkdir(dirname(path), { recursive: true, mode: 0o700 });
      // The same picture may come twice at once: each writes a file of its own, and the later name wins.
      const part = `${path}.${randomUUID()}.part`;
      const handle = await open(part, 'w', 0o600);
      try {
        try {
          await handle.writeFile(bytes);
          await handle.sync();
        } finally {
          await handle.close();
        }
        await rename(part, path);
      } catch (error) {
        await rm(part, { force: true });
        throw error;
      }
      await settle(dirname(path));
      return content;
    },
  };
}
export type PhotoFiles = ReturnType<typeof photoFiles>;
