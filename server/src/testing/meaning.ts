import type { Household } from './household.js';

/** What an undo leaves in the notebook and nowhere else: lines, versions and names of entries. */
const NOTEBOOK = new Set(['journal', 'lookIds', 'version', 'amendedId', 'counts', 'lastLookId', 'nowMs', 'told', 'recordedMs']);

const without = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(without);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).flatMap(([key, inner]) => (NOTEBOOK.has(key) ? [] : [[key, without(inner)]])));
};

/**
 * What a household's whole database means: every answer that a screen draws, the lines
 * of the journals left out. Two databases that mean the same differ only in what was
 * written and struck through.
 */
export async function meaning({ request, db }: Household): Promise<Record<string, unknown>> {
  const ids = (table: string): string[] => db.prepare<[], string>(`SELECT id FROM ${table} ORDER BY rowid`).pluck().all();
  const paths = [
    ...['today', 'batches', 'box', 'nursery', 'spots', 'spots/away', 'holders', 'beds', 'beds/away', 'racks', 'racks/away', 'packets'],
    ...['packets/away', 'find?words=1', 'find?words=okra', 'about'],
    ...ids('batch').map((id) => `batches/${id}`),
    ...ids('packet').map((id) => `packets/${id}`),
    ...ids('spot').map((id) => `spots/${id}/readings`),
    ...ids('bed').map((id) => `beds/${id}/soil`),
    ...ids('holder').map((id) => `holders/${id}/probe`),
  ];
  const answers: Record<string, unknown> = {};
  for (const path of paths) {
    const answer = without((await request.get(`/api/${path}`).expect(200)).body);
    // What fits equally well stands in no order.
    answers[path] = path.startsWith('find') && Array.isArray(answer) ? answer.map((one) => JSON.stringify(one)).sort() : answer;
  }
  return answers;
}
