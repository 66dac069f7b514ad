/**
 * Steps that take findings away: commands by their names, so that a finding can come from another thread.
 *
 * @example
 * const mended = withMend(figure, finding.mends[0], hands); // Result<Figure>
 */
import { mappedPaints } from '@/core/figure';
import { failed, finding, type Mend, ok, type Result } from '@/core/finding';
import { type Contour, distance, type Point, polygonPath, scaleBy } from '@/core/curve';
import type { Work } from '@/core/derive';
import { firstColour, isGradient } from '@/core/paint';
import {
  addRound,
  addToPalette,
  findShape,
  fuseCells,
  makeBands,
  paintCells,
  removeCells,
  removeShapes,
  setBlend,
  setClosed,
  setOpacity,
  setPage,
  setWeaveGap,
  type StepChoice,
  takeStep,
  tidyShapes,
  withShapes,
} from '@/core/figure/commands';
import {
  type Figure,
  newRound,
  newShape,
  recoloured,
  type Round,
  roundOf,
  seenPaths,
  startStroke,
  swapColour,
  withRound,
  type RoundId,
  type ShapeId,
} from '@/core/figure';
import { withoutIdleHandles } from './checks/handles';
import { isSpeck } from './checks/specks';
import { withLinesOnce } from './linesOnce';
import { fitNeighbours, fittedForm, formOfPaths, pathsOfForm } from '@/core/maker';
import { type Division, MERGED } from '@/core/merge';
import { NO_TURN } from '@/core/number';
import type { Paint, ScenePage, Stroke } from '@/core/scene';

/** What a mend may need besides the figure. */
export interface Hands {
  readonly work: Work;
  readonly newId: () => string;
  /** The cells of a divided round; null where they are not known. */
  readonly divisionOf: (roundId: RoundId) => Division | null;
}

/** One bridge: from an island over to what stays, and how many stand round the centre. */
interface Bridge {
  readonly from: Point;
  readonly to: Point;
  readonly fold: number;
}

const noCells = failed(finding('proof.gone'));

/** How far a bridge goes beyond what it bridges, in widths. */
const INTO = 0.5;

/** The four corners of a bar between two points. */
function barBetween({ from, to }: Bridge, width: number): Point[] {
  const long = distance(from, to) || 1;
  const [onX, onY] = [(to.x - from.x) / long, (to.y - from.y) / long];
  const into = scaleBy({ x: onX, y: onY }, INTO * width);
  const [outX, outY] = [(-onY * width) / 2, (onX * width) / 2];
  const [start, end] = [
    { x: from.x - into.x, y: from.y - into.y },
    { x: to.x + into.x, y: to.y + into.y },
  ];
  return [
    { x: start.x + outX, y: start.y + outY },
    { x: end.x + outX, y: end.y + outY },
    { x: end.x - outX, y: end.y - outY },
    { x: start.x - outX, y: start.y - outY },
  ];
}

/** Rounds of bars in front of all, which are cut away from what is below them: one for each fold. */
function withBridges(figure: Figure, { newId }: Hands, bridges: readonly Bridge[], width: number): Figure {
  const folds = [...new Set(bridges.map(({ fold }) => fold))];
  return folds.reduce((before, fold) => {
    const bars = bridges.filter((each) => each.fold === fold);
    const shapes = bars.map((bar, k) =>
      newShape(newId(), `Bridge ${k + 1}`, formOfPaths([polygonPath(barBetween(bar, width))]), {
        fill: '#113d4c',
        stroke: null,
      }),
    );
    const name = `Bridges ${before.rounds.filter((round) => round.name.startsWith('Bridges')).length + 1}`;
    return addRound(before, { ...newRound(newId(), name, fold), shapes, lowerAction: { how: 'cut' } });
  }, figure);
}

/** A round with every paint in it changed: of its shapes, of what is merged, of its cells. */
const repainted = (round: Round, change: (paint: Paint) => Paint): Round => ({
  ...round,
  shapes: round.shapes.map((shape) => ({ ...shape, paint: change(shape.paint) })),
  merge: round.merge && {
    ...round.merge,
    paint: change(round.merge.paint),
    ...(round.merge.cells && {
      cells: {
        ...round.merge.cells,
        paints: mappedPaints(round.merge.cells.paints, change),
      },
    }),
  },
});

/** Makes all of a round full colours: no blend mode, no opacity, and of a gradient its first colour. */
function opaqueRound(figure: Figure, roundId: RoundId): Figure {
  const plain = setOpacity(setBlend(figure, roundId, 'normal'), roundId, 1);
  const flat = withRound(plain, roundId, (round) => repainted(round, flatPaint));
  return recoloured(flat, { of: 'round', roundId }, (colour) => colour.slice(0, 7));
}

