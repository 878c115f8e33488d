/** An entry of the household's calendar. */
export interface Entry {
  /** Stable for as long as the matter is the same. */
  readonly uid: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly allDay: boolean;
  readonly heading: string;
  readonly text: string;
}
