/** A look as a client sends it: opened, damp, so many tips. */
export const lookBody = (tipped: number, more: object = {}): object => ({
  at: null,
  via: 'opened',
  seen: { tipped, rotten: 0, basedOn: null },
  marks: [],
  damp: 'damp',
  rewetted: false,
  troubles: [],
  who: null,
  note: null,
  supersedes: null,
  ...more,
});
