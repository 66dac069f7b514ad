import type { Figure } from '@/core/figure';
import { anemone } from './anemone';
import { bubbleLattice } from './bubbleLattice';
import { coveSeal } from './coveSeal';
import { dryDockFrame } from './dryDockFrame';
import { foldedFan } from './foldedFan';
import { frostField } from './frostField';
import { frostFlake } from './frostFlake';
import { hatchIris } from './hatchIris';
import { kelpCrown } from './kelpCrown';
import { laceRosette } from './laceRosette';
import { lampBurst } from './lampBurst';
import { mooringBorder } from './mooringBorder';
import { needleFlake } from './needleFlake';
import { netRoundel } from './netRoundel';
import { netWhirl } from './netWhirl';
import { posterWheel } from './posterWheel';
import { propeller } from './propeller';
import { ropeKnot } from './ropeKnot';
import { scallopRing } from './scallopRing';
import { scrollRing } from './scrollRing';
import { tideDial } from './tideDial';
import { DIATOM_PICTURE, diatomPicture, tracedDiatom } from './tracedDiatom';

/** The pieces of Tide Week that can be built so far, each by a script of commands. */
export const PIECES: Readonly<Record<string, () => Figure>> = {
  propeller,
  'poster-wheel': posterWheel,
  'mooring-border': mooringBorder,
  'traced-diatom': tracedDiatom,
  'bubble-lattice': bubbleLattice,
  anemone,
  'needle-flake': needleFlake,
  'hatch-iris': hatchIris,
  'folded-fan': foldedFan,
  'rope-knot': ropeKnot,
  'net-roundel': netRoundel,
  'dry-dock-frame': dryDockFrame,
  'net-whirl': netWhirl,
  'frost-flake': frostFlake,
  'frost-field': frostField,
  'lamp-burst': lampBurst,
  'scallop-ring': scallopRing,
  'scroll-ring': scrollRing,
  'cove-seal': coveSeal,
  'kelp-crown': kelpCrown,
  'lace-rosette': laceRosette,
  'tide-dial': tideDial,
};

/** The pictures that lie under some of them, as SVG, by the ids that they are kept by. */
export const PICTURES: Readonly<Record<string, () => string>> = { [DIATOM_PICTURE]: diatomPicture };
