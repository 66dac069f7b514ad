import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import type { Contour } from './contours';
import { isMirroredAt, withMirroredHandle } from './mirrored';
import { withReflection } from './nodeOps';
import type { PathNode } from './nodes';

const number = fc.integer({ min: -50, max: 50 });
const node = fc.record({
  x: fc.integer({ min: 1, max: 50 }),
  y: number,
  kind: fc.constant('corner' as const),
});

/** A half path that ends on the axis, curved there, and its reflection. */
const half = fc
  .tuple(fc.array(node, { minLength: 1, maxLength: 4 }), number, number, number)
  .map(([nodes, y, x, up]) => {
    const end: PathNode = { x: 0, y, kind: 'corner', in: { x: Math.abs(x) + 1, y: up } };
    const first = nodes[0] as PathNode;
    const bent = { ...first, bulge: 0.4 };
    return { closed: false, nodes: [...(nodes.length > 1 ? [bent, ...nodes.slice(1)] : nodes), end] };
  });

const wholeOf = (contour: Contour): Contour => {
  const whole = withReflection(contour, 1e-9);
  if (!whole.ok) throw new Error(whole.finding.sentence);
  return whole.value;
};
const contourKind = ({ nodes }: Contour, k: number) => nodes[k]?.kind;
const onAxis = ({ nodes }: Contour): number => nodes.findIndex(({ x }) => Math.abs(x) < 1e-9);

describe('a path joined to its reflection', () => {
  it('is its own reflection at its node on the axis, and at no other', () => {
    fc.assert(
      fc.property(half, (contour) => {
        const whole = wholeOf(contour);
        const middle = onAxis(whole);
        whole.nodes.forEach((_, k) => expect(isMirroredAt(whole, k)).toBe(k === middle));
      }),
    );
  });

  it('stays so when a handle of that node is dragged', () => {
    fc.assert(
      fc.property(
        half,
        number,
        number,
        fc.constantFrom('in' as const, 'out' as const),
        (contour, x, y, side) => {
          const whole = wholeOf(contour);
          const middle = onAxis(whole);
          const nodes = whole.nodes.map((each, k) =>
            k === middle ? withMirroredHandle(each, side, { x, y }) : each,
          );
          expect(nodes[middle]?.[side]).toMatchObject(
            contourKind(whole, middle) === 'corner' ? { x, y } : { x },
          );
          expect(isMirroredAt({ ...whole, nodes }, middle)).toBe(true);
        },
      ),
    );
  });

  it('is so no more when one side of it is changed', () => {
    fc.assert(
      fc.property(half, (contour) => {
        const whole = wholeOf(contour);
        const nodes = whole.nodes.map((each, k) => (k === 0 ? { ...each, y: each.y + 1 } : each));
        expect(isMirroredAt({ ...whole, nodes }, onAxis(whole))).toBe(false);
      }),
    );
  });

  it('has both handles of a smooth node on one line', () => {
    const smooth: PathNode = { x: 0, y: 5, kind: 'even', in: { x: -2, y: 5 }, out: { x: 2, y: 5 } };
    expect(withMirroredHandle(smooth, 'out', { x: 3, y: 9 })).toEqual({
      ...smooth,
      in: { x: -3, y: 5 },
      out: { x: 3, y: 5 },
    });
  });
});
