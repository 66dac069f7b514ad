import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { nearestOnPath } from './nearest';
import { joinedPaths, onLine, roundedCorner, splitAtNode, withReflection } from './nodeOps';
import { pathOfNodes, type PathNode } from './nodes';
import { areOwnMirror, signedArea } from './path';
import { pathLength } from './length';
import { distance } from './point';
import { derivativeAt } from './segment';

const corner = (x: number, y: number): PathNode => ({ x, y, kind: 'corner' });
const square = [corner(0, 0), corner(10, 0), corner(10, 10), corner(0, 10)];

describe('a rounded corner', () => {
  it('is an arc of just that radius that touches both sides', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 3.0, noNaN: true }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.boolean(),
        (angle, share, flip) => {
          const side = flip ? -1 : 1;
          const nodes = [
            corner(10, 0),
            corner(0, 0),
            corner(10 * Math.cos(angle), side * 10 * Math.sin(angle)),
          ];
          const radius = share * 10 * Math.tan(angle / 2);
          const rounded = roundedCorner(nodes, 1, radius, false);
          if (!rounded.ok) throw new Error(rounded.finding.sentence);
          const [before, arc, after] = pathOfNodes(rounded.value, false).segments;
          if (arc?.kind !== 'arc') throw new Error('no arc');
          expect(Math.abs(arc.radius / radius - 1)).toBeLessThan(1e-9);
          const turning = (a: typeof before, b: typeof before): number => {
            const [u, v] = [derivativeAt(a!, 1), derivativeAt(b!, 0)];
            return Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y);
          };
          expect(Math.abs(turning(before, arc))).toBeLessThan(1e-7);
          expect(Math.abs(turning(arc, after))).toBeLessThan(1e-7);
        },
      ),
    );
  });

  it('takes the area that geometry says from a square, and says what does not fit', () => {
    const rounded = roundedCorner(square, 2, 3, true);
    if (!rounded.ok) throw new Error(rounded.finding.sentence);
    expect(signedArea([pathOfNodes(rounded.value, true)])).toBeCloseTo(100 - (9 - (9 * Math.PI) / 4), 10);
    expect(roundedCorner(square, 2, 11, true)).toMatchObject({ ok: false, finding: { code: 'node.room' } });
    const whole = roundedCorner(square, 2, 10, true);
    expect(whole.ok && whole.value.length).toBe(3);
    expect(roundedCorner([corner(0, 0), { ...corner(5, 0), bulge: 0.3 }, corner(5, 5)], 1, 1, false).ok).toBe(
      false,
    );
    expect(roundedCorner([corner(0, 0), corner(5, 0), corner(9, 0)], 1, 1, false).ok).toBe(false);
    expect(roundedCorner(square, 0, 1, false).ok).toBe(false);
  });
});

describe('paths', () => {
  it('are cut at a node and joined again to what they were', () => {
    const nodes = [corner(0, 0), { ...corner(10, 0), bulge: 0.5 }, corner(10, 10), corner(3, 12)];
    const cut = splitAtNode({ closed: false, nodes }, 2);
    if (!cut.ok) throw new Error(cut.finding.sentence);
    expect(cut.value).toHaveLength(2);
    const again = joinedPaths(cut.value[0]!, cut.value[1]!, 1e-9);
    expect(again.ok && again.value.nodes.map(({ x, y }) => [x, y])).toEqual(nodes.map(({ x, y }) => [x, y]));
    expect(splitAtNode({ closed: false, nodes }, 0).ok).toBe(false);
    const opened = splitAtNode({ closed: true, nodes: square }, 1);
    if (!opened.ok) throw new Error(opened.finding.sentence);
    expect(opened.value[0]).toMatchObject({ closed: false });
    expect(pathLength(pathOfNodes(opened.value[0]!.nodes, false))).toBeCloseTo(40, 12);
  });

  it('are joined by their nearest ends, whichever way they run, and closed where the others meet too', () => {
    const a = { closed: false, nodes: [corner(0, 0), corner(10, 0)] };
    const b = { closed: false, nodes: [corner(0, 5), corner(11, 0)] };
    const bridged = joinedPaths(a, b, 1e-6);
    expect(bridged.ok && bridged.value.nodes).toHaveLength(4);
    const c = { closed: false, nodes: [corner(10, 0), corner(10, 10), corner(0, 0)] };
    const closed = joinedPaths(a, c, 1e-6);
    expect(closed.ok && closed.value).toMatchObject({ closed: true });
    expect(closed.ok && closed.value.nodes).toHaveLength(3);
    expect(joinedPaths({ closed: true, nodes: square }, a, 1).ok).toBe(false);
  });
});

describe('half a motif and its reflection', () => {
  it('are one closed path without a node on the axis where lines and arcs run on', () => {
    // A flat foot, a side, and an arc over the top about a point of the axis.
    const nodes = [
      corner(0, 0),
      corner(6, 0),
      { ...corner(6, -10), bulge: -Math.tan(Math.PI / 8) },
      corner(0, -16),
    ];
    const whole = withReflection({ closed: false, nodes }, 1e-6);
    if (!whole.ok) throw new Error(whole.finding.sentence);
    const path = pathOfNodes(whole.value.nodes, true);
    expect(whole.value.closed).toBe(true);
    expect(areOwnMirror([path], 1e-9)).toBe(true);
    expect(whole.value.nodes).toHaveLength(4);
    expect(whole.value.nodes.filter(({ x }) => Math.abs(x) < 1e-9)).toHaveLength(0);
    expect(Math.abs(signedArea([path]))).toBeCloseTo(120 + (36 * Math.PI) / 2, 9);
  });

  it('keep the node of a curve, open where one end is off the axis, and refuse what has no end on it', () => {
    const curve: PathNode[] = [
      { x: 0, y: 0, kind: 'corner', out: { x: 5, y: 0 } },
      { x: 0, y: -20, kind: 'corner', in: { x: 8, y: -20 } },
    ];
    const whole = withReflection({ closed: false, nodes: curve }, 1e-6);
    expect(whole.ok && whole.value.nodes.map(({ kind }) => kind)).toEqual(['mirrored', 'mirrored']);
    const arm = withReflection({ closed: false, nodes: [corner(1e-7, -5), corner(4, -9)] }, 1e-6);
    if (!arm.ok) throw new Error(arm.finding.sentence);
    expect(arm.value).toMatchObject({ closed: false });
    expect(nearestOnPath(pathOfNodes(arm.value.nodes, false), { x: 0, y: -5 })!.distance).toBe(0);
    expect(withReflection({ closed: false, nodes: [corner(1, 0), corner(2, 0)] }, 1e-6).ok).toBe(false);
    expect(withReflection({ closed: true, nodes: square }, 1e-6).ok).toBe(false);
  });

  it('nodes put on a line take their handles along', () => {
    const node: PathNode = { x: 3, y: -4, kind: 'even', in: { x: 3, y: -2 }, out: { x: 3, y: -6 } };
    expect(onLine(node, { x: 0, y: -1 })).toEqual({
      x: 0,
      y: -4,
      kind: 'even',
      in: { x: 0, y: -2 },
      out: { x: 0, y: -6 },
    });
    expect(distance(onLine(node, { x: 0.6, y: -0.8 }), node)).toBeCloseTo(0, 12);
  });
});
