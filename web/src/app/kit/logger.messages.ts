/** What goes to the worker that reads a logger's file, and what comes back. */
export interface LoggerRequest {
  readonly file: File;
  /** IANA zone of the logger's clock, where its lines do not say. */
  readonly zone: string;
  /** What the gardener says of it against what was recognised; null leaves it. */
  readonly unit: 'C' | 'F' | null;
  readonly order: 'dmy' | 'mdy' | 'ymd' | null;
}
/** An hour: hours since 1970, lowest and highest, °C. */
export type WiredHour = readonly [hour: number, minC: number, maxC: number];
export type LoggerReply =
  | { readonly kind: 'read'; readonly share: number }
  | { readonly kind: 'failed'; readonly why: string }
  | {
      readonly kind: 'done';
      readonly hours: readonly WiredHour[];
      readonly lines: number;
      readonly unread: number;
      readonly unreadLines: readonly number[];
      readonly repeated: number;
      readonly gaps: number;
      readonly unit: 'C' | 'F';
      readonly unitSaid: boolean;
      readonly order: 'dmy' | 'mdy' | 'ymd';
      readonly orderDoubtful: boolean;
      readonly column: string;
    };