/** What is filled becomes its outline: in the stroke that it has, or in one of its colour. */
const outlined = (paint: Paint, page: ScenePage): Paint =>
  paint.fill === null
    ? paint
    : {
        ...paint,
        fill: null,
        stroke: paint.stroke ?? { ...startStroke(page), colour: firstColour(paint.fill) ?? '#000000' },
      };

function flatPaint({ fill, stroke, ...rest }: Paint): Paint {
  const flat = (of: Paint['fill']) => (isGradient(of) ? (of.stops[0]?.colour ?? null) : of);
  const line = flat(stroke?.colour ?? null);
  return { ...rest, fill: flat(fill), stroke: stroke && line !== null ? { ...stroke, colour: line } : null };
}

/** Solves for the size at which neighbouring copies of a round touch. */
function fitted(figure: Figure, roundId: RoundId, { work }: Hands): Result<Figure> {
  const round = roundOf(figure, roundId);
  const shapes = round.shapes.filter(({ visible, paint }) => visible && paint.fill);
  const ids = new Set(shapes.map(({ id }) => id));
  const rule = round.rule.alternate ? { ...round.rule, mirror: true } : round.rule;
  const about = { x: 0, y: 0 };
  const paths = seenPaths(round, work, ids);
  const middle = {
    x: 0,
    y: paths.reduce((sum, { segments }) => sum + (segments[0]?.from.y ?? 0), 0) / Math.max(1, paths.length),
  };
  const anchor = round.shapes.length > 0 ? middle : about;
  const forms = shapes.map(({ form }) => form);
  const found = fitNeighbours(forms, paths, rule, 'size', 0, anchor, work);
  if (!found.ok) return found;
  return ok(
    withShapes(figure, roundId, ids, (shape) => ({
      ...shape,
      form: fittedForm(shape.form, 'size', found.value, anchor),
    })),
  );
}

/** The outline that goes round a shape once. */
function united(figure: Figure, roundId: RoundId, shapeId: ShapeId, { work }: Hands): Result<Figure> {
  const shape = roundOf(figure, roundId).shapes.find(({ id }) => id === shapeId);
  if (!shape) return noCells;
  const shapes = [{ paths: pathsOfForm(shape.form, work), rule: shape.rule }];
  const operands = [{ fold: 1, mirror: false, start: NO_TURN, shapes }];
  const made = MERGED.run({ op: 'union', among: 'copies', operands, outlineOnly: true });
  if (!made.ok) return made;
  const form = formOfPaths(made.value.flat());
  return ok(withShapes(figure, roundId, new Set([shapeId]), (each) => ({ ...each, form, rule: 'nonzero' })));
}

/** A figure with other contours of a path. */
const withContours = (
  figure: Figure,
  roundId: RoundId,
  shapeId: ShapeId,
  change: (contours: readonly Contour[]) => readonly Contour[],
): Figure =>
  withShapes(figure, roundId, new Set([shapeId]), (shape) =>
    shape.form.kind === 'path'
      ? { ...shape, form: { kind: 'path', contours: change(shape.form.contours) } }
      : shape,
  );

const strokeOf = (figure: Figure, roundId: RoundId, ids: readonly string[], part: Partial<Stroke>): Figure =>
  withShapes(figure, roundId, new Set(ids), (shape) => ({
    ...shape,
    paint: { ...shape.paint, stroke: shape.paint.stroke && { ...shape.paint.stroke, ...part } },
  }));

type Step = (figure: Figure, hands: Hands, ...args: never[]) => Figure | Result<Figure>;

