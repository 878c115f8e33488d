/** What the demo builds on. */
export { createApp } from './app.js';
export { looksOf, movesOf } from './journal/read.js';
export { clockFrom, type Clock } from './clock.js';
export { migrationFiles, openDatabase, ownFolder, type Database } from './db/database.js';
export { listen } from './listen.js';
export { serve, type Host } from './host.js';
export { servicesOn, type Services } from './services.js';
export { settingsFrom } from './settings.js';
export { readerOn, type Reader } from './forecasts/reader.js';
export { memoryCache } from './forecasts/lot-cache.js';
