import { addRound, addShapes, setFrame, setStroke } from '@/core/figure/commands';
import { point, type Point } from '@/core/curve';
import type { Figure } from '@/core/figure';
import { type Form, pathForm } from '@/core/maker';
import { multiplyTurn, turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, petalBetween, TIDE } from './piece';

const CORNERS = 18;
const RADIUS = 78;

const corner = (k: number): Point => alongTurn(multiplyTurn(turn(1, CORNERS), k), RADIUS);

const lineThrough = (...points: readonly Point[]): Form =>
  pathForm(
    points.map(({ x, y }) => ({ x, y, kind: 'corner' as const })),
    false,
  );

/** Where the chord from corner a to corner b passes nearest to the centre, and half its length. */
function chord(a: number, b: number): { middle: Point; from: Point; to: Point } {
  const [from, to] = [corner(a), corner(b)];
  return { middle: point((from.x + to.x) / 2, (from.y + to.y) / 2), from, to };
}

/** Piece 21 as far as it goes: an 18-gon's long diagonals, with round-capped strokes in one wedge, mirrored. */
export function laceRosette(): Figure {
  let figure = emptyPiece('Lace rosette', 180, '#fffefb');

  figure = addRound(figure, emptyRound('frame', 'Frame', CORNERS));
  figure = addShapes(
    figure,
    'frame',
    [1, 5, 7].map((span) => {
      const { from, to } = chord(0, span);
      return named(`chord-${span}`, `Chord over ${span}`, lineThrough(from, to), lined(TIDE.foam, 0.35));
    }),
  );

  figure = addRound(figure, emptyRound('lace', 'Lace', CORNERS, true));
  figure = setFrame(figure, 'lace', {
    polygon: { sides: CORNERS, radius: RADIUS, fit: 'in', diagonals: 'long' },
    rings: [20, 30, 54],
  });
  const star = chord(0, 7).middle;
  const outer = chord(0, 5).middle;
  figure = addShapes(figure, 'lace', [
    named('edge', 'Edge', lineThrough(corner(0), chord(0, 1).middle), lined(TIDE.deep, 1.6)),
    named('arm', 'Arm', lineThrough(corner(0), point(0, -54), outer), lined(TIDE.deep, 1.6)),
    named('bow', 'Bow', curve(outer, point(0, -30)), lined(TIDE.coral, 1.6)),
    named('net', 'Net', lineThrough(star, point(0, -20), point(0, -12)), lined(TIDE.kelp, 1.2)),
  ]);
  // Changed once to change all: every stroke of the lace by one command.
  const strokes = new Set(['edge', 'arm', 'bow', 'net']);
  figure = setStroke(
    figure,
    { of: 'shapes', roundId: 'lace', shapeIds: strokes },
    { cap: 'round', join: 'round' },
  );

  figure = addRound(figure, emptyRound('beads', 'Beads', CORNERS, false, turn(1, 2 * CORNERS)));
  figure = addShapes(figure, 'beads', [
    named('bead', 'Bead', circleAt(68, 2.6), filled(TIDE.brass)),
    named('leaf', 'Leaf', petalBetween(38, 60, 5.2), lined(TIDE.deep, 0.9)),
  ]);

  figure = addRound(figure, emptyRound('heart', 'Heart', CORNERS / 2));
  return addShapes(figure, 'heart', [
    named('heart-petal', 'Petal', petalBetween(0, 11, 4.4), filled(TIDE.coral)),
  ]);
}

/** A single sweep from one point to another that leaves along the axis. */
const curve = (from: Point, to: Point): Form =>
  pathForm(
    [
      { x: from.x, y: from.y, kind: 'corner', out: { x: from.x * 1.05, y: from.y * 0.82 } },
      { x: to.x, y: to.y, kind: 'corner', in: { x: to.x + 7, y: to.y - 9 } },
    ],
    false,
  );
