import { counted } from '../units/index.js';

/** "about 3 in 10", "nearly all", "hardly any". */
export function inTen(share: number): string {
  const tenths = Math.round(share * 10);
  return tenths <= 0 ? 'hardly any' : tenths >= 10 ? 'nearly all' : `about ${tenths} in 10`;
}

/** Weeks as one says them: "3 weeks", "10 days". */
export const weeksInWords = (days: number): string =>
  days < 13.5 ? counted(Math.max(Math.round(days), 0), 'day') : counted(Math.round(days / 7), 'week');

/** Cold that a batch has earned of what its kind wants: "5 weeks of the 10 weeks of cold are earned". */
export const chillInWords = ({ earnedDays, wantedDays }: { readonly earnedDays: number; readonly wantedDays: number }): string =>
  earnedDays >= wantedDays
    ? `Its ${weeksInWords(wantedDays)} of cold are earned.`
    : `${earnedDays < 0.5 ? 'None' : weeksInWords(earnedDays)} of the ${weeksInWords(wantedDays)} of cold that its kind wants ${earnedDays < 0.5 ? 'is' : 'are'} earned, by the record of its place.`;
