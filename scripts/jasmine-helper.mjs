/* global jasmine */
// A spec that asks a thread or flushes to the disk waits for a busy machine; one that hangs still ends.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;
