import { join } from 'node:path';
import { openDatabase, ownFolder } from './db/database.js';
import { serve } from './host.js';
import { servicesOn } from './services.js';
import { settingsFrom } from './settings.js';

try {
  const settings = settingsFrom(process.env);
  const { clock, dataFolder } = settings;
  ownFolder(dataFolder);
  const options = { demo: false, version: process.env['npm_package_version'] ?? '0.1.0' };
  const { address } = await serve(settings, {
    folder: dataFolder,
    webRoot: process.env['FRESH_TUCK_WEB'],
    open: (host) => servicesOn(openDatabase(join(dataFolder, 'household.sqlite')), clock, { ...options, host }),
  });
  console.log(`Fresh Tuck is ready: ${address}`);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
