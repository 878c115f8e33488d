import type { KnownFact } from '../forecast/index.js';
import { DAY_MS, listed, spanInWords } from '../units/index.js';

/** One thing that was known of a lot before its first look. */
export function knownInWords(fact: KnownFact): string {
  switch (fact.what) {
    case 'rate':
      return fact.source === null
        ? `${fact.percent} of 100 printed on the packet`
        : `about ${fact.percent} of 100 ${fact.crop.toLowerCase()} seeds live (${fact.source})`;
    case 'age': {
      const { calendarYears, agedYears, percent } = fact;
      const store = calendarYears !== agedYears ? `, aged by its store like ${Number(agedYears.toFixed(1))}` : '';
      return `${calendarYears} ${calendarYears === 1 ? 'year' : 'years'} old${store}: about ${percent} of 100 of what it was, a guess`;
    }
    case 'days':
      return `half of the live seeds ${fact.seen === 'tip' ? 'show' : 'come up'} after about ${spanInWords(fact.days * DAY_MS)} at their best warmth`;
    case 'test':
      return `test ${fact.number} of this packet: ${fact.normal} of ${fact.seeds} grew sound seedlings`;
    case 'records': {
      const from = listed(
        [fact.packet > 0 ? `${fact.packet} finished of this packet` : '', fact.crop > 0 ? `${fact.crop} of this crop` : ''].filter(Boolean),
      );
      const percent = Math.round((Math.exp(fact.shift) - 1) * 100);
      const pace =
        Math.abs(percent) < 3
          ? 'as its crop page says'
          : `${Math.abs(percent)} % ${percent > 0 ? 'later' : 'sooner'} than its crop page says`;
      return `own records (${from}): expected ${pace}`;
    }
  }
}
