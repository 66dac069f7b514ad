import type { Work } from '@/core/derive';
import { type Affine, compose, mapSegment, MIRROR, polygonPath, turnMap } from '@/core/curve';
import { copiesOf, type Round, seenShapes } from '@/core/figure';
import { negateTurn, type Turn } from '@/core/number';
import type { ScenePage } from '@/core/scene';
import { curveOf, frameLines, placementMap, type SnapCurve } from '@/core/symmetry';

interface OwnedCurve {
  /** The shapes that it is made of; none for the frame. */
  readonly shapeIds: readonly string[];
  readonly curve: SnapCurve;
}

const curvesOfRounds = new WeakMap<Round, readonly OwnedCurve[]>();

/** Motifs with more segments than this offer their nodes alone: every move of the pointer looks at all of them. */
const MOST_SEGMENTS = 6000;

/** How far guide lines without ends are looked at, in the figure's unit. */
const FAR = 1e4;

interface PageCurves {
  readonly start: Turn;
  readonly curves: readonly SnapCurve[];
}

const curvesOfPages = new WeakMap<ScenePage, PageCurves>();

/** The page's edges as the motif of a round sees them, whose first copy is turned by `start`. */
export function pageCurvesOf(page: ScenePage, start: Turn): readonly SnapCurve[] {
  const known = curvesOfPages.get(page);
  if (known?.start === start) return known.curves;
  const { width, height, centre } = page;
  const [x, y] = [-centre.x, -centre.y];
  const sides = polygonPath([
    { x: x - width / 2, y: y - height / 2 },
    { x: x + width / 2, y: y - height / 2 },
    { x: x + width / 2, y: y + height / 2 },
    { x: x - width / 2, y: y + height / 2 },
  ]).segments.flatMap((side) => mapSegment(side, turnMap(negateTurn(start))));
  const curves = sides.map((side) => curveOf('frame', 'the page’s edge', side));
  curvesOfPages.set(page, { start, curves });
  return curves;
}

/** From the motif to the copies beside it, as they stand on the Bench. */
function neighboursOf(round: Round, work: Work): Affine[] {
  const [first, ...others] = copiesOf(round, work);
  const beside = new Set([others[0], others[others.length - 1]]);
  const upright = turnMap(negateTurn(round.rule.start));
  return [...beside].flatMap((copy) =>
    first && copy
      ? [compose(upright, placementMap({ turn: copy.turn, transform: copy.transform, mirrored: false }))]
      : [],
  );
}

/** What of a round can be caught beside its nodes: the frame, the motif, its reflection and its neighbours. */
export function snapCurvesOf(round: Round, work: Work): readonly OwnedCurve[] {
  const known = curvesOfRounds.get(round);
  if (known) return known;
  const frame = (round.frame.hidden ? [] : frameLines(round.frame, FAR)).flatMap(({ name, path }) =>
    path.segments.map((segment) => ({ shapeIds: [], curve: curveOf('frame', `a ${name}`, segment) })),
  );
  const { mirror } = round.rule;
  const maps = [
    ...(mirror ? [{ map: MIRROR, of: '’s reflection' }] : []),
    ...neighboursOf(round, work).map((map) => ({ map, of: '’s neighbour' })),
  ];
  const own = seenShapes(round, work).flatMap(({ shape, ids, paths }) =>
    paths.flatMap(({ segments }) => segments.map((segment) => ({ shape, ids, segment }))),
  );
  const drawn =
    own.length > MOST_SEGMENTS
      ? []
      : own.flatMap(({ shape, ids, segment }) => [
          { shapeIds: ids, curve: curveOf('curve', shape.name, segment) },
          ...maps.flatMap(({ map, of }) =>
            mapSegment(segment, map).map((image) => ({
              shapeIds: ids,
              curve: curveOf('curve', shape.name + of, image),
            })),
          ),
        ]);
  const curves = [...frame, ...drawn];
  curvesOfRounds.set(round, curves);
  return curves;
}
