/** Something that goes wrong after the move, by what is seen. Common practice, no source. */
export interface NurseryTrouble {
  readonly id: string;
  /** What one sees. */
  readonly seen: string;
  /** What it is. */
  readonly name: string;
  readonly act: string;
  /** What it is taken for and is not. */
  readonly not: string;
  /** Stands where there is a hazard. */
  readonly caution: string | null;
  /** What is written down with a seedling that is lost to it. */
  readonly cause: string;
}

const trouble = (
  id: string,
  seen: string,
  name: string,
  act: string,
  not: string,
  cause: string,
  caution: string | null = null,
): NurseryTrouble => ({
  id,
  seen,
  name,
  act,
  not,
  caution,
  cause,
});

/** In the order in which they come over a seedling's life. */
export const NURSERY_TROUBLES: readonly NurseryTrouble[] = [
  trouble(
    'never_up',
    'Nothing comes up',
    'buried too deep, dried out once, cold, or the root snapped',
    'Feel the mix, then move its top aside over one. Firm and pale lives: cover it again and keep it damp. Cold is only slow.',
    'Not dead because its neighbours are up: a root that was bent takes days to turn.',
    'never came up',
  ),
  trouble(
    'coat',
    'The seed’s coat sits on the leaves',
    'a coat that dried before it slipped',
    'Damp it, wait an hour, ease it off with a wet finger; or leave it: most throw it. A lid on for a day helps.',
    'Not a sick plant: only its leaves are held.',
    'coat stuck',
  ),
  trouble(
    'collapse',
    'Fallen over, thin and brown at the soil',
    'damping off: a fungus of wet, still mix',
    'Lid off, air, no water until the top is dry; take out those that fell with their mix and bin them. The rest into clean mix, watered from below.',
    'Not thirst: a dry one is limp all over and stands up again within the hour of watering.',
    'damped off',
    'Mouldy mix is stirred outdoors and binned in a bag; people with asthma leave it to someone else.',
  ),
  trouble(
    'limp',
    'Limp, the pot light',
    'dried out',
    'Water from below until the top darkens, out of the sun for a day.',
    'Not damping off: the stem is whole at the soil. Limp in a heavy pot is drowning.',
    'dried out',
  ),
  trouble(
    'drowned',
    'Limp or yellow, the pot heavy',
    'roots without air',
    'Pour off what stands below, lift it clear, no water until it is light; holes in the pot.',
    'Not hunger: feeding it now burns what root is left.',
    'stood in water',
  ),
  trouble(
    'stretch',
    'Long, pale, leaning',
    'too little light for its warmth',
    'Nearer the pane or the lamp, cooler if it may be; set it deeper at potting up where the kind bears it (tomato kin do, lettuce and squash do not).',
    'Not good growth: what is long in a dark place falls in the first wind.',
    'stretched and fell',
    'A lamp keeps its maker’s distance, off wet leaves; eyes off bare bright diodes.',
  ),
  trouble(
    'scorch',
    'Bleached or crisp patches',
    'sun or lamp too strong, too soon, or drops of water in full sun',
    'Shade for some days; then an hour more each day. Its next leaves will be sound.',
    'Not a disease: it does not spread to new leaves.',
    'scorched',
  ),
  trouble(
    'flies',
    'Small black flies from the mix',
    'fungus gnats, which came in with it',
    'Let the top dry between waterings, yellow sticky cards, a finger of sand on the mix. Their young eat fine roots of the smallest.',
    'Not fruit flies: these run on the soil.',
    'eaten by gnats',
    'A spray of any kind, neem too: its label is the law.',
  ),
  trouble(
    'snapped',
    'Root or stem broken',
    'a hold on the stem, or a root torn at the move',
    'Tomato kin root again from the stem, set deep and shaded. Others rarely: give its place to a spare.',
    'A bent root is not a broken one: set it and wait.',
    'root was broken',
  ),
  trouble(
    'buried',
    'Leaves under the mix',
    'sown or watered under',
    'Loosen the top above it and water gently: most push up again within days.',
    'Not lost: do not dig.',
    'buried',
  ),
  trouble(
    'salts',
    'Brown leaf edges, a white crust on the mix',
    'salts: too strong a feed, hard water or salty coir',
    'Water through from above twice with plain water and drain; feed half as strong.',
    'Not thirst, although the edges look dry.',
    'burnt by salts',
  ),
  trouble(
    'crushed',
    'Leaves flat against the lid, or torn',
    'no room under it, or knocked',
    'Lid off or a taller one; what stands at the growing tip grows on.',
    'Not mould where it touched: look for threads before you throw it out.',
    'crushed',
  ),
  trouble(
    'chilled',
    'Dark, glassy or purple leaves after a cold night',
    'chilled or frozen',
    'Out of the morning sun, slowly warmer, no feed. Dark and soft is dead, purple is only cold.',
    'Purple alone is not hunger while nights are cold.',
    'chilled',
  ),
  trouble(
    'eaten',
    'Leaves holed, gone or cut off at the soil',
    'slugs, a cutworm, a mouse, a bird, a cat',
    'Look with a torch at night; a collar round the stem, a net over the tray, the tray off the ground.',
    'Not damping off: a bite is clean, rot is brown.',
    'eaten',
    'Baits: the label is the law, and out of reach of children and animals.',
  ),
];
