import type { Work } from '@/core/derive';
import { addReports, drawnOnce, NOTHING_DONE, tidied, type TidyReport } from '@/core/curve';
import { formOfPaths, pathsOfForm } from '@/core/maker';
import { withShapesAndGroups } from '../groups';
import { copiesOf, copyMaps } from '../copies';
import type { Figure, Round, Shape, RoundId, ShapeId } from '../model';
import { withRound } from './rounds';

/** More pairs of segments than this are not compared while a person waits. */
const MOST_LINE_PAIRS = 20_000_000;

/**
 * Lines of a motif without what of them lies on another one in front, or on a copy: those with a stroke and no fill. Constructions are
 * left as they are, or become paths.
 */
function withLinesOnce(
  round: Round,
  shapeIds: ReadonlySet<ShapeId>,
  width: number,
  plain: boolean,
  work: Work,
): { shapes: readonly Shape[]; lines: number } {
  const isLine = ({ id, form, paint }: Shape): boolean =>
    shapeIds.has(id) && paint.fill === null && paint.stroke !== null && (plain || form.kind === 'path');
  // What is in front is seen: it is kept.
  const chosen = round.shapes.filter(isLine).reverse();
  const paths = chosen.map(({ form }) => pathsOfForm(form, work));
  // The first copy, in front of its reflection, is the motif itself.
  const own = round.rule.mirror ? 1 : 0;
  const up = copiesOf(round, work)[0]?.turn ?? round.rule.start;
  const copies = copyMaps(round, up, work).filter((_, k) => k !== own);
  const count = paths.flat().reduce((sum, { segments }) => sum + segments.length, 0);
  if (count * count * (copies.length + 1) > MOST_LINE_PAIRS) return { shapes: round.shapes, lines: 0 };
  const once = drawnOnce(paths, copies, width);
  if (once.doubled === 0) return { shapes: round.shapes, lines: 0 };
  const left = new Map(chosen.map(({ id }, k) => [id, once.lines[k] ?? []]));
  const shapes = round.shapes.flatMap((shape): Shape[] => {
    const own = left.get(shape.id);
    if (!own) return [shape];
    return own.length === 0 ? [] : [{ ...shape, form: formOfPaths(own) }];
  });
  return { shapes, lines: once.doubled };
}

/**
 * Tidies paths (see core/curve/tidy), and lines that lie on one another, of the motif or of its copies, are drawn once. Constructions have
 * no node too many and stay as they are.
 * @param plain true where lines of constructions are looked at too, which become paths where they are doubled
 */
export function tidyShapes(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  width: number,
  plain: boolean,
  work: Work,
): { figure: Figure; report: TidyReport } {
  let report = NOTHING_DONE;
  const changed = withRound(figure, roundId, (round) => {
    const once = withLinesOnce(round, shapeIds, width, plain, work);
    report = { ...report, lines: once.lines };
    const shapes = once.shapes.flatMap((shape): Shape[] => {
      if (!shapeIds.has(shape.id) || shape.form.kind !== 'path') return [shape];
      const made = tidied(shape.form.contours, width);
      report = addReports(report, made.report);
      if (made.contours.length === 0) return [];
      const same = made.report.before === made.report.after && made.report.closed === 0;
      return same ? [shape] : [{ ...shape, form: { kind: 'path', contours: made.contours } }];
    });
    return shapes.every((shape, k) => shape === round.shapes[k]) && shapes.length === round.shapes.length
      ? round
      : withShapesAndGroups(round, shapes, round.groups ?? []);
  });
  return { figure: changed, report };
}
