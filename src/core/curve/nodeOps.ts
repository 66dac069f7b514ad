import { failed, finding, type Result } from '@/core/finding';
import { applyTo, MIRROR } from './affine';
import type { Contour } from './contours';
import { joined } from './joined';
import { nodesOfPath, pathOfNodes, type PathNode } from './nodes';
import { mapPath, reversedPath, type Path } from './path';
import { add, cross, distance, dot, lengthOf, scaleBy, subtract, type Point } from './point';
import type { Segment } from './segment';

/**
 * A corner between straight sides rounded by a true arc that touches both. It begins r / tan(φ/2) from the corner, φ
 * being the angle between the sides (plane trigonometry).
 */
export function roundedCorner(
  nodes: readonly PathNode[],
  index: number,
  radius: number,
  closed: boolean,
): Result<PathNode[]> {
  const count = nodes.length;
  const node = nodes[index];
  const before = nodes[closed ? (index + count - 1) % count : index - 1];
  const after = nodes[closed ? (index + 1) % count : index + 1];
  if (!node || !before || !after || before === after) return failed(finding('node.sides'));
  const straight =
    !before.out &&
    !node.in &&
    before.bulge === undefined &&
    !node.out &&
    !after.in &&
    node.bulge === undefined;
  if (!straight) return failed(finding('node.curved'));
  if (!(radius > 0)) return failed(finding('node.radius'));
  const [a, b] = [subtract(before, node), subtract(after, node)];
  const [la, lb] = [lengthOf(a), lengthOf(b)];
  const turn = cross(scaleBy(a, -1), b);
  const angle = Math.atan2(Math.abs(turn), dot(a, b));
  if (!(angle > 1e-9 && angle < Math.PI - 1e-9)) return failed(finding('node.straight'));
  const back = radius / Math.tan(angle / 2);
  const room = Math.min(la, lb);
  if (back > room * (1 + 1e-12)) {
    const most = room * Math.tan(angle / 2);
    return failed(finding('node.room', most));
  }
  const first = add(node, scaleBy(a, back / la));
  const second = add(node, scaleBy(b, back / lb));
  const bulge = Math.sign(turn) * Math.tan((Math.PI - angle) / 4);
  const arc: PathNode[] = [
    { ...first, kind: 'corner', bulge },
    { ...second, kind: 'corner' },
  ];
  // A side that is used up whole leaves one node, not two at one place.
  const kept = arc.filter((each, k) => distance(each, k === 0 ? before : after) > 1e-9 * room);
  return { ok: true, value: nodes.flatMap((each, k) => (k === index ? kept : [each])) };
}

/** A path cut at a node: a closed one opened there, an open one in two. */
export function splitAtNode({ nodes, closed }: Contour, index: number): Result<Contour[]> {
  if (closed) {
    const turned = [...nodes.slice(index), ...nodes.slice(0, index)];
    const [first] = turned;
    if (!first) return failed(finding('node.none'));
    const { bulge: _, out: __, ...end } = first;
    const { in: ___, ...start } = first;
    return {
      ok: true,
      value: [
        {
          closed: false,
          nodes: [{ ...start, kind: 'corner' }, ...turned.slice(1), { ...end, kind: 'corner' }],
        },
      ],
    };
  }
  const node = nodes[index];
  if (!node || index === 0 || index === nodes.length - 1) return failed(finding('node.end'));
  const { bulge: _, out: __, ...end } = node;
  const { in: ___, ...start } = node;
  return {
    ok: true,
    value: [
      { closed: false, nodes: [...nodes.slice(0, index), { ...end, kind: 'corner' }] },
      { closed: false, nodes: [{ ...start, kind: 'corner' }, ...nodes.slice(index + 1)] },
    ],
  };
}

const isAt = (a: Point, b: Point, tolerance: number): boolean => distance(a, b) <= tolerance;

/** Segments end to end, those that run on in one another as one. */
function withoutSeams(segments: readonly Segment[], closed: boolean): Segment[] {
  const kept: Segment[] = [];
  for (const segment of segments) {
    const before = kept[kept.length - 1];
    const one = before ? joined(before, segment) : null;
    if (one) kept[kept.length - 1] = one;
    else kept.push(segment);
  }
  const [first] = kept;
  const last = kept[kept.length - 1];
  const seam = closed && kept.length > 2 && first && last ? joined(last, first) : null;
  return seam ? [...kept.slice(1, -1), seam] : kept;
}

