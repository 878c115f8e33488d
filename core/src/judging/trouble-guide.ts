/** Something that a gardener sees in a bag, what it is, and what it is taken for. Common practice, no source. */
export interface Finding {
  readonly id: FindingId;
  /** What one would call it before knowing what it is. */
  readonly seen: string;
  readonly sign: string;
  readonly means: string;
  readonly mistaken: string;
  readonly todo: string;
  /** Stands where the hazard is; null where there is none. */
  readonly caution: string | null;
  /** Whether it harms, or only looks as if it did. */
  readonly harm: 'none' | 'mend' | 'loss';
}

export const FINDING_IDS = ['hair', 'mould', 'dye', 'algae', 'rot', 'smell', 'heat', 'drying', 'pooling', 'drowned'] as const;
export type FindingId = (typeof FINDING_IDS)[number];

const MOULD_CAUTION =
  'Open it by a window or outdoors and do not sniff at it. What you take out goes into a closed bag and the bin. With asthma or a weak immune system, leave this to someone else.';

/** The trouble guide, the harmless look-alikes first. */
export const FINDINGS: readonly Finding[] = [
  {
    id: 'hair',
    seen: 'White fuzz round a root',
    sign: 'An even white down, close round the root and only there, thickest a little behind its tip.',
    means: 'Root hairs: the root is drinking. Nothing to mend.',
    mistaken: 'Mould. Mist it once: hairs lie down and vanish, mould stays up and runs on over paper and coat.',
    todo: 'Leave it, re-damp the towel if it is drying: hairs stand out most where air is dry.',
    caution: null,
    harm: 'none',
  },
  {
    id: 'dye',
    seen: 'Colour spreading from a seed',
    sign: 'A flat stain with a soft edge, pink, blue, green or tea-brown, the same round every seed of the packet.',
    means: 'Colour out of the coat: the dye of dressed seed, or the tannin of a dark coat. The seed is sound.',
    mistaken: 'Rot. A stained seed is as firm as the others and smells of nothing.',
    todo: 'Leave it. A fresh towel only if you can no longer tell what you see.',
    caution: 'A bright dye says that the seed was dressed: gloves, nothing near food or animals, wash your hands.',
    harm: 'none',
  },
  {
    id: 'algae',
    seen: 'A green film on the bag or paper',
    sign: 'A thin even green on the wettest, lightest side; smooth, never furry.',
    means: 'Algae: water and light. Harmless to seed.',
    mistaken: 'Green mould, which stands up as powder or fur and sits on seed.',
    todo: 'Wipe it off or change the bag, and keep the bag darker.',
    caution: null,
    harm: 'none',
  },
  {
    id: 'mould',
    seen: 'Threads or coloured fur',
    sign: 'Grey, white, green or black threads that run across paper and coats, not only round a root; dots on their ends.',
    means: 'Mould. It begins on dead or bruised seed and spreads to its neighbours.',
    mistaken: 'Mist it first: root hair is only round a root and lies down, a paper fibre is dry and loose.',
    todo: 'Lift out every seed that is soft; rinse the firm ones; a fresh towel, a little drier; a clean bag. Household peroxide, one part to nine of water, may be misted on what stays.',
    caution: `${MOULD_CAUTION} Peroxide: household 3 % only, never with vinegar or bleach, gloves and eyes covered, the bottle labelled.`,
    harm: 'loss',
  },
  {
    id: 'rot',
    seen: 'A soft or brown seed',
    sign: 'It gives under a finger, its inside is brown or runs out, a slimy ring round it.',
    means: 'That seed is dead. Firm ones beside it may still be alive.',
    mistaken: 'Press it: a dyed seed, or one that has drunk and is tight, is hard as a bean.',
    todo: 'Take it out and count it as rotten; re-tuck the firm ones on a clean place, a little drier.',
    caution: MOULD_CAUTION,
    harm: 'loss',
  },
  {
    id: 'smell',
    seen: 'It smells sour or foul',
    sign: 'A sour smell when the bag opens, often with cloudy water in the fold.',
    means: 'Something in it is rotting, or it had no air for days.',
    mistaken: 'Seed that is drinking well smells green, like beans: that is right.',
    todo: 'Find the soft ones and take them out; pour off what stands; fresh towel, a pocket of air in the bag.',
    caution: MOULD_CAUTION,
    harm: 'loss',
  },
  {
    id: 'heat',
    seen: 'The bag feels hot',
    sign: 'Warmer than your hand, drops hanging inside; it lay in the sun or straight on a heater.',
    means: 'Above about 32 °C seed suffers; 35 to 40 °C kills most within hours.',
    mistaken: 'Slightly cool against the wrist is right.',
    todo: 'Off the heat and out of the sun now; lay cardboard between mat and bag; set the thermostat lower; say the temperature you read.',
    caution:
      'Mats: a thermostat and a residual-current outlet, plug and controller dry and out of the tray, the maker’s instructions first.',
    harm: 'mend',
  },
  {
    id: 'drying',
    seen: 'The towel is drying',
    sign: 'The paper is pale and crisp at the edge, no shine, it lifts off the seed.',
    means: 'A quiet seed only pauses. A tip that dries is lost.',
    mistaken: 'Paper that looks pale but wets your fingertip: still damp.',
    todo: 'Spray what is missing, tips first, fold the edge in and close the bag.',
    caution: null,
    harm: 'mend',
  },
  {
    id: 'pooling',
    seen: 'Water stands in the fold',
    sign: 'A shining rim round the seeds, drops run when you tilt it.',
    means: 'Too wet: seed under water has no air.',
    mistaken: 'Drops on the bag alone: that is breath, and does no harm.',
    todo: 'Tip it out, press the towel between dry ones, give the bag a pocket of air.',
    caution: null,
    harm: 'mend',
  },
  {
    id: 'drowned',
    seen: 'It was under water too long',
    sign: 'Pale, swollen and limp after a soak or a flooded bag; bubbles at the scar.',
    means: 'Past the kind’s drowning limit: some of them are dead and the rest are weak.',
    mistaken: 'Seed that has simply drunk its fill is tight, not limp.',
    todo: 'Out of the water, dabbed dry, on a towel barely damp; those that go soft are taken out, the rest keep their time.',
    caution: null,
    harm: 'loss',
  },
];
