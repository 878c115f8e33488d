import Papa from 'papaparse';
import { COLUMN_LABELS, DRYNESSES, PACKET_COLUMNS, STORES, type PacketColumn } from '@fresh-tuck/core/seedbox';
import type { StoredPacket } from './store.js';

const cellsOf = (packet: StoredPacket): Record<PacketColumn, string | number> => ({
  crop: packet.cropName,
  variety: packet.variety,
  year: packet.year ?? '',
  source: packet.source ?? '',
  ratePercent: packet.printedRatePercent ?? '',
  days: packet.printedDays?.join('-') ?? '',
  seeds: packet.seedsLeft ?? '',
  grams: '',
  perGram: packet.seedsPerGram ?? '',
  dressed: packet.dressed ? 'yes' : 'no',
  trait: packet.trait ?? '',
  generation: packet.generation ?? '',
  place: packet.storage.place ? STORES[packet.storage.place].label : '',
  celsius: packet.storage.celsius ?? '',
  dryness: packet.storage.dryness ? DRYNESSES[packet.storage.dryness].label : '',
  note: packet.note ?? '',
  price: packet.price ?? '',
});

/** What a spreadsheet may take for a formula, full-width signs among it. */
const FORMULA = /^[=+\-@\t\r＝＋－＠]/;

/** The box as a table that can be read in again; formulas are guarded for spreadsheets. */
export const packetsAsCsv = (packets: readonly StoredPacket[]): string =>
  Papa.unparse(
    {
      fields: PACKET_COLUMNS.map((column) => COLUMN_LABELS[column]),
      data: packets.map((packet) => PACKET_COLUMNS.map((column) => cellsOf(packet)[column])),
    },
    { escapeFormulae: FORMULA, newline: '\r\n' },
  );
