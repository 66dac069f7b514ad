import { areOwnMirror, type Path } from '../curve/path';
import { pathLength } from '../curve/length';
import type { Work } from '../derive';
import { tidyShapes } from '../figure/commands';
import type { Figure, Round, Shape } from '../figure/model';
import { roundOf, withRound } from '../figure/update';
import { formOfPaths, pathsOfForm } from '../maker/form';

const lengthOf = (round: Round, work: Work): number =>
  round.shapes.reduce(
    (sum, { form }) => sum + pathsOfForm(form, work).reduce((own, path) => own + pathLength(path), 0),
    0,
  );

/** A line without what of it is its own reflection in the axis, and that by itself; null where there is nothing of both. */
function splitOnAxis(paths: readonly Path[]): { readonly on: Path[]; readonly off: Path[] } | null {
  if (areOwnMirror(paths, 1e-9)) return null;
  const [on, off]: [Path[], Path[]] = [[], []];
  for (const { segments, closed } of paths) {
    let run: Path['segments'] = [];
    const end = (): void => {
      if (run.length > 0) off.push({ closed: closed && run.length === segments.length, segments: run });
      run = [];
    };
    for (const segment of segments) {
      const alone = { closed: false, segments: [segment] };
      if (areOwnMirror([alone], 1e-9)) {
        end();
        on.push(alone);
      } else run = [...run, segment];
    }
    end();
  }
  return on.length > 0 && off.length > 0 ? { on, off } : null;
}

/** Lines of a mirrored round that lie on its axis, as shapes of their own: what is its own reflection stands once. */
function withAxisApart(round: Round, newId: () => string, work: Work): Round {
  if (!round.rule.mirror) return round;
  const shapes = round.shapes.flatMap((shape): Shape[] => {
    if (shape.paint.fill !== null || !shape.paint.stroke || shape.form.kind === 'drawing') return [shape];
    const parts = splitOnAxis(pathsOfForm(shape.form, work));
    if (!parts) return [shape];
    return [
      { ...shape, form: formOfPaths(parts.off) },
      { ...shape, id: newId(), name: `${shape.name}, on the axis`, form: formOfPaths(parts.on) },
    ];
  });
  return shapes.length === round.shapes.length ? round : { ...round, shapes };
}

/**
 * A figure in which lines of a round that lie on one another, or on a copy of themselves, are drawn once.
 * @param width nearer than which two lines are one, in the figure's unit
 * @returns null where nothing is left out by it
 */
export function withLinesOnce(
  figure: Figure,
  roundId: string,
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
  return apart === figure ? null : apart;
}
