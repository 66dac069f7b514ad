import { STRAIGHT } from '@/core/derive';
import {
  addRound,
  addShapes,
  boundByFrame,
  keepCellsInside,
  outlineOfRound,
  paintCells,
  setFrame,
  setMerge,
} from '@/core/figure/commands';
import { type Figure, NO_CELL_EDITS, shownCells } from '@/core/figure';
import { pathForm } from '@/core/maker';
import { fromPolar, polarOf } from '@/core/curve';
import { divisionOf } from './cells';
import { circleAt, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

const FOLD = 16;
const INVISIBLE = { fill: null, stroke: null };

/**
 * Piece 7: chords in the frame of a 16-gon and folds along axis and rays bound facets, light on one side of a fold and dark on the
 * other, trimmed to a circle.
 */
export function foldedFan(): Figure {
  let figure = emptyPiece('Folded fan', 180, TIDE.sand);
  figure = addRound(figure, emptyRound('disc', 'Disc', 1));
  figure = addShapes(figure, 'disc', [named('rim', 'Rim', circleAt(0, 80), filled(TIDE.deep))]);
  figure = addRound(figure, emptyRound('fan', 'Fan', FOLD));
  figure = setFrame(figure, 'fan', {
    polygon: { sides: FOLD, radius: 86, fit: 'in', diagonals: 'none' },
    rings: [24, 50, 80],
  });
  const step = 360 / FOLD;
  const at = (r: number, degrees: number) => ({ ...fromPolar(r, degrees), kind: 'corner' as const });
  const line = (...nodes: ReturnType<typeof at>[]) => pathForm(nodes, false);
  figure = addShapes(figure, 'fan', [
    named('fold', 'Fold', line(at(0, 0), at(86, 0)), INVISIBLE),
    named('ray', 'Ray', line(at(0, step / 2), at(86, step / 2)), INVISIBLE),
    named('chord', 'Chord', line(at(50, -step / 2), at(70, 0), at(50, step / 2)), INVISIBLE),
    named('inner', 'Inner chord', line(at(36, -step / 2), at(24, 0), at(36, step / 2)), INVISIBLE),
  ]);
  figure = setMerge(figure, 'fan', 'divide');
  figure = boundByFrame(figure, 'fan', true);
  const division = divisionOf(figure, 'fan');
  figure = keepCellsInside(
    figure,
    'fan',
    division,
    outlineOfRound(figure, 'disc', 'fan', STRAIGHT),
    STRAIGHT,
  );
  const tones = [
    [TIDE.brass, '#c98f2c'],
    [TIDE.coral, '#a83a20'],
    [TIDE.foam, TIDE.kelp],
    [TIDE.shell, '#e0a27c'],
  ] as const;
  const crease = { colour: TIDE.sand, width: 0.7, cap: 'round' as const, join: 'round' as const };
  const { groups } = shownCells(division, NO_CELL_EDITS, STRAIGHT);
  const inside = new Map(division.cells.map((cell) => [cell.key, cell.inside]));
  groups.forEach(({ keys, copies }, k) => {
    const middle = inside.get(keys[0] ?? '') ?? { x: 0, y: 0 };
    const side = ((polarOf(middle).degrees % step) + step) % step < step / 2 ? 0 : 1;
    const pair = tones[Math.floor(k / 2) % tones.length] ?? tones[0];
    const refs = copies.flatMap((copy) => copy.refs);
    figure = paintCells(figure, 'fan', division, refs, { fill: pair[side], stroke: crease });
  });
  return figure;
}
