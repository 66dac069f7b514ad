import { type Contour, distance, type PathNode, type Point } from '@/core/curve';
import { check, found, type ProofFinding } from '../check';
import { placesInRound } from '../motifPlaces';

/** Handles shorter than this share of the page's width are none, and sides that stay as near to straight are. */
const NOTHING = 1e-7;

/** How far a point is from the line through two others, and whether it lies between them. */
function liesBetween(p: Point, from: Point, to: Point, near: number): boolean {
  const long = distance(from, to);
  if (long === 0) return distance(p, from) <= near;
  const ahead = ((p.x - from.x) * (to.x - from.x) + (p.y - from.y) * (to.y - from.y)) / long;
  const aside = Math.abs((p.x - from.x) * (to.y - from.y) - (p.y - from.y) * (to.x - from.x)) / long;
  return aside <= near && ahead >= -near && ahead <= long + near;
}

/** A node without one of its handles. */
function withoutHandle({ in: into, out, ...rest }: PathNode, side: 'in' | 'out'): PathNode {
  const plain = { ...rest, kind: 'corner' as const };
  if (side === 'in') return out ? { ...plain, out } : plain;
  return into ? { ...plain, in: into } : plain;
}

interface Cleaned {
  readonly contour: Contour;
  /** Where handles did nothing. */
  readonly at: readonly Point[];
}

/** A contour without handles that do nothing: none long, or on a side that is straight with them. Its form is the same. */
export function withoutIdleHandles({ nodes, closed }: Contour, near: number): Cleaned {
  const made = [...nodes];
  const at: Point[] = [];
  const last = closed ? nodes.length : nodes.length - 1;
  for (let k = 0; k < last; k += 1) {
    const next = (k + 1) % nodes.length;
    const [from, to] = [nodes[k], nodes[next]];
    if (!from || !to || (!from.out && !to.in)) continue;
    const [out, into] = [from.out ?? from, to.in ?? to];
    const isStraight = liesBetween(out, from, to, near) && liesBetween(into, from, to, near);
    const idleOut = from.out !== undefined && (isStraight || distance(from.out, from) <= near);
    const idleIn = to.in !== undefined && (isStraight || distance(to.in, to) <= near);
    // A straight side may be run through unevenly; its form is a line all the same.
    const own = made[k];
    if (idleOut && own) {
      made[k] = withoutHandle(own, 'out');
      at.push({ x: from.x, y: from.y });
    }
    const other = made[next];
    if (idleIn && other) {
      made[next] = withoutHandle(other, 'in');
      at.push({ x: to.x, y: to.y });
    }
  }
  return { contour: { nodes: made, closed }, at };
}

/** Handles that have no length, and curves that are straight lines: they make cusps, and files larger. */
export const idleHandles = check({
  id: 'idleHandles',
  title: 'Handles that do nothing',
  group: 'Geometry',
  limits: [],
  find: (subject) =>
    subject.rounds.flatMap((round) =>
      round.shapes.flatMap((shape): ProofFinding[] => {
        if (shape.form.kind !== 'path') return [];
        const near = NOTHING * subject.figure.page.width;
        const at = shape.form.contours.flatMap((contour) => withoutIdleHandles(contour, near).at);
        if (at.length === 0) return [];
        return [
          found('idleHandles', {
            severity: 'note',
            title: `${at.length === 1 ? 'A handle does' : `${at.length} handles do`} nothing in ${shape.name}`,
            sentence: 'They have no length, or lie along a straight side. Without them the form is the same.',
            where: placesInRound(subject, round, at, [shape.id]),
            mends: [{ label: 'Take them away', command: 'idleHandles', args: [round.id, shape.id, near] }],
          }),
        ];
      }),
    ),
});
