import type { Check } from '../check';
import { neighbourContrast } from './contrast';
import { openCuts, sharpInside, toolWidth } from './cutting';
import { doubled } from './doubled';
import { nearEnds, openFilled } from './ends';
import { idleHandles } from './handles';
import { hidden } from './hidden';
import { inks, palette } from './inks';
import { areas } from './areas';
import { islands } from './islands';
import { gap, gapAtSize, thin, thinAtSize } from './narrow';
import { needlessNodes } from './nodes';
import { beyondPage, bleed, offCentre } from './page';
import { samePaint } from './samePaint';
import { seeThrough } from './seeThrough';
import { selfCrossing } from './selfCrossing';
import { slivers } from './slivers';
import { specks } from './specks';
import { spikes } from './spikes';
import { stacked } from './stacked';
import { closure, neighbours, residual } from './symmetry';
import { unpainted } from './unpainted';
import { vision } from './vision';
import { alternation, bandsTouch } from './weave';

/** Every check; a new one is a file and a line here. */
export const CHECKS: readonly Check[] = [
  residual,
  closure,
  neighbours,
  stacked,
  openFilled,
  nearEnds,
  doubled,
  needlessNodes,
  idleHandles,
  selfCrossing,
  spikes,
  slivers,
  specks,
  hidden,
  unpainted,
  samePaint,
  neighbourContrast,
  vision,
  palette,
  inks,
  seeThrough,
  thin,
  gap,
  thinAtSize,
  gapAtSize,
  beyondPage,
  bleed,
  offCentre,
  openCuts,
  toolWidth,
  sharpInside,
  islands,
  areas,
  alternation,
  bandsTouch,
];

export const checkOf = (id: string): Check | undefined => CHECKS.find((each) => each.id === id);
