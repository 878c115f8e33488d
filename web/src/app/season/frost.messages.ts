/** A station's file as it was read, or why it was not. */
export type FrostReply =
  | {
      readonly kind: 'read';
      readonly first: string;
      readonly last: string;
      readonly celsius: readonly (number | null)[];
      readonly heading: string;
      readonly unit: 'C' | 'F' | 'tenths';
      readonly hourly: boolean;
      /** Days with a figure. */
      readonly read: number;
    }
  | { readonly kind: 'failed'; readonly why: string };
