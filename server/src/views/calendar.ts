import type { Batch } from '@fresh-tuck/contract';
import { wordsFor, type Words } from '@fresh-tuck/core/units';
import { dueInWords, type Due } from '@fresh-tuck/core/words';
import type { Entry } from '../calendar/entry.js';
import type { Reader } from '../forecasts/reader.js';

const MINUTE_MS = 60_000;
/** How long each takes, minutes. */
const MINUTES: Readonly<Record<Exclude<Due['kind'], 'away'>, number>> = { look: 10, move: 20, soak: 15, count: 15, chill: 10, second: 15 };

/** What is to be done, for outside calendars: of every batch its next look, its move, the ends of soak, chill and test; the days away, and those of the season. */
export function calendarEntries({ absences, forecasts, household }: Reader, season: (nowMs: number) => Entry[]) {
  return (nowMs: number): Entry[] => {
    const home = household.get();
    const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
    const away = absences.last().map(({ id, fromMs, toMs }) => ({
      ...{ uid: `away-${id}`, fromMs, toMs, allDay: true },
      ...dueInWords({ kind: 'away' }, words),
    }));
    return [
      ...forecasts
        .at(home, nowMs)
        .live()
        .flatMap((batch) => entriesOf(batch, nowMs, words)),
      ...away,
      ...season(nowMs),
    ].sort((a, b) => a.fromMs - b.fromMs || a.uid.localeCompare(b.uid));
  };
}

function entriesOf({ id, number, title, holder, facts, answers, judgement }: Batch, nowMs: number, words: Words): Entry[] {
  const place = holder.spotName;
  const own = { number, title, place };
  const found: Entry[] = [];
  const put = (due: Exclude<Due, { kind: 'away' }>, atMs: number | null): void => {
    // What is overdue stands in Today; a calendar is of what comes.
    if (atMs === null || atMs < nowMs) return;
    found.push({
      uid: `${due.kind}-${id}`,
      fromMs: atMs,
      toMs: atMs + MINUTES[due.kind] * MINUTE_MS,
      allDay: false,
      ...dueInWords(due, words),
    });
  };
  const { next, soaking, window } = answers;
  if (soaking) put({ kind: 'soak', ...own, drownsMs: soaking.drownsMs }, Math.max(soaking.enoughMs, nowMs));
  else if (next.reason !== 'chill' && next.reason !== 'second')
    put(
      {
        kind: 'look',
        ...own,
        why: judgement.nextReason.replace(/; a look through the bag is enough$/, ''),
        through: next.via === 'through',
      },
      Math.max(next.atMs, nowMs),
    );
  if (window.readyMs !== null) put({ kind: 'move', ...own, lateMs: window.lateMs }, window.readyMs);
  if (facts.test && !facts.test.result) put({ kind: 'count', ...own }, facts.test.finalMs);
  if (facts.chillUntilMs !== null) put({ kind: 'chill', ...own, seeds: answers.state.quiet }, facts.chillUntilMs);
  if (facts.secondStep && !facts.followedBy) put({ kind: 'second', ...own, ...facts.secondStep }, facts.secondStep.atMs);
  return found;
}
