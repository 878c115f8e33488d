// Written by scripts/crops/build.ts: one line for each crop entry.
import type { Crop } from './schema.js';
import alpineStrawberry from './alpine-strawberry.json' with { type: 'json' };
import amaranth from './amaranth.json' with { type: 'json' };
import apple from './apple.json' with { type: 'json' };
import asparagus from './asparagus.json' with { type: 'json' };
import aubergine from './aubergine.json' with { type: 'json' };
import avocado from './avocado.json' with { type: 'json' };
import basil from './basil.json' with { type: 'json' };
import beanBush from './bean-bush.json' with { type: 'json' };
import beanLima from './bean-lima.json' with { type: 'json' };
import beanRunner from './bean-runner.json' with { type: 'json' };
import beet from './beet.json' with { type: 'json' };
import bitterGourd from './bitter-gourd.json' with { type: 'json' };
import blackEyedSusanVine from './black-eyed-susan-vine.json' with { type: 'json' };
import borage from './borage.json' with { type: 'json' };
import bottleGourd from './bottle-gourd.json' with { type: 'json' };
import broadBean from './broad-bean.json' with { type: 'json' };
import broccoli from './broccoli.json' with { type: 'json' };
import brusselsSprout from './brussels-sprout.json' with { type: 'json' };
import cabbage from './cabbage.json' with { type: 'json' };
import cactus from './cactus.json' with { type: 'json' };
import campion from './campion.json' with { type: 'json' };
import canna from './canna.json' with { type: 'json' };
import carrot from './carrot.json' with { type: 'json' };
import cauliflower from './cauliflower.json' with { type: 'json' };
import celeriac from './celeriac.json' with { type: 'json' };
import celery from './celery.json' with { type: 'json' };
import chamomile from './chamomile.json' with { type: 'json' };
import chard from './chard.json' with { type: 'json' };
import cherry from './cherry.json' with { type: 'json' };
import chervil from './chervil.json' with { type: 'json' };
import chestnut from './chestnut.json' with { type: 'json' };
import chickpea from './chickpea.json' with { type: 'json' };
import chineseCabbage from './chinese-cabbage.json' with { type: 'json' };
import chives from './chives.json' with { type: 'json' };
import citrus from './citrus.json' with { type: 'json' };
import cobaea from './cobaea.json' with { type: 'json' };
import coffee from './coffee.json' with { type: 'json' };
import columbine from './columbine.json' with { type: 'json' };
import coriander from './coriander.json' with { type: 'json' };
import cornflower from './cornflower.json' with { type: 'json' };
import cosmos from './cosmos.json' with { type: 'json' };
import courgette from './courgette.json' with { type: 'json' };
import cowpea from './cowpea.json' with { type: 'json' };
import cucumber from './cucumber.json' with { type: 'json' };
import datePalm from './date-palm.json' with { type: 'json' };
import delphinium from './delphinium.json' with { type: 'json' };
import dill from './dill.json' with { type: 'json' };
import echinacea from './echinacea.json' with { type: 'json' };
import endiveChicory from './endive-chicory.json' with { type: 'json' };
import fennel from './fennel.json' with { type: 'json' };
import fourOclock from './four-oclock.json' with { type: 'json' };
import foxglove from './foxglove.json' with { type: 'json' };
import garlicChives from './garlic-chives.json' with { type: 'json' };
import giantPumpkin from './giant-pumpkin.json' with { type: 'json' };
import globeArtichoke from './globe-artichoke.json' with { type: 'json' };
import groundCherry from './ground-cherry.json' with { type: 'json' };
import hibiscus from './hibiscus.json' with { type: 'json' };
import hollyhock from './hollyhock.json' with { type: 'json' };
import impatiens from './impatiens.json' with { type: 'json' };
import kale from './kale.json' with { type: 'json' };
import kohlrabi from './kohlrabi.json' with { type: 'json' };
import lambsLettuce from './lambs-lettuce.json' with { type: 'json' };
import larkspur from './larkspur.json' with { type: 'json' };
import lavender from './lavender.json' with { type: 'json' };
import leek from './leek.json' with { type: 'json' };
import lemonBalm from './lemon-balm.json' with { type: 'json' };
import lettuce from './lettuce.json' with { type: 'json' };
import lovage from './lovage.json' with { type: 'json' };
import luffa from './luffa.json' with { type: 'json' };
import lupin from './lupin.json' with { type: 'json' };
import malabarSpinach from './malabar-spinach.json' with { type: 'json' };
import mango from './mango.json' with { type: 'json' };
import mapleOrnamental from './maple-ornamental.json' with { type: 'json' };
import marigold from './marigold.json' with { type: 'json' };
import marjoram from './marjoram.json' with { type: 'json' };
import melon from './melon.json' with { type: 'json' };
import mint from './mint.json' with { type: 'json' };
import moonflower from './moonflower.json' with { type: 'json' };
import morningGlory from './morning-glory.json' with { type: 'json' };
import mustard from './mustard.json' with { type: 'json' };
import nasturtium from './nasturtium.json' with { type: 'json' };
import newZealandSpinach from './new-zealand-spinach.json' with { type: 'json' };
import nigella from './nigella.json' with { type: 'json' };
import oak from './oak.json' with { type: 'json' };
import okra from './okra.json' with { type: 'json' };
import onion from './onion.json' with { type: 'json' };
import oregano from './oregano.json' with { type: 'json' };
import pakChoi from './pak-choi.json' with { type: 'json' };
import pansy from './pansy.json' with { type: 'json' };
import papaya from './papaya.json' with { type: 'json' };
import parsley from './parsley.json' with { type: 'json' };
import parsnip from './parsnip.json' with { type: 'json' };
import passionFruit from './passion-fruit.json' with { type: 'json' };
import pea from './pea.json' with { type: 'json' };
import peach from './peach.json' with { type: 'json' };
import peanut from './peanut.json' with { type: 'json' };
import pelargonium from './pelargonium.json' with { type: 'json' };
import pepperHot from './pepper-hot.json' with { type: 'json' };
import pepperSweet from './pepper-sweet.json' with { type: 'json' };
import pepperVeryHot from './pepper-very-hot.json' with { type: 'json' };
import perilla from './perilla.json' with { type: 'json' };
import perpetualSpinach from './perpetual-spinach.json' with { type: 'json' };
import petunia from './petunia.json' with { type: 'json' };
import pine from './pine.json' with { type: 'json' };
import plum from './plum.json' with { type: 'json' };
import pomegranate from './pomegranate.json' with { type: 'json' };
import poppy from './poppy.json' with { type: 'json' };
import potMarigold from './pot-marigold.json' with { type: 'json' };
import primula from './primula.json' with { type: 'json' };
import radish from './radish.json' with { type: 'json' };
import raspberry from './raspberry.json' with { type: 'json' };
import rhubarb from './rhubarb.json' with { type: 'json' };
import rocket from './rocket.json' with { type: 'json' };
import rosemary from './rosemary.json' with { type: 'json' };
import sage from './sage.json' with { type: 'json' };
import salsify from './salsify.json' with { type: 'json' };
import snakeGourd from './snake-gourd.json' with { type: 'json' };
import snapdragon from './snapdragon.json' with { type: 'json' };
import sorrel from './sorrel.json' with { type: 'json' };
import soybean from './soybean.json' with { type: 'json' };
import spinach from './spinach.json' with { type: 'json' };
import springOnion from './spring-onion.json' with { type: 'json' };
import strawberry from './strawberry.json' with { type: 'json' };
import summerSavory from './summer-savory.json' with { type: 'json' };
import sunflower from './sunflower.json' with { type: 'json' };
import swede from './swede.json' with { type: 'json' };
import sweetCorn from './sweet-corn.json' with { type: 'json' };
import sweetPea from './sweet-pea.json' with { type: 'json' };
import swissCheesePlant from './swiss-cheese-plant.json' with { type: 'json' };
import thyme from './thyme.json' with { type: 'json' };
import tomatillo from './tomatillo.json' with { type: 'json' };
import tomato from './tomato.json' with { type: 'json' };
import turnip from './turnip.json' with { type: 'json' };
import watermelon from './watermelon.json' with { type: 'json' };
import winterSquash from './winter-squash.json' with { type: 'json' };
import zinnia from './zinnia.json' with { type: 'json' };

