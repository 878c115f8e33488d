import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';

/**
 * Starts a thread from the file beside the bundle; from its source where the server
 * itself runs from source. Specs start dozens and have them bundled beforehand:
 * `FRESH_TUCK_THREADS` says where.
 *
 * @param name of the bundled file, without its ending
 * @param source URL of its source
 */
export function startThread(name: string, source: URL, workerData: unknown): Worker {
  const beside = process.env['FRESH_TUCK_THREADS'] ?? fileURLToPath(new URL('.', import.meta.url));
  const built = join(beside, `${name}.mjs`);
  if (existsSync(built)) return new Worker(built, { workerData });
  // A thread does not inherit the loader of TypeScript: it is registered there first.
  const loader = import.meta.resolve('tsx/esm/api');
  return new Worker(
    `import(${JSON.stringify(loader)}).then(({ register }) => { register(); return import(${JSON.stringify(source.href)}); })`,
    { eval: true, workerData },
  );
}
