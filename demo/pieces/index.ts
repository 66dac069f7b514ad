import type { Figure } from '../../src/core/figure/model';
import { kelpCrown } from './kelpCrown';
import { laceRosette } from './laceRosette';
import { scallopRing } from './scallopRing';

/** The pieces of Tide Week that can be built so far, each by a script of commands. */
export const PIECES: Readonly<Record<string, () => Figure>> = {
  'scallop-ring': scallopRing,
  'kelp-crown': kelpCrown,
  'lace-rosette': laceRosette,
};
