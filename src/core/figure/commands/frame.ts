import { failed, finding, type Finding, ok, type Result } from '@/core/finding';
import { formOfPaths, polygonOf } from '@/core/maker';
import { cornersOf, type Frame, type FrameLine, frameLines, type Guide } from '@/core/symmetry';
import type { Paint } from '@/core/scene';
import { applyTo, mapPath, polarOf, turnMap } from '@/core/curve';
import { cellsOf } from '@/core/merge';
import { NO_TURN, type Turn } from '@/core/number';
import type { Figure, Round, RoundId } from '../model';
import { newShape, START_PAINT } from '../start';
import { addShapes } from './shapes';
import { roundOf, withRound } from './rounds';

/** Changes parts of a round's frame. */
export const setFrame = (figure: Figure, roundId: RoundId, part: Partial<Omit<Frame, 'hidden'>>): Figure =>
  withRound(figure, roundId, ({ frame: { hidden: _, ...frame }, ...round }) => ({
    ...round,
    frame: { ...frame, ...part },
  }));

/** Hides a frame, which keeps its numbers, or shows it again. */
export const showFrame = (figure: Figure, roundId: RoundId, visible: boolean): Figure =>
  withRound(figure, roundId, ({ frame: { hidden: _, ...frame }, ...round }) => ({
    ...round,
    frame: visible ? frame : { ...frame, hidden: true as const },
  }));

/** Lays a guide. */
export const addGuide = (figure: Figure, roundId: RoundId, guide: Guide): Figure =>
  setFrame(figure, roundId, { guides: [...roundOf(figure, roundId).frame.guides, guide] });

export const removeGuide = (figure: Figure, roundId: RoundId, index: number): Figure =>
  setFrame(figure, roundId, {
    guides: roundOf(figure, roundId).frame.guides.filter((_, k) => k !== index),
  });

const NAMES: Record<FrameLine['name'], string> = {
  side: 'Side',
  diagonal: 'Diagonal',
  'frame ring': 'Ring',
  guide: 'Guide',
};

/** More pairs of lines than this take too long to look at while a person waits. */
const MOST_PAIRS = 200_000;

/**
 * Why the cells of a round's frame cannot be made shapes, or null where they can: the lines and all their copies are looked at in
 * pairs, in one wedge.
 */
export function frameCellsProblem({ frame, rule }: Round, reach: number): Finding | null {
  const lines = frameLines(frame, reach).length;
  if (lines === 0) return finding('frame.nothing');
  return (lines * lines * rule.fold) / 2 > MOST_PAIRS ? finding('frame.crossings') : null;
}

/**
 * Makes a shape of one cell of each kind that a round's frame and its copies enclose, the one nearest to the axis, from the centre
 * outward; turned about the centre they cover what the frame encloses. Colours go through the palette.
 */
export function drawFrameCells(
  figure: Figure,
  roundId: RoundId,
  reach: number,
  newId: () => string,
): Result<{ figure: Figure; ids: string[] }> {
  const round = roundOf(figure, roundId);
  const problem = frameCellsProblem(round, reach);
  if (problem) return failed(problem);
  const { frame, rule } = round;
  const paths = frameLines(frame, reach).map(({ path }) => path);
  const cells = cellsOf([
    { fold: rule.fold, mirror: rule.mirror, start: NO_TURN, shapes: [{ paths, rule: 'nonzero' }] },
  ]);
  if (!cells.ok) return cells;
  const shapes = cells.value.map(({ loops, turns, inside }, k) => {
    const away = (t: Turn): number => Math.abs(polarOf(applyTo(turnMap(t), inside)).degrees);
    const t = turns.reduce(
      (best, next) => (away(next) < away(best) - 1e-9 ? next : best),
      turns[0] ?? NO_TURN,
    );
    const form = formOfPaths(loops.map((loop) => mapPath(loop, turnMap(t))));
    const fill = figure.palette[k % figure.palette.length] ?? START_PAINT.fill;
    return { ...newShape(newId(), `Cell ${k + 1}`, form, { fill, stroke: null }), rule: 'evenodd' as const };
  });
  return ok({ figure: addShapes(figure, roundId, shapes), ids: shapes.map(({ id }) => id) });
}

/**
 * Draws what a frame shows as paths at the front of the motif. The sides of its polygon become one closed path.
 * @param reach how far lines without ends are drawn from their points, in the figure's unit
 */
export function drawFrame(
  figure: Figure,
  roundId: RoundId,
  paint: Paint,
  reach: number,
  newId: () => string,
): { figure: Figure; ids: string[] } {
  const { frame } = roundOf(figure, roundId);
  const polygon = frame.polygon
    ? [{ name: 'Polygon', path: polygonOf(cornersOf(frame.polygon, frame.phase)) }]
    : [];
  const others = frameLines(frame, reach)
    .filter(({ name }) => name !== 'side')
    .map(({ name, path }, k) => ({ name: `${NAMES[name]} ${k + 1}`, path }));
  const shapes = [...polygon, ...others].map(({ name, path }) =>
    newShape(newId(), name, formOfPaths([path]), paint),
  );
  return { figure: addShapes(figure, roundId, shapes), ids: shapes.map(({ id }) => id) };
}
