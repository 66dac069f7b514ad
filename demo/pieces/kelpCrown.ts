import { STRAIGHT } from '@/core/derive';
import { addRound, addShapes, paintCells, setMerge } from '@/core/figure/commands';
import { type Figure, NO_CELL_EDITS, shownCells } from '@/core/figure';
import { divisionOf } from './cells';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, petalBetween, TIDE } from './piece';

const PETALS = 22;

/** From the centre to the rim. */
const RAMP = [TIDE.shell, TIDE.coral, TIDE.brass, TIDE.foam, TIDE.kelp, '#166a68', TIDE.deep, '#0c2c38'];

/** Piece 9: 22 petals that overlap, divided into cells, and these painted ring by ring. */
export function kelpCrown(): Figure {
  let figure = emptyPiece('Kelp crown', 180, TIDE.sand);
  figure = addRound(figure, emptyRound('tips', 'Crown', PETALS));
  const seam = { colour: TIDE.sand, width: 0.5, cap: 'round' as const, join: 'round' as const };
  figure = addShapes(figure, 'tips', [
    named('petal', 'Petal', petalBetween(12, 84, 44), { fill: TIDE.kelp, stroke: seam }),
  ]);
  figure = setMerge(figure, 'tips', 'divide');
  const division = divisionOf(figure, 'tips');
  const { groups } = shownCells(division, NO_CELL_EDITS, STRAIGHT);
  groups.forEach(({ copies, depth }, k) => {
    const refs = copies.flatMap((copy) => copy.refs);
    const fill = depth === 0 ? TIDE.sand : (RAMP[Math.floor((k * RAMP.length) / groups.length)] ?? TIDE.deep);
    figure = paintCells(figure, 'tips', division, refs, { fill, stroke: seam });
  });
  figure = addRound(figure, emptyRound('veins', 'Veins', PETALS));
  figure = addShapes(figure, 'veins', [
    named('vein', 'Vein', petalBetween(74, 81, 1.6), filled(TIDE.foam)),
    named('drop', 'Drop', circleAt(87, 0.9), filled(TIDE.deep)),
  ]);
  figure = addRound(figure, emptyRound('eye', 'Eye', PETALS / 2));
  return addShapes(figure, 'eye', [
    named('eye-petal', 'Petal', petalBetween(2, 9, 3), filled(TIDE.brass)),
    named('eye-ring', 'Ring', circleAt(10.6, 0.6), lined(TIDE.deep, 0.4)),
  ]);
}
