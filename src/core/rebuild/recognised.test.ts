import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { arcFromBulge, contoursOfPaths, cubicsOfArc, line, type Path, polygonPath } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { type BuiltForm, MAKERS, pathsOfForm } from '@/core/maker';
import { turn } from '@/core/number';
import { recognised } from './recognised';

const NEAR = 0.01;
const place = fc.record({
  at: fc.record({ x: fc.integer({ min: -50, max: 50 }), y: fc.integer({ min: -50, max: 50 }) }),
  rotation: fc.integer({ min: 0, max: 359 }).map((degrees) => turn(degrees, 360)),
});

/** The form whose paths, as dead nodes, are those of another one; by the areas and points that both have. */
function comesBack(form: BuiltForm): BuiltForm | null {
  const paths = pathsOfForm(form, STRAIGHT);
  const found = recognised(paths, NEAR);
  if (!found) return null;
  const again = pathsOfForm(found, STRAIGHT);
  const far = again.flatMap(({ segments }) =>
    segments.map(({ from }) =>
      Math.min(
        ...paths.flatMap((path) =>
          path.segments.map((each) => Math.hypot(each.from.x - from.x, each.from.y - from.y)),
        ),
      ),
    ),
  );
  if (form.kind !== 'ellipse') expect(Math.max(...far)).toBeLessThan(2 * NEAR);
  return found;
}

describe('constructions among paths', () => {
  it('get their numbers back: polygons and stars', () => {
    fc.assert(
      fc.property(
        place,
        fc.integer({ min: 3, max: 24 }),
        fc.integer({ min: 5, max: 60 }),
        (placed, sides, radius) => {
          if (sides === 4) return;
          const found = comesBack({
            kind: 'polygon',
            ...placed,
            params: { sides, radius, diagonals: 'none' },
          });
          expect(found).toMatchObject({ kind: 'polygon', params: { sides, radius } });
        },
      ),
    );
    fc.assert(
      fc.property(
        place,
        fc.integer({ min: 5, max: 16 }),
        fc.integer({ min: 2, max: 7 }),
        (placed, points, skip) => {
          if (2 * skip >= points) return;
          const params = { points, skip, radius: 40, draw: 'outline' } as const;
          expect(comesBack({ kind: 'star', ...placed, params })).toMatchObject({
            kind: 'star',
            params: { points, skip },
          });
        },
      ),
    );
  });

  it('get their numbers back: circles, ellipses and rectangles', () => {
    fc.assert(
      fc.property(
        place,
        fc.integer({ min: 2, max: 40 }),
        fc.integer({ min: 2, max: 40 }),
        (placed, width, height) => {
          const found = comesBack({ kind: 'ellipse', ...placed, params: { width, height } });
          const sizes = found?.kind === 'ellipse' ? [found.params.width, found.params.height] : [];
          expect(sizes.toSorted((a, b) => a - b)).toEqual(
            [width, height].toSorted((a, b) => a - b).map((each) => expect.closeTo(each, 1) as number),
          );
          if (width === height) return;
          const box = { ...MAKERS.rectangle.start, width, height };
          expect(comesBack({ kind: 'rectangle', ...placed, params: box })?.kind).toBe('rectangle');
        },
      ),
    );
    // A circle of cubics, as other programs write it.
    const top = { x: 3, y: -20 };
    const under = { x: 3, y: 20 };
    const halves = [arcFromBulge(top, under, 1), arcFromBulge(under, top, 1)];
    const segments = halves.flatMap((arc) => (arc.kind === 'arc' ? cubicsOfArc(arc) : []));
    expect(recognised([{ closed: true, segments }], NEAR)).toMatchObject({
      kind: 'ellipse',
      at: { x: expect.closeTo(3, 3) as number, y: expect.closeTo(0, 3) as number },
      params: { width: 40, height: 40 },
    });
  });

  it('bands along corners and arcs are told by sides that run beside each other', () => {
    const spine: Path = {
      closed: false,
      segments: [line({ x: 0, y: 0 }, { x: 30, y: 0 }), line({ x: 30, y: 0 }, { x: 30, y: 40 })],
    };
    const arc: Path = { closed: false, segments: [arcFromBulge({ x: -20, y: 0 }, { x: 20, y: 0 }, 0.4)] };
    for (const path of [spine, arc]) {
      const params = { ...MAKERS.band.start, along: contoursOfPaths([path]), width: 3, limit: 100 };
      const found = comesBack({ kind: 'band', at: { x: 0, y: 0 }, rotation: turn(0), params });
      expect(found).toMatchObject({ kind: 'band', params: { width: 3 } });
      const nodes = found?.kind === 'band' ? (found.params.along[0]?.nodes ?? []) : [];
      const ends = [path.segments[0]?.from, path.segments.at(-1)?.to];
      for (const end of ends)
        expect(nodes.some(({ x, y }) => Math.hypot(x - (end?.x ?? 0), y - (end?.y ?? 0)) < NEAR)).toBe(true);
    }
  });

  it('what is none of them stays as it is', () => {
    const corners = [
      { x: 0, y: 0 },
      { x: 20, y: 3 },
      { x: 15, y: 30 },
      { x: -4, y: 18 },
    ];
    expect(recognised([polygonPath(corners)], NEAR)).toBeNull();
    const bent: Path = {
      closed: true,
      segments: [arcFromBulge({ x: 0, y: 0 }, { x: 30, y: 0 }, 0.5), line({ x: 30, y: 0 }, { x: 0, y: 0 })],
    };
    expect(recognised([bent], NEAR)).toBeNull();
  });
});
