import { areOwnMirror, mapPath, type Path, pathLength, turnMap } from '@/core/curve';
import type { Work } from '@/core/derive';
import { tidyShapes } from '@/core/figure/commands';
import { type Figure, type Round, roundOf, type Shape, withRound, type RoundId } from '@/core/figure';
import { turn } from '@/core/number';
import { formOfPaths, pathsOfForm } from '@/core/maker';

const lengthOf = (round: Round, work: Work): number =>
  round.shapes.reduce(
    (sum, { form }) => sum + pathsOfForm(form, work).reduce((own, path) => own + pathLength(path), 0),
    0,
  );

/** A line without those of its segments that lie somewhere, and these by themselves; null where there is nothing of them. */
function split(
  paths: readonly Path[],
  liesThere: (alone: Path) => boolean,
): { readonly on: Path[]; readonly off: Path[] } | null {
  const [on, off]: [Path[], Path[]] = [[], []];
  for (const { segments, closed } of paths) {
    let run: Path['segments'] = [];
    const end = (): void => {
      if (run.length > 0) off.push({ closed: closed && run.length === segments.length, segments: run });
      run = [];
    };
    for (const segment of segments) {
      const alone = { closed: false, segments: [segment] };
      if (liesThere(alone)) {
        end();
        on.push(alone);
      } else run = [...run, segment];
    }
    end();
  }
  return on.length > 0 ? { on, off } : null;
}

/** A shape with other lines, which are what a hand could have drawn. */
const drawnAs = ({ inputs: _, ...shape }: Shape, paths: readonly Path[]): Shape => ({
  ...shape,
  form: formOfPaths(paths),
});

/** So near, in the figure's unit, a line is its own reflection. */
const SAME = 1e-9;

const isOnAxis = (alone: Path): boolean => areOwnMirror([alone], SAME);

const isLine = ({ paint, form, visible }: Shape): boolean =>
  visible && paint.fill === null && paint.stroke !== null && form.kind !== 'drawing';

/** Lines of a mirrored round that lie on its axis, as shapes of their own: what is its own reflection stands once. */
function withAxisApart(round: Round, newId: () => string, work: Work): Round {
  if (!round.rule.mirror) return round;
  const shapes = round.shapes.flatMap((shape): Shape[] => {
    if (!isLine(shape)) return [shape];
    const parts = split(pathsOfForm(shape.form, work), isOnAxis);
    if (!parts || parts.off.length === 0) return [shape];
    return [
      drawnAs(shape, parts.off),
      { ...drawnAs(shape, parts.on), id: newId(), name: `${shape.name}, on the axis` },
    ];
  });
  return shapes.length === round.shapes.length ? round : { ...round, shapes };
}

/** True where a round's wedges are all alike and all there, and its lines are its own: what lies on a ray is there from both sides. */
const meetsItselfOnRays = (round: Round): boolean =>
  round.rule.mirror &&
  !round.rule.alternate &&
  !round.rule.sweep &&
  !(round.merge ?? round.motif ?? round.omitted ?? round.variation ?? round.progression ?? round.whirl);

/**
 * Lines of a mirrored round that lie on a ray between two of its wedges are drawn from both sides: they become a round of their own behind
 * it, which is turned and not mirrored.
 */
function withRaysApart(
  figure: Figure,
  roundId: RoundId,
  width: number,
  newId: () => string,
  work: Work,
): Figure {
  const round = roundOf(figure, roundId);
  const { rule } = round;
  if (!meetsItselfOnRays(round)) return figure;
  const onAxis = [1, -1].map((side) => turnMap(turn(side, 2 * rule.fold)));
  // What lies on the axis is its own reflection, and drawn once.
  const isOnRay = (alone: Path): boolean =>
    !isOnAxis(alone) && onAxis.some((map) => isOnAxis(mapPath(alone, map)));
  const [off, on]: [Shape[], Shape[]] = [[], []];
  for (const shape of round.shapes) {
    const parts = isLine(shape) ? split(pathsOfForm(shape.form, work), isOnRay) : null;
    if (!parts || parts.off.length > 0) off.push(parts ? drawnAs(shape, parts.off) : shape);
    if (parts) on.push({ ...drawnAs(shape, parts.on), id: newId() });
  }
  if (on.length === 0) return figure;
  const { groups: _, detachedFrom: __, ...plain } = round;
  const rays: Round = {
    ...plain,
    id: newId(),
    name: `${round.name}, on the rays`,
    rule: { ...rule, mirror: false },
    shapes: on.map(({ group: ___, ...shape }) => shape),
  };
  const parted = withRound(
    { ...figure, rounds: figure.rounds.flatMap((each) => (each.id === roundId ? [rays, each] : [each])) },
    roundId,
    (each) => ({ ...each, shapes: off }),
  );
  return tidyShapes(parted, rays.id, new Set(on.map(({ id }) => id)), width, true, work).figure;
}

/**
 * A figure in which lines of a round that lie on one another, or on a copy of themselves, are drawn once.
 * @param width nearer than which two lines are one, in the figure's unit
 * @returns null where nothing is left out by it
 */
export function withLinesOnce(
  figure: Figure,
  roundId: RoundId,
  width: number,
  newId: () => string,
  work: Work,
): Figure | null {
  const before = roundOf(figure, roundId);
  const ids = new Set(before.shapes.map(({ id }) => id));
  const tidy = tidyShapes(figure, roundId, ids, width, true, work).figure;
  const isShorter = lengthOf(roundOf(tidy, roundId), work) < lengthOf(before, work) - 100 * width;
  const once = isShorter ? tidy : figure;
  const apart = withRound(once, roundId, (round) => withAxisApart(round, newId, work));
  const made = withRaysApart(apart, roundId, width, newId, work);
  return made === figure ? null : made;
}
