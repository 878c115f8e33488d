// Written by scripts/build-crops.ts: one line for each crop entry.
import type { Crop } from './schema.js';
import beanBush from './bean-bush.json' with { type: 'json' };
import celeriac from './celeriac.json' with { type: 'json' };
import chives from './chives.json' with { type: 'json' };
import cucumber from './cucumber.json' with { type: 'json' };
import dill from './dill.json' with { type: 'json' };
import globeArtichoke from './globe-artichoke.json' with { type: 'json' };
import leek from './leek.json' with { type: 'json' };
import lettuce from './lettuce.json' with { type: 'json' };
import lupin from './lupin.json' with { type: 'json' };
import melon from './melon.json' with { type: 'json' };
import morningGlory from './morning-glory.json' with { type: 'json' };
import okra from './okra.json' with { type: 'json' };
import passionFruit from './passion-fruit.json' with { type: 'json' };
import pea from './pea.json' with { type: 'json' };
import pepperSweet from './pepper-sweet.json' with { type: 'json' };
import radish from './radish.json' with { type: 'json' };
import sorrel from './sorrel.json' with { type: 'json' };
import soybean from './soybean.json' with { type: 'json' };
import strawberry from './strawberry.json' with { type: 'json' };
import sweetPea from './sweet-pea.json' with { type: 'json' };
import tomatillo from './tomatillo.json' with { type: 'json' };
import tomato from './tomato.json' with { type: 'json' };

export const CROPS = [
  beanBush,
  celeriac,
  chives,
  cucumber,
  dill,
  globeArtichoke,
  leek,
  lettuce,
  lupin,
  melon,
  morningGlory,
  okra,
  passionFruit,
  pea,
  pepperSweet,
  radish,
  sorrel,
  soybean,
  strawberry,
  sweetPea,
  tomatillo,
  tomato,
] as unknown as readonly Crop[];
