/** The surroundings of a warm spot over a day, °C: a sine about its mean. */
export interface Room {
  readonly meanC: number;
  /** Half of what lies between its coldest and its warmest hour. */
  readonly halfSwingC: number;
  /** Hour of its clock at which it is warmest, 0 to 24. */
  readonly warmestHour: number;
}

/** An on/off thermostat. */
export interface Thermostat {
  readonly setC: number;
  /** Between switching on, half of it below the setting, and off, half of it above. */
  readonly bandC: number;
  /** Where its probe lies: among the parcels, or on the mat under them. */
  readonly probe: 'fold' | 'mat';
  /** How long the probe takes to follow by 63 %, h; 0 follows at once. */
  readonly lagHours: number;
}

/** A heat mat under the spot. */
export interface Mat {
  /** As its plate says. */
  readonly watts: number;
  /** What lies between mat and parcels: tray, air, folded cloth, K/W. */
  readonly betweenKPerW: number;
  /** What lies between mat and room below: shelf, insulation, K/W. */
  readonly belowKPerW: number;
  /** Null where it is on all the time. */
  readonly thermostat: Thermostat | null;
}

/** Sun through a window: a half sine between two hours of the day. */
export interface Sun {
  /** What the spot takes up at its height, W. */
  readonly watts: number;
  readonly fromHour: number;
  readonly toHour: number;
}

/**
 * A warm spot as one lumped body: what stands there has one temperature, loses heat to
 * the room in proportion to what it is above it, and is heated by a mat and the sun.
 *
 *     C dT/dt = q + S(t) - K (T - room(t))
 *
 * with q the part of the mat's heat that comes through what lies between (the mat itself
 * is light, and stands in balance): q = (P Rb - (T - room)) / (Ra + Rb), Ra between mat
 * and parcels, Rb below.
 */
export interface Body {
  /** Heat that a degree takes: bags with their water, tray, air, Wh/K. */
  readonly heatWhPerK: number;
  /** Lost through cover and sides, W/K. */
  readonly lossWPerK: number;
  readonly room: Room;
  readonly mat: Mat | null;
  readonly sun: Sun | null;
}

/** Something that happens at a spot for a while; hours as the run counts them. */
export type Happening = { readonly fromHour: number; readonly toHour: number } & (
  | { readonly kind: 'room'; /** At its height, a half sine between. */ readonly addC: number }
  | { readonly kind: 'power_cut' }
  | { readonly kind: 'lid_off'; readonly lossTimes: number }
  | { readonly kind: 'sun'; readonly times: number }
);

/** A spot's hour. */
export interface BodyHour {
  readonly minC: number;
  readonly maxC: number;
  readonly meanC: number;
  /** Share of it that the mat was on; 0 without one. */
  readonly on: number;
}

export interface BodyRun {
  readonly hours: readonly BodyHour[];
  /** When the mat was switched, hours of the run, rising. */
  readonly switchedHours: readonly number[];
}

/** Room and sun are held for so long: against a day's sine that is a thousandth of a degree. */
const STEPS_AN_HOUR = 6;
const STEP_HOURS = 1 / STEPS_AN_HOUR;
/** More often than this within a step no relay switches: it then stays as it is until the next. */
const MOST_SWITCHES = 20;
/** A body forgets what it was within days: a run without a start settles for so long first. */
const SETTLE_HOURS = 72;

/** Temperature of the surroundings at an hour, °C. */
export const roomAt = ({ meanC, halfSwingC, warmestHour }: Room, hour: number): number =>
  meanC + halfSwingC * Math.cos(((hour - warmestHour) / 24) * 2 * Math.PI);

/** Sun taken up at an hour, W. */
export function sunAt(sun: Sun | null, hour: number): number {
  if (!sun || sun.toHour <= sun.fromHour) return 0;
  const at = ((((hour % 24) + 24) % 24) - sun.fromHour) / (sun.toHour - sun.fromHour);
  return at <= 0 || at >= 1 ? 0 : sun.watts * Math.sin(at * Math.PI);
}

const isOn = ({ fromHour, toHour }: Happening, hour: number): boolean => hour >= fromHour && hour < toHour;

