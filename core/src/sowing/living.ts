const NODES = 15;

/** A beta of the living share on a few nodes, with weights that sum to 1. @param rate mean inside (0, 1), weight above 0 */
export function weighted({ mean, weight }: { readonly mean: number; readonly weight: number }): { share: number; weight: number }[] {
  const [a, b] = [mean * weight, (1 - mean) * weight];
  // Laid out as sin², which gives both ends their due; the angle's own measure is in the exponents.
  const nodes = Array.from({ length: NODES }, (_, index) => {
    const share = Math.sin(((index + 0.5) / NODES) * (Math.PI / 2)) ** 2;
    return { share, log: (a - 0.5) * Math.log(share) + (b - 0.5) * Math.log1p(-share) };
  });
  const top = Math.max(...nodes.map(({ log }) => log));
  const total = nodes.reduce((sum, { log }) => sum + Math.exp(log - top), 0);
  return nodes.map(({ share, log }) => ({ share, weight: Math.exp(log - top) / total }));
}
