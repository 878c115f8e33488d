import { Session } from 'node:inspector';

interface Coverage {
  readonly result: readonly {
    readonly url: string;
    readonly functions: readonly { readonly ranges: readonly { readonly count: number }[] }[];
  }[];
}

/** Counts what work does, from its start until it is stopped. */
export interface Effort {
  /** Blocks of core's own code that a piece of work runs through. */
  of(work: () => void): number;
  stop(): void;
}

/**
 * Counts what a piece of work does, and not how long it takes: how often the blocks
 * of core's own code are run, by V8's precise coverage. Whoever counts lets the work
 * run a few times first, as counters are laid when a function is first called.
 */
export function countEffort(): Effort {
  const session = new Session();
  session.connect();
  const ask = <T>(method: string, params: object = {}): T => {
    let reply: T | undefined;
    session.post(method, params, (error, result) => {
      if (error) throw new Error(error.message);
      reply = result as T;
    });
    return reply as T;
  };
  ask('Profiler.enable');
  ask('Profiler.startPreciseCoverage', { callCount: true, detailed: true });
  return {
    of(work) {
      ask('Profiler.takePreciseCoverage');
      work();
      const { result } = ask<Coverage>('Profiler.takePreciseCoverage');
      return result
        .filter(({ url }) => url.includes('/core/src/') && !url.includes('/testing/') && !url.includes('.spec.'))
        .flatMap(({ functions }) => functions.flatMap(({ ranges }) => ranges.map(({ count }) => count)))
        .reduce((sum, count) => sum + count, 0);
    },
    stop() {
      ask('Profiler.stopPreciseCoverage');
      session.disconnect();
    },
  };
}
