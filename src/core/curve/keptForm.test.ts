import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyClosedPath } from '../../../tests/help/arbitraries';
import { withoutNodesKept } from './keptForm';
import { nearestOnPath } from './nearest';
import { nodesOfPath, pathOfNodes, withNodeAt, type PathNode } from './nodes';
import { samePath } from './path';
import { distance } from './point';
import { cubic, derivativeAt, pointAt } from './segment';

describe('nodes removed with the form kept', () => {
  it('undo what adding them did, for lines, arcs and curves', () => {
    fc.assert(
      fc.property(
        anyClosedPath,
        fc.nat(20),
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        (path, pick, t) => {
          const nodes = nodesOfPath(path);
          fc.pre(nodes.length > 2);
          const side = pick % path.segments.length;
          const segment = path.segments[side]!;
          fc.pre(segment.kind !== 'arc' || Math.abs(segment.sweep) <= Math.PI);
          fc.pre(path.segments.every(({ from, to }) => distance(from, to) > 0.01));
          const added = withNodeAt(nodes, side, t, true);
          const kept = pathOfNodes(
            withoutNodesKept({ nodes: added, closed: true }, new Set([side + 1])),
            true,
          );
          expect(kept.segments).toHaveLength(path.segments.length);
          expect(samePath(kept, path, 1e-6)).toBe(true);
        },
      ),
    );
  });

  it('undo it also where a curve turns back and its handles have no length', () => {
    // Out along a line and back: at a fifth of it it stands still.
    const there = { x: 7, y: 0 };
    const path = { closed: false, segments: [cubic(there, { x: 14, y: 0 }, { x: 0, y: 0 }, { x: 0, y: 0 })] };
    const added = withNodeAt(nodesOfPath(path), 0, 0.2, false);
    const kept = pathOfNodes(withoutNodesKept({ nodes: added, closed: false }, new Set([1])), false);
    expect(samePath(kept, path, 1e-6)).toBe(true);
  });

  it('between curves that are not one put the nearest cubic, which leaves and arrives as they did', () => {
    // A quarter of a circle in two arcs and a line that touches it: no one curve is all three.
    const r = 30;
    const at = (degrees: number) => ({
      x: r * Math.sin((degrees * Math.PI) / 180),
      y: -r * Math.cos((degrees * Math.PI) / 180),
    });
    const nodes: PathNode[] = [
      { ...at(0), kind: 'corner', bulge: Math.tan(Math.PI / 16) },
      { ...at(45), kind: 'corner', bulge: Math.tan(Math.PI / 16) },
      { ...at(90), kind: 'corner' },
      { x: r, y: 10, kind: 'corner' },
    ];
    const before = pathOfNodes(nodes, false);
    const kept = pathOfNodes(withoutNodesKept({ nodes, closed: false }, new Set([1, 2])), false);
    expect(kept.segments.map(({ kind }) => kind)).toEqual(['cubic']);
    expect(derivativeAt(kept.segments[0]!, 0).y).toBeCloseTo(0, 9);
    expect(derivativeAt(kept.segments[0]!, 1).x).toBeCloseTo(0, 9);
    for (let k = 0; k <= 20; k += 1) {
      const p = pointAt(kept.segments[0]!, k / 20);
      expect(nearestOnPath(before, p)!.distance).toBeLessThan(r / 50);
    }
  });

  it('walk over the end of a closed path, drop ends of an open one, and leave too few alone', () => {
    const square: PathNode[] = [
      { x: 0, y: 0, kind: 'corner' },
      { x: 10, y: 0, kind: 'corner' },
      { x: 10, y: 10, kind: 'corner' },
      { x: 0, y: 10, kind: 'corner' },
      { x: 0, y: 5, kind: 'corner' },
    ];
    const straight = withoutNodesKept({ nodes: square, closed: true }, new Set([4]));
    expect(straight.map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ]);
    const turned = withoutNodesKept(
      { nodes: [...square.slice(4), ...square.slice(0, 4)], closed: true },
      new Set([0]),
    );
    expect(turned).toHaveLength(4);
    const open = withoutNodesKept({ nodes: square.slice(0, 4), closed: false }, new Set([0, 3]));
    expect(open.map(({ x, y }) => [x, y])).toEqual([
      [10, 0],
      [10, 10],
    ]);
    expect(withoutNodesKept({ nodes: square.slice(0, 3), closed: true }, new Set([0, 1]))).toHaveLength(1);
    expect(withoutNodesKept({ nodes: square, closed: true }, new Set([0, 1, 2, 3, 4]))).toEqual([]);
  });
});