/**
 * Two open paths as one, joined at their ends that are nearest to each other: there they share a node where they meet
 * within the tolerance, else a straight side leads across. Where the other ends meet as well, the result is closed.
 */
export function joinedPaths(a: Contour, b: Contour, tolerance: number): Result<Contour> {
  if (a.closed || b.closed) return failed(finding('join.closed'));
  const ways = [false, true].flatMap((flipA) => [false, true].map((flipB) => ({ flipA, flipB })));
  const path = ({ nodes }: Contour, flip: boolean): Path => {
    const own = pathOfNodes(nodes, false);
    return flip ? reversedPath(own) : own;
  };
  const [best] = ways
    .map(({ flipA, flipB }) => {
      const [p, q] = [path(a, flipA), path(b, flipB)];
      const [end, start] = [p.segments[p.segments.length - 1]?.to, q.segments[0]?.from];
      return { p, q, away: end && start ? distance(end, start) : Infinity };
    })
    .sort((x, y) => x.away - y.away);
  if (!best || best.away === Infinity) return failed(finding('join.ends'));
  const { p, q } = best;
  const end = (p.segments[p.segments.length - 1] as Segment).to;
  const start = (q.segments[0] as Segment).from;
  const meets = isAt(end, start, tolerance);
  const bridge: Segment[] = meets ? [] : [{ kind: 'line', from: end, to: start }];
  const moved = meets ? q.segments.map((s, k) => (k === 0 ? { ...s, from: end } : s)) : q.segments;
  const segments = [...p.segments, ...bridge, ...moved];
  const first = (segments[0] as Segment).from;
  const last = segments[segments.length - 1] as Segment;
  const closed = segments.length > 2 && isAt(first, last.to, tolerance);
  const closing = closed ? [...segments.slice(0, -1), { ...last, to: first }] : segments;
  return { ok: true, value: { closed, nodes: nodesOfPath({ closed, segments: closing }) } };
}

/**
 * An open path with an end on the axis and its reflection as one path: closed where both ends are on the axis. Lines and
 * arcs that run on across the axis leave no node there; two halves of a curve keep theirs, which is smooth where they are.
 */
export function withReflection({ nodes, closed }: Contour, tolerance: number): Result<Contour> {
  if (closed) return failed(finding('mirror.closed'));
  const onAxis = (p: Point): boolean => Math.abs(p.x) <= tolerance;
  const put = (p: PathNode): PathNode => (onAxis(p) ? { ...p, x: 0 } : p);
  const [first, last] = [nodes[0], nodes[nodes.length - 1]];
  if (!first || !last || nodes.length < 2 || !(onAxis(first) || onAxis(last)))
    return failed(finding('mirror.axis'));
  const straightened = nodes.map((node, k) => (k === 0 || k === nodes.length - 1 ? put(node) : node));
  const own = pathOfNodes(straightened, false);
  const half = onAxis(last) ? own : reversedPath(own);
  const image = reversedPath(mapPath(half, MIRROR));
  const whole = onAxis(first) && onAxis(last);
  const segments = withoutSeams([...half.segments, ...image.segments], whole);
  const made = nodesOfPath({ closed: whole, segments });
  // Where the curve turns back at the axis, its handles stay mirrored.
  const kept = made.map((node): PathNode =>
    onAxis(node) && node.in && node.out ? { ...node, kind: 'mirrored' } : node,
  );
  return { ok: true, value: { closed: whole, nodes: kept } };
}

/** Nodes put exactly where a rule wants them, their handles with them: on the axis, or on the nearer ray. */
export const onLine = (node: PathNode, direction: Point): PathNode => {
  const along = dot(node, direction);
  const to = scaleBy(direction, along);
  const by = subtract(to, node);
  const m = { a: 1, b: 0, c: 0, d: 1, e: by.x, f: by.y };
  return {
    ...node,
    ...to,
    ...(node.in && { in: applyTo(m, node.in) }),
    ...(node.out && { out: applyTo(m, node.out) }),
  };
};