/** What drives the body through a step, constant within it. */
interface Drive {
  readonly roomC: number;
  /** To the room, by every way, W/K. */
  readonly lossWPerK: number;
  readonly sunWatts: number;
  readonly powered: boolean;
}

function driveAt(body: Body, happenings: readonly Happening[], hour: number): Drive {
  let roomC = roomAt(body.room, hour);
  let loss = body.lossWPerK;
  let sunWatts = sunAt(body.sun, hour);
  let powered = true;
  for (const one of happenings) {
    if (!isOn(one, hour)) continue;
    if (one.kind === 'room') roomC += one.addC * Math.sin(((hour - one.fromHour) / (one.toHour - one.fromHour)) * Math.PI);
    else if (one.kind === 'lid_off') loss *= one.lossTimes;
    else if (one.kind === 'sun') sunWatts *= one.times;
    else powered = false;
  }
  return { roomC, lossWPerK: loss + (body.mat ? 1 / (body.mat.betweenKPerW + body.mat.belowKPerW) : 0), sunWatts, powered };
}

/** The mat's heat that reaches the parcels while it is on and they are no warmer than the room, W. */
export const heatUp = ({ watts, betweenKPerW, belowKPerW }: Mat): number => (watts * belowKPerW) / (betweenKPerW + belowKPerW);

/**
 * Runs a body through time, exactly within each ten minutes (its inputs are held for
 * so long, its response is the exponential), with each switch of the thermostat at the
 * moment at which its probe crosses the limit.
 *
 * @param startHour of the day of the spot's clock, any real number: 0 is a midnight
 * @param hours how long, whole, above 0
 * @param startC null where it has stood there for days
 * @throws RangeError where a heat, a loss or a length is not above 0
 */
export function runBody(
  body: Body,
  {
    startHour,
    hours,
    startC = null,
    happenings = [],
  }: {
    readonly startHour: number;
    readonly hours: number;
    readonly startC?: number | null;
    readonly happenings?: readonly Happening[];
  },
): BodyRun {
  if (!(body.heatWhPerK > 0)) throw new RangeError('heatWhPerK must be above 0');
  if (!(body.lossWPerK > 0)) throw new RangeError('lossWPerK must be above 0');
  if (!(hours > 0)) throw new RangeError('hours must be above 0');
  const relay = relayOf(body);
  const start = startC ?? body.room.meanC;
  const state: State = { celsius: start, probe: start, on: body.mat !== null && start < relay.onBelowC };
  const switchedHours: number[] = [];
  const out: BodyHour[] = [];
  for (let hour = startC === null ? -SETTLE_HOURS : 0; hour < hours; hour++) {
    const tally = { minC: state.celsius, maxC: state.celsius, meanC: 0, on: 0 };
    for (let step = 0; step < STEPS_AN_HOUR; step++) {
      const at = hour + step * STEP_HOURS;
      const drive = driveAt(body, hour < 0 ? [] : happenings, startHour + at + STEP_HOURS / 2);
      const switched = stepped(state, relay, drive, body.heatWhPerK / drive.lossWPerK, tally);
      if (hour >= 0) switchedHours.push(...switched.map((within) => at + within));
    }
    if (hour >= 0) out.push(tally);
  }
  return { hours: out, switchedHours };
}

/** A mat and what switches it, as its probe feels it. */
interface Relay {
  /** What reaches the parcels while it is on, W. */
  readonly watts: number;
  readonly onBelowC: number;
  readonly offAboveC: number;
  readonly lag: number;
  /** The probe feels so much of the parcels, the rest of the room, and the mat's own rise while it is on. */
  readonly share: number;
  readonly riseC: number;
}

function relayOf({ mat }: Body): Relay {
  const thermostat = mat?.thermostat ?? null;
  const watts = mat ? heatUp(mat) : 0;
  // Without a thermostat nothing switches it; without a mat there is nothing to switch.
  const limits = thermostat
    ? { onBelowC: thermostat.setC - thermostat.bandC / 2, offAboveC: thermostat.setC + thermostat.bandC / 2, lag: thermostat.lagHours }
    : { onBelowC: mat ? Infinity : -Infinity, offAboveC: Infinity, lag: 0 };
  if (!mat || thermostat?.probe !== 'mat') return { watts, ...limits, share: 1, riseC: 0 };
  return { watts, ...limits, share: mat.belowKPerW / (mat.betweenKPerW + mat.belowKPerW), riseC: mat.betweenKPerW * watts };
}

