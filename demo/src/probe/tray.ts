/** A heated tray as it truly is, minute by minute; not the body that the app reckons with. */
export interface Tray {
  readonly celsius: number;
  readonly on: boolean;
}
/** What the thermostat is set to. */
export interface Wanted {
  readonly celsius: number;
  readonly bandC: number;
}

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
/** Invented: a tray on a shelf of a kitchen. */
const TRAY = { wattsUp: 17, lossWPerK: 1.05, heatWhPerK: 1.5, roomC: 20.4, roomSwingC: 1.6, warmestHourUtc: 15, draughtC: 0.5 } as const;

/** The kitchen around it, with a draught that comes and goes. */
const roomAt = (ms: number): number => {
  const hours = ms / HOUR_MS;
  return (
    TRAY.roomC +
    TRAY.roomSwingC * Math.cos(((hours - TRAY.warmestHourUtc) / 24) * 2 * Math.PI) +
    TRAY.draughtC * Math.sin(hours / 3.7) * Math.sin(hours / 29)
  );
};

/** The tray a minute later; without a thermostat its mat is on. */
export function minuteOn({ celsius, on }: Tray, wanted: Wanted | null, ms: number): Tray {
  const switched = wanted === null ? true : on ? celsius < wanted.celsius + wanted.bandC / 2 : celsius < wanted.celsius - wanted.bandC / 2;
  const heat = (switched ? TRAY.wattsUp : 0) - TRAY.lossWPerK * (celsius - roomAt(ms));
  return { celsius: celsius + heat / TRAY.heatWhPerK / 60, on: switched };
}
