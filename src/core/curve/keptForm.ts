import type { Contour } from './contours';
import { cubicNear } from './fitted';
import { joined } from './joined';
import { nodesOfPath, pathOfNodes, type PathNode } from './nodes';
import { lengthOf, scaleBy, subtract, type Point } from './point';
import { derivativeAt, pointAt, type Segment } from './segment';

const SAMPLES = 16;
const ROUNDS = 24;

/** The unit direction in which a segment leaves its start, or arrives at its end. */
function direction(segment: Segment, t: 0 | 1): Point {
  const near = t === 0 ? 1e-4 : 1 - 1e-4;
  const speed = [derivativeAt(segment, t), derivativeAt(segment, near)].find((d) => lengthOf(d) > 1e-12);
  const d = speed ?? subtract(segment.to, segment.from);
  return scaleBy(d, 1 / (lengthOf(d) || 1));
}

/** One cubic for a chain of segments, leaving and arriving as they do, nearest to them. */
function oneFor(chain: readonly Segment[]): Segment {
  const [first, last] = [chain[0] as Segment, chain[chain.length - 1] as Segment];
  const shares = chain.flatMap((segment, s) =>
    Array.from({ length: SAMPLES }, (_, k) => ({
      p: pointAt(segment, (k + 0.5) / SAMPLES),
      t: (s + (k + 0.5) / SAMPLES) / chain.length,
    })),
  );
  return cubicNear(
    [first.from, last.to],
    [direction(first, 0), direction(last, 1)],
    shares.map(({ p }) => p),
    shares.map(({ t }) => t),
    ROUNDS,
  );
}

/** One segment for a chain: the very curve where all of it is one, else the nearest cubic. */
function replaced(chain: readonly Segment[]): Segment {
  const [first = null, ...rest] = chain;
  return rest.reduce<Segment | null>((sum, next) => sum && joined(sum, next), first) ?? oneFor(chain);
}

/**
 * The nodes of a contour without some of them, its form kept: each stretch between two nodes that stay becomes one segment, exactly
 * where it was one line, arc or curve before, else the cubic nearest to it. The ends of an open contour go as they are.
 */
export function withoutNodesKept({ nodes, closed }: Contour, gone: ReadonlySet<number>): PathNode[] {
  const start = nodes.findIndex((_, k) => !gone.has(k));
  if (nodes.length - gone.size < 2) return nodes.filter((_, k) => !gone.has(k));
  const count = nodes.length;
  // A closed contour is walked from a node that stays, so that no stretch runs over its end.
  const turned = closed ? [...nodes.slice(start), ...nodes.slice(0, start)] : nodes;
  const goes = (k: number): boolean => gone.has(closed ? (k + start) % count : k);
  const { segments } = pathOfNodes(turned, closed);
  const kept: Segment[] = [];
  let chain: Segment[] = [];
  for (const [k, segment] of segments.entries()) {
    if (!closed && kept.length === 0 && chain.length === 0 && goes(k)) continue;
    chain.push(segment);
    const end = closed ? (k + 1) % count : k + 1;
    if (goes(end)) continue;
    kept.push(chain.length === 1 ? segment : replaced(chain));
    chain = [];
  }
  const made = nodesOfPath({ closed: closed && kept.length > 1, segments: kept });
  const stayed = turned.filter((_, k) => !goes(k));
  return made.map((node, k) => {
    const old = stayed[k];
    return old && old.kind !== 'even' && node.in && node.out ? { ...node, kind: old.kind } : node;
  });
}
