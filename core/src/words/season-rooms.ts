import type { Overflow, Room } from '../season/index.js';
import { listed } from '../units/index.js';
import { daysInWords } from './season.js';

/** How a room's unit is counted. */
const UNITS: Readonly<Record<Room['kind'], { readonly one: string; readonly many: string }>> = {
  warm: { one: 'bag', many: 'bags' },
  lit: { one: 'cell', many: 'cells' },
  slots: { one: 'slot', many: 'slots' },
  bed: { one: 'm²', many: 'm²' },
};
const amount = (kind: Room['kind'], size: number): string => {
  const shown = kind === 'bed' ? Math.round(size * 10) / 10 : Math.max(Math.round(size), 1);
  return `${shown} ${shown === 1 ? UNITS[kind].one : UNITS[kind].many}`;
};

/** A room's room: "Room on the lit shelf: 72 cells". */
export const roomInWords = ({ name, kind, holds }: Room): string =>
  holds === null ? `${name}: nobody has said how many ${UNITS[kind].many} stand there` : `${name}: room for ${amount(kind, holds)}`;

/** What does not fit, and who stands there then. @param titleOf a lot's title */
export function overflowInWords(
  { by, from, to, lots }: Overflow,
  room: Room,
  titleOf: (lotId: string) => string,
  year: number,
): { readonly lead: string; readonly text: string } {
  const most = lots.slice(0, 4).map(({ lotId, size }) => `${titleOf(lotId)} ${amount(room.kind, size)}`);
  const rest = lots.length - most.length;
  return {
    lead: `${amount(room.kind, by)} too many from ${daysInWords(from, to, year)}`,
    text: `${room.name} then: ${listed([...most, ...(rest > 0 ? [`${rest} more`] : [])])}.`,
  };
}
