/** Types for scripts in TypeScript; the rest is used by plain scripts only. */
export function build(): Promise<void>;
