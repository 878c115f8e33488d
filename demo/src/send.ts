/** A clock that the building sets as it walks through the weeks. */
export interface BuildClock {
  set(ms: number): void;
}

/** Sends a request to the household that is being built. */
export type Send = <T>(method: string, path: string, body: object) => Promise<T>;
