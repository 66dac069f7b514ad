import { mapSegment } from '@/core/curve/segment';
import { MIRROR, turnMap } from '@/core/curve/affine';
import type { Round } from '@/core/figure/model';
import { pathsOfForm } from '@/core/maker/form';
import { turn } from '@/core/number/turn';
import { frameLines } from '@/core/symmetry/frame';
import { curveOf, type SnapCurve } from '@/core/symmetry/snap';

interface OwnedCurve {
  /** The shape that it belongs to; null for the frame. */
  readonly shapeId: string | null;
  readonly curve: SnapCurve;
}

const curvesOfRounds = new WeakMap<Round, readonly OwnedCurve[]>();

/** Motifs with more segments than this offer their nodes alone: every move of the pointer looks at all of them. */
const MOST_SEGMENTS = 6000;

/** How far guide lines without ends are looked at, in the figure's unit. */
const FAR = 1e4;

/** What of a round can be caught beside its nodes: the frame, the motif, its reflection and its neighbours. */
export function snapCurvesOf(round: Round): readonly OwnedCurve[] {
  const known = curvesOfRounds.get(round);
  if (known) return known;
  const frame = frameLines(round.frame, FAR).flatMap(({ name, path }) =>
    path.segments.map((segment) => ({ shapeId: null, curve: curveOf('frame', `a ${name}`, segment) })),
  );
  const { fold, mirror } = round.rule;
  const maps = [
    ...(mirror ? [{ map: MIRROR, of: '’s reflection' }] : []),
    ...(fold > 1 ? [1, -1].map((k) => ({ map: turnMap(turn(k, fold)), of: '’s neighbour' })) : []),
  ];
  const own = round.shapes
    .filter(({ visible }) => visible)
    .flatMap((shape) =>
      pathsOfForm(shape.form).flatMap(({ segments }) => segments.map((segment) => ({ shape, segment }))),
    );
  const drawn =
    own.length > MOST_SEGMENTS
      ? []
      : own.flatMap(({ shape, segment }) => [
          { shapeId: shape.id, curve: curveOf('curve', shape.name, segment) },
          ...maps.flatMap(({ map, of }) =>
            mapSegment(segment, map).map((image) => ({
              shapeId: shape.id,
              curve: curveOf('curve', shape.name + of, image),
            })),
          ),
        ]);
  const curves = [...frame, ...drawn];
  curvesOfRounds.set(round, curves);
  return curves;
}
