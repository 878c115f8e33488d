/** Before the token of every code of ours: a stranger's code is known by its lack. */
const MARK = 'FT:';
const CODE = /^(?:ft:)?([0-9a-f]{8})-?([0-9a-f]{4})-?([0-9a-f]{4})-?([0-9a-f]{4})-?([0-9a-f]{12})(?:\.(\d{1,9}))?$/;

/** What a code of ours leads to: the token of a thing, and the label's number where it is one of several seedlings. */
export interface CodeOf {
  readonly token: string;
  readonly number: number | null;
}

/**
 * What the code of a label says: the mark and the token in capitals, which a QR code packs
 * tightest. No address is in it, so that it is the same wherever the household lives.
 *
 * @param token UUID of what is labelled; @param number of a seedling, after its batch's token
 */
export const codeText = (token: string, number: number | null = null): string =>
  `${MARK}${token.replaceAll('-', '').toUpperCase()}${number === null ? '' : `.${number}`}`;

/** What a code says; null for a stranger's. Labels printed before the mark held the bare UUID. */
export function codeIn(text: string): CodeOf | null {
  const found = CODE.exec(text.trim().toLowerCase());
  if (!found) return null;
  const number = found[6];
  return { token: found.slice(1, 6).join('-'), number: number === undefined ? null : Number(number) };
}
