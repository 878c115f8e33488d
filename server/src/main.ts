import { join } from 'node:path';
import { openDatabase } from './db/database.js';
import { serve } from './run.js';
import { servicesOn } from './services.js';
import { settingsFrom } from './settings.js';

try {
  const settings = settingsFrom(process.env);
  const db = openDatabase(join(settings.dataFolder, 'household.sqlite'));
  const services = servicesOn(db, settings.clock, { demo: false, version: process.env['npm_package_version'] ?? '0.1.0' });
  const address = await serve(services, settings, { webRoot: process.env['FRESH_TUCK_WEB'] });
  console.log(`Fresh Tuck is ready: ${address}`);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
