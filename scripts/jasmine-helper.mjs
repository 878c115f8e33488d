/* global jasmine */
import { join } from 'node:path';
import { bundle, root } from './lib.mjs';

// A spec that asks a thread or flushes to the disk waits for a busy machine; one that hangs still ends.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;

// Threads are bundled once: from source each of the many would load everything anew.
process.env.FRESH_TUCK_THREADS = join(root, 'dist', 'threads');
await bundle({}, process.env.FRESH_TUCK_THREADS);
