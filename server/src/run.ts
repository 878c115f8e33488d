import { createApp, type AppOptions } from './app.js';
import { listen } from './listen.js';
import type { Services } from './services.js';
import type { Settings } from './settings.js';

/** Serves until the process is told to stop, then closes what is open. */
export async function serve(services: Services, settings: Settings, options: AppOptions): Promise<string> {
  const { host, port } = settings;
  const hostNames = host === '127.0.0.1' || host === '0.0.0.0' ? [] : [host];
  const { server, address } = await listen(createApp(services, { hostNames, ...options }), port, host);
  services.ask.warm(() => services.clock.now()).catch(console.error);
  const stop = (): void => {
    services.changes.close();
    server.closeAllConnections();
    server.close(() => {
      services.db.close();
      process.exit(0);
    });
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  return address;
}
