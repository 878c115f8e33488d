import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';

/** A phone that rests between two parcels finds its connection open: what is sent on one that is just being closed is lost, ms. */
const KEPT_OPEN_MS = 65_000;

/**
 * Starts serving and says where.
 *
 * @throws Error in a sentence where the port is taken or may not be used
 */
export function listen(app: RequestListener, port: number, host: string): Promise<{ server: Server; address: string }> {
  return new Promise((resolve, reject) => {
    // Headers are waited for a little longer, as a connection that is kept waits for those of its next request.
    const server = createServer({ keepAliveTimeout: KEPT_OPEN_MS, headersTimeout: KEPT_OPEN_MS + 1_000 }, app);
    server.once('error', (error: NodeJS.ErrnoException) => {
      const reason =
        error.code === 'EADDRINUSE'
          ? `Port ${port} is already in use. Stop what runs there, or choose another: PORT=4311 npm start`
          : error.code === 'EACCES'
            ? `Port ${port} may not be used by this account. Choose one above 1023: PORT=4310 npm start`
            : `The server cannot start: ${error.message}`;
      reject(new Error(reason));
    });
    server.listen(port, host, () => {
      const { port: actual } = server.address() as AddressInfo;
      resolve({ server, address: `http://${host === '127.0.0.1' ? 'localhost' : host}:${actual}/` });
    });
  });
}