interface State {
  celsius: number;
  probe: number;
  on: boolean;
}

/**
 * Takes a state through one step under a constant drive, from switch to switch, and adds
 * it to its hour.
 *
 * @returns when it was switched, h from the step's beginning
 */
function stepped(
  state: State,
  { watts, onBelowC, offAboveC, lag, share, riseC }: Relay,
  { roomC, lossWPerK, sunWatts, powered }: Drive,
  tau: number,
  tally: { -readonly [Key in keyof BodyHour]: BodyHour[Key] },
): number[] {
  const switched: number[] = [];
  let left = STEP_HOURS;
  while (left > 1e-12) {
    const heated = state.on && powered;
    const goalC = roomC + ((heated ? watts : 0) + sunWatts) / lossWPerK;
    const response = responseFrom(state, goalC, tau, share, (1 - share) * roomC + (heated ? riseC : 0), lag);
    const limitC = state.on ? offAboveC : onBelowC;
    const felt = probeAfter(response, left);
    const crosses = switched.length < MOST_SWITCHES && (state.on ? felt >= limitC : felt <= limitC);
    const span = crosses ? crossing(response, limitC, left) : left;
    tally.meanC += goalC * span + (state.celsius - goalC) * tau * -Math.expm1(-span / tau);
    if (heated) tally.on += span;
    state.celsius = bodyAfter(response, span);
    state.probe = probeAfter(response, span);
    tally.minC = Math.min(tally.minC, state.celsius);
    tally.maxC = Math.max(tally.maxC, state.celsius);
    left -= span;
    if (crosses) {
      state.on = !state.on;
      switched.push(STEP_HOURS - left);
    }
  }
  return switched;
}

/** Body and probe under constant inputs: an exponential, and two. */
interface Response {
  readonly goalC: number;
  /** Of the body, from its goal. */
  readonly above: number;
  readonly tau: number;
  /** The probe's end, and what of it goes with the body and with its own lag; at no lag it goes with the body alone. */
  readonly end: number;
  readonly withBody: number;
  readonly alone: number;
  readonly lag: number;
}
const bodyAfter = ({ goalC, above, tau }: Response, hours: number): number => goalC + above * Math.exp(-hours / tau);
const probeAfter = ({ end, withBody, tau, alone, lag }: Response, hours: number): number =>
  end + withBody * Math.exp(-hours / tau) + (lag > 0 ? alone * Math.exp(-hours / lag) : 0);

function responseFrom({ celsius, probe }: State, goalC: number, tau: number, share: number, base: number, lag: number): Response {
  const above = celsius - goalC;
  const end = share * goalC + base;
  if (lag <= 0) return { goalC, above, tau, end, withBody: share * above, alone: 0, lag };
  // Where both are as slow, the formula divides by nothing: a little aside it does not.
  const slow = Math.abs(tau - lag) < 1e-9 * tau ? lag * (1 - 1e-7) : lag;
  const withBody = (share * above * tau) / (tau - slow);
  return { goalC, above, tau, end, withBody, alone: probe - end - withBody, lag: slow };
}

/** When within a stretch the probe meets a limit that it has passed at its end: regula falsi, as Illinois has it. */
function crossing(response: Response, limit: number, end: number): number {
  let [low, high] = [0, end];
  let [below, above] = [probeAfter(response, 0) - limit, probeAfter(response, end) - limit];
  // It stands beyond it from the first, as where the setting was changed.
  if (below * above >= 0) return 0;
  let kept = 0;
  for (let times = 0; times < 60 && high - low > 1e-12; times++) {
    const middle = high - (above * (high - low)) / (above - below);
    const at = probeAfter(response, middle) - limit;
    if (Math.abs(at) < 1e-10) return middle;
    if (at * above > 0) {
      [high, above] = [middle, at];
      if (kept === -1) below /= 2;
      kept = -1;
    } else {
      [low, below] = [middle, at];
      if (kept === 1) above /= 2;
      kept = 1;
    }
  }
  return high;
}