/** Every step that mends, by the name that findings call it by. */
const STEPS = {
  tidy: (figure: Figure, { work }: Hands, roundId: RoundId, ids: string[], width: number) =>
    tidyShapes(figure, roundId, new Set(ids), width, false, work).figure,
  linesOnce: (figure: Figure, { work, newId }: Hands, roundId: RoundId, width: number) =>
    withLinesOnce(figure, roundId, width, newId, work) ?? figure,
  idleHandles: (figure: Figure, _: Hands, roundId: RoundId, shapeId: ShapeId, near: number) =>
    withContours(figure, roundId, shapeId, (contours) =>
      contours.map((contour) => withoutIdleHandles(contour, near).contour),
    ),
  specks: (figure: Figure, _: Hands, roundId: RoundId, shapeId: ShapeId, area: number) => {
    const left = withContours(figure, roundId, shapeId, (contours) =>
      contours.filter((contour) => !isSpeck(contour, area)),
    );
    const form = findShape(left, { roundId, shapeId })?.form;
    return form?.kind === 'path' && form.contours.length === 0
      ? removeShapes(left, roundId, new Set([shapeId]))
      : left;
  },
  close: (figure: Figure, _: Hands, roundId: RoundId, shapeId: ShapeId, nodes: number[]) =>
    setClosed(figure, { roundId, shapeId }, new Set(nodes), true),
  join: (figure: Figure, _: Hands, roundId: RoundId, ids: string[], join: Stroke['join']) =>
    strokeOf(figure, roundId, ids, { join }),
  strokeWidth: (figure: Figure, _: Hands, roundId: RoundId, ids: string[], width: number) =>
    strokeOf(figure, roundId, ids, { width }),
  bands: (figure: Figure, { work, newId }: Hands, roundId: RoundId, ids: string[]) =>
    makeBands(figure, roundId, new Set(ids), newId, work).figure,
  removeShapes: (figure: Figure, _: Hands, roundId: RoundId, ids: string[]) =>
    removeShapes(figure, roundId, new Set(ids)),
  unite: (figure: Figure, hands: Hands, roundId: RoundId, shapeId: ShapeId) =>
    united(figure, roundId, shapeId, hands),
  fuse: (figure: Figure, _: Hands, roundId: RoundId, refs: string[]) =>
    fuseCells(figure, roundId, refs, false),
  paintCells: (figure: Figure, { divisionOf }: Hands, roundId: RoundId, refs: string[], paint: Paint) => {
    const division = divisionOf(roundId);
    return division ? paintCells(figure, roundId, division, refs, paint) : noCells;
  },
  removeCells: (figure: Figure, { divisionOf }: Hands, roundId: RoundId, refs: string[]) => {
    const division = divisionOf(roundId);
    return division ? removeCells(figure, roundId, division, refs) : noCells;
  },
  recolour: (figure: Figure, _: Hands, from: string, to: string) => swapColour(figure, from, to),
  addToPalette: (figure: Figure, _: Hands, colour: string) => addToPalette(figure, colour),
  opaque: (figure: Figure, _: Hands, roundId: RoundId) => opaqueRound(figure, roundId),
  outlines: (figure: Figure, _: Hands, roundId: RoundId) =>
    withRound(figure, roundId, (round) => repainted(round, (paint) => outlined(paint, figure.page))),
  fit: (figure: Figure, hands: Hands, roundId: RoundId) => fitted(figure, roundId, hands),
  step: (figure: Figure, _: Hands, roundId: RoundId, choice: StepChoice) => takeStep(figure, roundId, choice),
  bleed: (figure: Figure, _: Hands, bleed: number) => setPage(figure, { bleed }),
  pageSize: (figure: Figure, _: Hands, width: number, height: number) => setPage(figure, { width, height }),
  centre: (figure: Figure) => setPage(figure, { centre: { x: 0, y: 0 } }),
  bridges: (figure: Figure, hands: Hands, bridges: Bridge[], width: number) =>
    withBridges(figure, hands, bridges, width),
  alternate: (figure: Figure, _: Hands, roundId: RoundId) =>
    withRound(figure, roundId, (round) =>
      round.merge?.weave
        ? { ...round, merge: { ...round.merge, weave: { ...round.merge.weave, swapped: [] } } }
        : round,
    ),
  weaveGap: (figure: Figure, _: Hands, roundId: RoundId, gap: number) => setWeaveGap(figure, roundId, gap),
} satisfies Record<string, Step>;

/** The names of all steps that mend. */
const MENDS = Object.keys(STEPS);

/** A figure after a mend; the reason where it cannot be done. @param args as findings give them */
export function withMend(figure: Figure, { command, args }: Mend, hands: Hands): Result<Figure> {
  const step = (STEPS as Record<string, Step>)[command];
  const [first] = args;
  const isGone =
    typeof first === 'string' && ROUND_FIRST.has(command) && !figure.rounds.some(({ id }) => id === first);
  if (!step || isGone) return noCells;
  const made = step(figure, hands, ...(args as never[]));
  return 'ok' in made ? made : ok(made);
}

/** Steps that do not begin with a round. */
const WITHOUT_ROUND = new Set(['recolour', 'addToPalette', 'bleed', 'pageSize', 'centre', 'bridges']);
const ROUND_FIRST = new Set(MENDS.filter((name) => !WITHOUT_ROUND.has(name)));
