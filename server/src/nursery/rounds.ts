import type { NurseryTask } from '@fresh-tuck/contract';
import { dueToday, feltInstead, saidBy, settledBy, type NursingSchools, type TrayTask } from '@fresh-tuck/core/nursing';
import type { Words } from '@fresh-tuck/core/units';
import { roundInWords, taskWhen, type SpokenTask, type SpokenTray } from '@fresh-tuck/core/words';

/** What is done in one round for all that want it. */
const ROUNDS = ['uncover', 'water', 'feed', 'carry_in'] as const;
type Round = (typeof ROUNDS)[number];
const isRound = (kind: string): kind is Round => (ROUNDS as readonly string[]).includes(kind);

/** A task that is about no tray. */
export const BARE = {
  trayIds: [],
  spotId: null,
  bedId: null,
  batchId: null,
  cropId: null,
  numbers: [],
  done: null,
  says: null,
  instead: null,
};

/** A task with whose it is. */
export interface OwnTask {
  readonly task: TrayTask;
  readonly trayId: string;
  readonly spoken: SpokenTray;
  readonly words: SpokenTask;
}

/** A task as it is told, with when. */
export const told = ({ lead, text, act, tone }: SpokenTask, dueMs: number, nowMs: number, words: Words) => ({
  ...{ lead, text, act, tone, dueMs },
  today: dueToday({ dueMs }, nowMs),
  when: taskWhen(dueMs, nowMs, words),
});

/** A task of one tray, or of several in one round, as it is shown. */
function shownTask(own: readonly OwnTask[], said: SpokenTask, schools: NursingSchools, nowMs: number, words: Words): NurseryTask[] {
  const [first] = own;
  if (!first) return [];
  const { task } = first;
  return [
    {
      ...told(said, Math.max(Math.min(...own.map((one) => one.task.dueMs)), nowMs), nowMs, words),
      ...{ kind: task.kind, trayIds: own.map(({ trayId }) => trayId), spotId: null, numbers: 'numbers' in task ? [...task.numbers] : [] },
      ...{ bedId: null, batchId: null, cropId: null, done: settledBy(task, schools), says: saidBy(task), instead: feltInstead(task) },
    },
  ];
}

/** The tasks of one tray by themselves. */
export const ownTasks = (all: readonly OwnTask[], schools: NursingSchools, nowMs: number, words: Words): NurseryTask[] =>
  all.flatMap((own) => shownTask([own], own.words, schools, nowMs, words));

/** Tasks of all trays: those of one round as one. */
export function shownTasks(all: readonly OwnTask[], schools: NursingSchools, nowMs: number, words: Words): NurseryTask[] {
  const groups = new Map<string, OwnTask[]>();
  all.forEach((own, index) => {
    const { task, spoken } = own;
    const when = dueToday(task, nowMs) ? 'today' : taskWhen(task.dueMs, nowMs, words);
    // What is written down of a round holds for all of it: another strength is another round.
    const strength = task.kind === 'feed' ? task.strength : '';
    const key = isRound(task.kind)
      ? `${task.kind} ${strength} ${spoken.destination === 'slot' || spoken.destination === 'glass'} ${when}`
      : String(index);
    groups.set(key, [...(groups.get(key) ?? []), own]);
  });
  return [...groups.values()].flatMap((own) => {
    const [first] = own;
    if (!first) return [];
    const { kind } = first.task;
    const trays = own.map(({ spoken }) => spoken);
    const said = isRound(kind)
      ? roundInWords(
          kind,
          trays,
          own.map((one) => one.words),
          schools,
        )
      : first.words;
    return shownTask(own, said, schools, nowMs, words);
  });
}
