/**
 * Paths that are their own reflection in the axis, and how a node of theirs on the axis is edited so that they stay so.
 *
 * @example
 * isMirroredAt(contour, 2); // true where the node of index 2 lies on the axis and both ways from it are alike
 */
import type { Contour } from './contours';
import { withHandle, type HandleSide, type PathNode } from './nodes';
import { distance, type Point } from './point';

/** What is nearer than this, as a share of the path's size, is at one place. */
const SLACK = 1e-9;

const reflected = ({ x, y }: Point): Point => ({ x: -x, y });

const meet = (a: Point | undefined, b: Point | undefined, slack: number): boolean =>
  a && b ? distance(a, reflected(b)) <= slack : a === b;

const sizeOf = (nodes: readonly PathNode[]): number =>
  nodes.reduce((most, { x, y }) => Math.max(most, Math.abs(x), Math.abs(y)), 0);

/** True for a node on the axis of a path that is its own reflection about it. @param index of the contour's nodes */
export function isMirroredAt({ nodes, closed }: Contour, index: number): boolean {
  const count = nodes.length;
  if (!nodes[index] || (!closed && 2 * index !== count - 1)) return false;
  const slack = SLACK * sizeOf(nodes);
  const steps = closed ? Math.floor(count / 2) : index;
  const at = (k: number): PathNode | undefined => nodes[closed ? (k + count) % count : k];
  return Array.from({ length: steps + 1 }, (_, k) => k).every((k) => {
    const [after, before] = [at(index + k), at(index - k)];
    if (!after || !before || !meet(after, before, slack)) return false;
    if (!meet(after.in, before.out, slack) || !meet(after.out, before.in, slack)) return false;
    // A side and its reflection run opposite ways, which leaves the bulge as it is.
    const side = k < steps || closed ? at(index - k - 1)?.bulge : undefined;
    const other = k < steps || closed ? after.bulge : undefined;
    return Math.abs((side ?? 0) - (other ?? 0)) <= SLACK;
  });
}

/**
 * A node on the axis with one handle put at a point and the other at its reflection. Where both are to lie on one line, they stay square
 * to the axis.
 */
export function withMirroredHandle(node: PathNode, side: HandleSide, to: Point): PathNode {
  const at = node.kind === 'corner' ? to : { x: to.x, y: node.y };
  const both = withHandle({ ...node, kind: 'corner' }, side, at);
  return { ...both, [side === 'in' ? 'out' : 'in']: reflected(at), kind: node.kind };
}