export const CROPS = [
  alpineStrawberry,
  amaranth,
  apple,
  asparagus,
  aubergine,
  avocado,
  basil,
  beanBush,
  beanLima,
  beanRunner,
  beet,
  bitterGourd,
  blackEyedSusanVine,
  borage,
  bottleGourd,
  broadBean,
  broccoli,
  brusselsSprout,
  cabbage,
  cactus,
  campion,
  canna,
  carrot,
  cauliflower,
  celeriac,
  celery,
  chamomile,
  chard,
  cherry,
  chervil,
  chestnut,
  chickpea,
  chineseCabbage,
  chives,
  citrus,
  cobaea,
  coffee,
  columbine,
  coriander,
  cornflower,
  cosmos,
  courgette,
  cowpea,
  cucumber,
  datePalm,
  delphinium,
  dill,
  echinacea,
  endiveChicory,
  fennel,
  fourOclock,
  foxglove,
  garlicChives,
  giantPumpkin,
  globeArtichoke,
  groundCherry,
  hibiscus,
  hollyhock,
  impatiens,
  kale,
  kohlrabi,
  lambsLettuce,
  larkspur,
  lavender,
  leek,
  lemonBalm,
  lettuce,
  lovage,
  luffa,
  lupin,
  malabarSpinach,
  mango,
  mapleOrnamental,
  marigold,
  marjoram,
  melon,
  mint,
  moonflower,
  morningGlory,
  mustard,
  nasturtium,
  newZealandSpinach,
  nigella,
  oak,
  okra,
  onion,
  oregano,
  pakChoi,
  pansy,
  papaya,
  parsley,
  parsnip,
  passionFruit,
  pea,
  peach,
  peanut,
  pelargonium,
  pepperHot,
  pepperSweet,
  pepperVeryHot,
  perilla,
  perpetualSpinach,
  petunia,
  pine,
  plum,
  pomegranate,
  poppy,
  potMarigold,
  primula,
  radish,
  raspberry,
  rhubarb,
  rocket,
  rosemary,
  sage,
  salsify,
  snakeGourd,
  snapdragon,
  sorrel,
  soybean,
  spinach,
  springOnion,
  strawberry,
  summerSavory,
  sunflower,
  swede,
  sweetCorn,
  sweetPea,
  swissCheesePlant,
  thyme,
  tomatillo,
  tomato,
  turnip,
  watermelon,
  winterSquash,
  zinnia,
] as unknown as readonly Crop[];
