import { Injectable } from '@angular/core';

/** Longer without a touch than this nobody stands at the table, ms. */
const AWAY_MS = 5 * 60_000;

/** Minutes at the worktop for each packet: what runs while its screen is seen and touched, pauses left out. */
@Injectable({ providedIn: 'root' })
export class WorktopClock {
  private readonly spent = new Map<string, number>();
  private running: { readonly lineId: string; sinceMs: number; lastMs: number } | null = null;

  start(lineId: string, nowMs = performance.now()): void {
    if (this.running?.lineId === lineId) return;
    this.pause(nowMs);
    this.running = { lineId, sinceMs: nowMs, lastMs: nowMs };
  }
  /** Somebody is there: a touch, a key. What was silent for long before it is a pause. */
  touch(nowMs = performance.now()): void {
    const run = this.running;
    if (!run) return;
    if (nowMs - run.lastMs > AWAY_MS) {
      this.add(run.lineId, run.lastMs - run.sinceMs);
      run.sinceMs = nowMs;
    }
    run.lastMs = nowMs;
  }
  pause(nowMs = performance.now()): void {
    const run = this.running;
    if (!run) return;
    this.running = null;
    this.add(run.lineId, Math.min(nowMs, run.lastMs + AWAY_MS) - run.sinceMs);
  }
  /** Seconds that a packet took so far. */
  seconds(lineId: string, nowMs = performance.now()): number {
    const run = this.running;
    const now = run?.lineId === lineId ? Math.min(nowMs, run.lastMs + AWAY_MS) - run.sinceMs : 0;
    return Math.round(((this.spent.get(lineId) ?? 0) + now) / 1000);
  }
  private add(lineId: string, ms: number): void {
    this.spent.set(lineId, (this.spent.get(lineId) ?? 0) + Math.max(ms, 0));
  }
}
