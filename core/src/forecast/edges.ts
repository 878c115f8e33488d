import { thinned, type Evidence } from './evidence.js';
import { quietGroups } from './likelihood.js';
import { AT_START, logSince, released } from './origins.js';

/** A sum of shares at edges, with weights: what a quiet group would have shown. */
export interface SeenAt {
  readonly count: number;
  readonly opened: number;
  readonly leads: readonly { readonly at: number; readonly weight: number }[];
}

/** Tips that were found at once, and the stretches between edges in which they may have come. */
export interface TipsAt {
  readonly count: number;
  readonly stretches: readonly { readonly from: number; readonly to: number; readonly weight: number }[];
}

/** The progresses that a likelihood asks for, once each, and where each figure of the evidence finds its own. */
export function edgesOf(evidence: Evidence) {
  const edges: number[] = [];
  const at = (progress: number): number => {
    const known = edges.indexOf(progress);
    return known >= 0 ? known : edges.push(progress) - 1;
  };
  const tips = evidence.tips.map((tip): TipsAt => ({
    count: tip.count,
    stretches: (tip.noticed ?? [{ ...tip, weight: 1 }]).map(({ fromProgress, toProgress, weight }) => ({
      from: at(fromProgress),
      to: at(toProgress),
      weight,
    })),
  }));
  const quiet = quietGroups(evidence).map(({ progress, count, through }): SeenAt => ({
    count,
    opened: at(progress),
    leads: (through?.leads ?? []).map((lead) => ({
      at: at(Math.max((through?.progress ?? 0) - lead.progress, progress)),
      weight: lead.weight,
    })),
  }));
  const { harm } = evidence;
  const heat = harm ? { at: at(harm.progress), survival: harm.survival } : null;
  const origins = released(evidence.origins ?? AT_START);
  // Every edge as each part of the seed has it, part by part.
  const logs = Float64Array.from(origins.flatMap(({ progress: origin }) => edges.map((progress) => logSince(progress, origin))));
  const parts = Float64Array.from(origins, ({ weight }) => weight);
  return { progresses: edges, logs, parts, tips, quiet, heat, tipCount: tips.reduce((sum, tip) => sum + tip.count, 0) };
}

/** The seen share of a quiet group from the shares at the edges. */
export function seenAt({ opened, leads }: SeenAt, tipped: Float64Array): number {
  const base = tipped[opened] as number;
  let share = base;
  for (let index = 0; index < leads.length; index++) {
    const { at, weight } = leads[index] as SeenAt['leads'][number];
    share += weight * ((tipped[at] as number) - base);
  }
  return share;
}

/** Share that tips where tips that were found at once may have come. */
export function foundAt({ stretches }: TipsAt, tipped: Float64Array): number {
  let share = 0;
  for (let index = 0; index < stretches.length; index++) {
    const { from, to, weight } = stretches[index] as TipsAt['stretches'][number];
    share += weight * ((tipped[to] as number) - (tipped[from] as number));
  }
  return share;
}

/** What heat took of the shares at the edges beyond it. */
export function takeHeat({ progresses, heat }: Edges, tipped: Float64Array): void {
  if (!heat) return;
  const [struck, base] = [progresses[heat.at] as number, tipped[heat.at] as number];
  for (let edge = 0; edge < tipped.length; edge++) {
    if ((progresses[edge] as number) > struck) tipped[edge] = thinned(tipped[edge] as number, base, heat.survival);
  }
}

export type Edges = ReturnType<typeof edgesOf>;
