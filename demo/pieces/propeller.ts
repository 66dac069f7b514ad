import { STRAIGHT } from '@/core/derive';
import { type PathNode, roundedCorner } from '@/core/curve';
import {
  addRound,
  addShapes,
  findShape,
  onePath,
  removeNodes,
  setForm,
  setNodeKind,
  type ShapeRef,
  tidyShapes,
  transformShapes,
} from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { pathForm } from '@/core/maker';
import { turn } from '@/core/number';
import { circleAt, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

const corner = (x: number, y: number): PathNode => ({ x, y, kind: 'corner' });

/** Rounds a corner of a one-contour path. */
function rounded(figure: Figure, ref: ShapeRef, index: number, radius: number): Figure {
  const form = findShape(figure, ref)?.form;
  const contour = form?.kind === 'path' ? form.contours[0] : undefined;
  const made = contour && roundedCorner(contour.nodes, index, radius, contour.closed);
  if (!made?.ok) throw new Error('The corner cannot be rounded.');
  return setForm(figure, ref, pathForm(made.value, true));
}

/**
 * Piece 2: a plate with two rounded corners, needless nodes deleted and one smoothed, a region taken out of it, and two more of it
 * about the node in the centre.
 */
export function propeller(): Figure {
  let made = 0;
  const newId = (): string => `plate-${(made += 1)}`;
  const ref = { roundId: 'plates', shapeId: 'plate' };
  let figure = emptyPiece('Propeller', 180, TIDE.shell);
  figure = addRound(figure, emptyRound('plates', 'Plates', 1));
  const plate = pathForm(
    [
      corner(0, 0),
      corner(-26, -20),
      corner(-30, -50),
      corner(-30, -80),
      corner(14, -80),
      corner(14, -50),
      corner(12, -36),
      corner(8, -18),
    ],
    true,
  );
  figure = addShapes(figure, 'plates', [named('plate', 'Plate', plate, filled(TIDE.deep))]);
  figure = rounded(figure, ref, 4, 14);
  figure = rounded(figure, ref, 3, 20);
  // The arcs have put two nodes in place of each corner: the last ones are now 7 to 9.
  figure = removeNodes(figure, ref, new Set([7]), true);
  figure = removeNodes(figure, ref, new Set([8]), true);
  figure = setNodeKind(figure, ref, new Set([1]), 'smooth');
  figure = addShapes(figure, 'plates', [named('hole', 'Hole', circleAt(56, 9), filled(TIDE.coral))]);
  figure = transformShapes(
    figure,
    'plates',
    new Set(['hole']),
    { kind: 'move', by: { x: -9, y: 0 } },
    {
      copy: false,
      times: 1,
      newId,
    },
    STRAIGHT,
  ).figure;
  const whole = onePath(figure, 'plates', new Set(['plate', 'hole']), STRAIGHT);
  const kept = whole.id ?? 'plate';
  // Nodes that change nothing, as the proof found them, go before there are three of each.
  const tidy = tidyShapes(whole.figure, 'plates', new Set([kept]), 1e-4, false, STRAIGHT).figure;
  // Three about the node in the centre: a third of a turn, twice.
  const third = { kind: 'rotate' as const, by: turn(1, 3), about: { x: 0, y: 0 } };
  figure = transformShapes(
    tidy,
    'plates',
    new Set([kept]),
    third,
    {
      copy: true,
      times: 2,
      newId,
    },
    STRAIGHT,
  ).figure;
  figure = addRound(figure, emptyRound('hub', 'Hub', 1));
  return addShapes(figure, 'hub', [
    named('boss', 'Boss', circleAt(0, 10), filled(TIDE.brass)),
    named('axle', 'Axle', circleAt(0, 4), filled(TIDE.deep)),
  ]);
}
