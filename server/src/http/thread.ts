import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';

/**
 * Starts a thread from the file beside the bundle; from its source where the server
 * itself runs from source.
 *
 * @param name of the bundled file, without its ending
 * @param source URL of its source
 */
export function startThread(name: string, source: URL, workerData: unknown): Worker {
  const built = fileURLToPath(new URL(`./${name}.mjs`, import.meta.url));
  if (existsSync(built)) return new Worker(built, { workerData });
  // A thread does not inherit the loader of TypeScript: it is registered there first.
  const loader = import.meta.resolve('tsx/esm/api');
  return new Worker(
    `import(${JSON.stringify(loader)}).then(({ register }) => { register(); return import(${JSON.stringify(source.href)}); })`,
    { eval: true, workerData },
  );
}
