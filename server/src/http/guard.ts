import type { RequestHandler } from 'express';
import { Problem } from './problem.js';

const LOCAL_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);

/** Host name of a Host header, without its port. */
const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Refuses requests made under a foreign name: a page elsewhere that points its
 * own name at this machine, or posts here from another origin, gets nothing.
 *
 * @param names extra host names the server was told to answer to
 */
export function refuseForeign(names: readonly string[]): RequestHandler {
  const allowed = new Set([...LOCAL_NAMES, ...names.map((name) => name.toLowerCase())]);
  return (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (!allowed.has(nameOf(host))) throw new Problem(421, 'Wrong address', 'This server does not answer to that host name.');
    const { origin } = request.headers;
    if (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`) {
      throw new Problem(403, 'Foreign page', 'Requests from other pages are refused.');
    }
    next();
  };
}

/** Who asked, as the browser says it: a page of ours, or an address typed by a person. */
const OWN_SITES = new Set(['same-origin', 'none']);

/**
 * Refuses what another page's script or picture asks for: its answer would not be
 * shown there, but the work would be done. Programs that are no browser say nothing
 * and are let through.
 */
export const refuseCrossSite: RequestHandler = (request, _response, next) => {
  const site = request.get('Sec-Fetch-Site');
  if (site !== undefined && !OWN_SITES.has(site)) throw new Problem(403, 'Foreign page', 'Requests from other pages are refused.');
  next();
};
