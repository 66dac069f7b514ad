import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyNode } from '../../../tests/help/arbitraries';
import {
  bare,
  movedNode,
  nodesOfPath,
  pathOfNodes,
  withHandle,
  withKind,
  withNodeAt,
  withoutNodes,
  type PathNode,
} from './nodes';
import { nearestOnPath } from './nearest';
import { samePath } from './path';
import { distance, subtract } from './point';
import { pointAt } from './segment';

const nodesArbitrary = fc.array(anyNode, { minLength: 3, maxLength: 6 });
const corner = (x: number, y: number): PathNode => ({ x, y, kind: 'corner' });

describe('the sides of a path', () => {
  it('are the same objects as long as the nodes at their ends are', () => {
    fc.assert(
      fc.property(nodesArbitrary, fc.boolean(), (nodes, closed) => {
        const before = pathOfNodes(nodes, closed).segments;
        const moved = nodes.map((node, k) => (k === 1 ? movedNode(node, { x: 3, y: -2 }) : node));
        const after = pathOfNodes(moved, closed).segments;
        expect(after.map((side, k) => side === before[k])).toEqual(before.map((_, k) => k > 1));
        expect(after[0]?.to).toEqual({ x: moved[1]!.x, y: moved[1]!.y });
      }),
    );
  });
});

describe('a mirrored node', () => {
  it('has each handle at the reflection of the other, however it is dragged', () => {
    const to = fc.record({ x: fc.integer({ min: -50, max: 50 }), y: fc.integer({ min: -50, max: 50 }) });
    fc.assert(
      fc.property(
        nodesArbitrary,
        to,
        fc.constantFrom('in' as const, 'out' as const),
        (nodes, place, side) => {
          const node = withKind(nodes, 1, 'mirrored', true)[1]!;
          const { in: into, out, x, y } = withHandle(node, side, place);
          expect({ in: into, out }[side]).toEqual(place);
          expect(into!.x - x).toBeCloseTo(x - out!.x, 9);
          expect(into!.y).toBeCloseTo(out!.y, 9);
          expect({ x, y }).toEqual({ x: nodes[1]!.x, y: nodes[1]!.y });
        },
      ),
    );
  });

  it('is a corner while its handles are not reflections of each other, as in a path that was turned', () => {
    const turned: PathNode = { x: 0, y: 0, kind: 'mirrored', in: { x: -3, y: 1 }, out: { x: 1, y: 3 } };
    expect(withHandle(turned, 'out', { x: 5, y: 5 })).toEqual({ ...turned, out: { x: 5, y: 5 } });
  });
});

describe('nodes', () => {
  it('make the path that gives the same path again', () => {
    fc.assert(
      fc.property(nodesArbitrary, fc.boolean(), (nodes, closed) => {
        const path = pathOfNodes(nodes, closed);
        fc.pre(path.segments.every(({ from, to }) => distance(from, to) > 0));
        expect(samePath(path, pathOfNodes(nodesOfPath(path), closed), 1e-6)).toBe(true);
        expect(nodesOfPath(path)).toHaveLength(nodes.length);
      }),
    );
  });

  it('make lines, arcs and cubics by what they carry', () => {
    const path = pathOfNodes(
      [{ ...corner(0, 0), bulge: 1 }, corner(4, 0), { ...corner(4, 4), out: { x: 3, y: 6 } }],
      true,
    );
    expect(path.segments.map(({ kind }) => kind)).toEqual(['arc', 'line', 'cubic']);
  });

  it('keep the form when a node is added', () => {
    fc.assert(
      fc.property(
        nodesArbitrary,
        fc.nat(5),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (nodes, side, t) => {
          const before = pathOfNodes(nodes, true);
          const index = side % nodes.length;
          fc.pre(before.segments.every(({ from, to }) => distance(from, to) > 0.01));
          const after = pathOfNodes(withNodeAt(nodes, index, t, true), true);
          expect(after.segments).toHaveLength(before.segments.length + 1);
          for (const segment of after.segments) {
            for (const s of [0.2, 0.5, 0.8])
              expect(nearestOnPath(before, pointAt(segment, s))!.distance).toBeLessThan(1e-3);
          }
        },
      ),
    );
  });

  it('hold smooth and even handles in line', () => {
    const node: PathNode = { x: 0, y: 0, kind: 'smooth', in: { x: -2, y: 0 }, out: { x: 5, y: 0 } };
    expect(withHandle(node, 'out', { x: 0, y: 3 }).in).toEqual({ x: 0, y: -2 });
    expect(withHandle({ ...node, kind: 'even' }, 'out', { x: 0, y: 3 }).in).toEqual({ x: 0, y: -3 });
    // A side that was an arc becomes a curve where its handle is dragged, and stays an arc where the other is.
    const arc: PathNode = { x: 0, y: 0, kind: 'corner', bulge: 0.5 };
    expect(withHandle(arc, 'out', { x: 1, y: 1 })).toEqual({
      x: 0,
      y: 0,
      kind: 'corner',
      out: { x: 1, y: 1 },
    });
    expect(withHandle(arc, 'in', { x: 1, y: 1 })).toEqual({ ...arc, in: { x: 1, y: 1 } });
    expect(withHandle({ ...node, kind: 'corner' }, 'out', { x: 0, y: 3 }).in).toEqual({ x: -2, y: 0 });
    expect(withHandle(node, 'out', { x: 0, y: 0 }).in).toEqual({ x: -2, y: 0 });
  });

  it('get handles along their neighbours when made smooth, and lose the arc before them', () => {
    const nodes = [{ ...corner(0, 0), bulge: 0.5 }, corner(6, 0), corner(6, 6)];
    const made = withKind(nodes, 1, 'smooth', true);
    const { in: into, out } = made[1]!;
    expect(made[0]!.bulge).toBeUndefined();
    expect(distance(into!, made[1]!)).toBeCloseTo(2, 12);
    expect(distance(out!, made[1]!)).toBeCloseTo(2, 12);
    const [a, b] = [subtract(into!, made[1]!), subtract(out!, made[1]!)];
    expect(a.x * b.y - a.y * b.x).toBeCloseTo(0, 12);
    expect(withKind(made, 1, 'even', true)[1]!.kind).toBe('even');
    expect(withKind(made, 1, 'corner', true)[1]).toMatchObject({ kind: 'corner', in: into, out });
    expect(bare(made[1]!)).toEqual(corner(6, 0));
  });

  it('move with their handles and go without their neighbours’ arcs', () => {
    const node: PathNode = { ...corner(1, 2), in: { x: 0, y: 0 }, out: { x: 2, y: 2 } };
    expect(movedNode(node, { x: 1, y: 1 })).toEqual({
      ...corner(2, 3),
      in: { x: 1, y: 1 },
      out: { x: 3, y: 3 },
    });
    const left = withoutNodes([{ ...corner(0, 0), bulge: 1 }, corner(1, 0), corner(2, 0)], new Set([1]));
    expect(left).toEqual([corner(0, 0), corner(2, 0)]);
  });
});
