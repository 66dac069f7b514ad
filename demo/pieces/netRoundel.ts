import { STRAIGHT } from '@/core/derive';
import { applyTo, contoursOfPaths, type Point, turnMap } from '@/core/curve';
import { addRound, addShapes, fuseCells, paintCells, setMerge } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { pathsOfForm } from '@/core/maker';
import { NO_TURN, turn } from '@/core/number';
import { divisionOf, kindAt, refsAt } from './cells';
import { built, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

const RADIUS = 33;
const AWAY = 41;
const WIDTH = 7;

/**
 * Piece 12: five rings that overlap, tangent to an outer one, all made bands and divided; where two cross, the cells of the one that
 * is over are fused, by turns along each ring, so that they interlace; on a square ground.
 */
export function netRoundel(): Figure {
  let figure = emptyPiece('Net roundel', 180, TIDE.sand);
  figure = addRound(figure, emptyRound('ground', 'Square ground', 1));
  const square = built('rectangle', { width: 172, height: 172 });
  figure = addShapes(figure, 'ground', [named('square', 'Square', square, filled(TIDE.deep))]);
  figure = addRound(figure, emptyRound('outer', 'Outer ring', 1));
  const bandOf = (at: Point, radius: number, width: number) => {
    const path = pathsOfForm(
      {
        kind: 'ellipse',
        at: { x: 0, y: 0 },
        rotation: NO_TURN,
        params: { width: 2 * radius, height: 2 * radius },
      },
      STRAIGHT,
    );
    return { ...built('band', { along: contoursOfPaths(path), width }), at };
  };
  figure = addShapes(figure, 'outer', [
    named('rim', 'Rim', bandOf({ x: 0, y: 0 }, AWAY + RADIUS + WIDTH, WIDTH), filled(TIDE.foam)),
  ]);
  figure = addRound(figure, emptyRound('rings', 'Rings', 5));
  const seam = { colour: TIDE.deep, width: 1.4, cap: 'round' as const, join: 'round' as const };
  figure = addShapes(figure, 'rings', [
    named('ring', 'Ring', bandOf({ x: 0, y: -AWAY }, RADIUS, WIDTH), { fill: TIDE.sand, stroke: seam }),
  ]);
  figure = setMerge(figure, 'rings', 'divide');
  const division = divisionOf(figure, 'rings');

  // Along the first ring: its crossings with all others, in order, over and under by turns.
  const onRing = (angle: number): Point => ({
    x: RADIUS * Math.sin(angle),
    y: -AWAY - RADIUS * Math.cos(angle),
  });
  const crossings: number[] = [];
  for (let k = 1; k < 5; k += 1) {
    // Two equal circles cross on the line that halves what is between their centres.
    const other = applyTo(turnMap(turn(k, 5)), { x: 0, y: -AWAY });
    const [dx, dy] = [other.x, other.y + AWAY];
    const toward = Math.atan2(dx, -dy);
    const apart = Math.acos(Math.hypot(dx, dy) / (2 * RADIUS));
    crossings.push(toward - apart, toward + apart);
  }
  const full = 2 * Math.PI;
  crossings.sort((a, b) => (((a % full) + full) % full) - (((b % full) + full) % full));
  crossings.forEach((at, k) => {
    if (k % 2 === 1) return;
    const refs = [-0.19, 0, 0.19].flatMap((by) => refsAt(figure, 'rings', division, onRing(at + by)));
    figure = fuseCells(figure, 'rings', [...new Set(refs)], false);
  });
  // What two rings enclose together, and the middle.
  for (const [at, fill] of [
    [applyTo(turnMap(turn(1, 10)), { x: 0, y: -37 }), TIDE.brass],
    [{ x: 0, y: -6 }, TIDE.coral],
  ] as const) {
    const kind = kindAt(figure, 'rings', division, at);
    figure = paintCells(figure, 'rings', division, kind, { fill, stroke: seam });
  }
  return figure;
}
