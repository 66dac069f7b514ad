import DxfParser, {
  type IEntity,
  type ILwpolylineEntity,
  type ICircleEntity,
  type ISplineEntity,
} from 'dxf-parser';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../../tests/help/figures';
import { arcFromBulge, signedArea } from '@/core/curve';
import { pathForm } from '@/core/maker';
import { inUnit, setFold, setMerge } from '@/core/figure/commands';
import { evaluateWhole, type Figure } from '@/core/figure';
import { dxfOf, type DxfOptions } from './dxf';

const ARCS: DxfOptions = { curves: 'arcs', tolerance: 10, layers: 'round', lines: 'middle' };

async function read(figure: Figure, options: Partial<DxfOptions> = {}) {
  const names = new Map(figure.rounds.map(({ id, name }) => [id, name]));
  const text = dxfOf(await evaluateWhole(figure), { ...ARCS, ...options }, names);
  const file = new DxfParser().parseSync(text);
  if (!file) throw new Error('No DXF.');
  return file;
}

/** The area of a loop of lines and bulged sides, as another reader gives them. */
function areaOf(entity: IEntity): number {
  if (entity.type === 'CIRCLE') return Math.PI * (entity as ICircleEntity).radius ** 2;
  const { vertices } = entity as ILwpolylineEntity;
  const segments = vertices.map((from, k) => {
    const to = vertices[(k + 1) % vertices.length] ?? from;
    // Straight sides have none.
    const bulges: readonly (number | undefined)[] = [from.bulge];
    return arcFromBulge({ x: from.x, y: from.y }, { x: to.x, y: to.y }, bulges[0] ?? 0);
  });
  return Math.abs(signedArea([{ closed: true, segments }]));
}

const corner = (x: number, y: number) => ({ x, y, kind: 'corner' as const });

describe('a DXF', () => {
  it('has circles as circles, turned and upright, in the unit of the figure', async () => {
    const file = await read(setFold(withForms(disc(0, -40, 8)), 'r', 6));
    const circles = file.entities as ICircleEntity[];
    expect(circles.map(({ type }) => type)).toEqual(Array.from({ length: 6 }, () => 'CIRCLE'));
    for (const { center, radius } of circles) {
      expect(radius).toBeCloseTo(8, 9);
      // About the page's middle, 90 mm from its lower left corner.
      expect(Math.hypot(center.x - 90, center.y - 90)).toBeCloseTo(40, 6);
    }
    const upright = circles.filter(
      ({ center: { x, y } }) => Math.abs(x - 90) < 1e-9 && Math.abs(y - 130) < 1e-9,
    );
    expect(upright).toHaveLength(1);
    expect(file.header['$INSUNITS']).toBe(4);
    const inches = await read(inUnit(withForms(disc(0, -40, 8)), 'in'));
    expect(inches.header['$INSUNITS']).toBe(1);
    expect((inches.entities[0] as ICircleEntity).radius).toBeCloseTo(8 / 25.4, 6);
  });

  it('has the areas of what is drawn, exactly for lines and arcs', async () => {
    const bow = pathForm([{ ...corner(-10, -30), bulge: 0.6 }, corner(10, -30), corner(0, -50)], true);
    const [entity] = (await read(setFold(withForms(bow), 'r', 1))).entities;
    const exact = signedArea([
      {
        closed: true,
        segments: [
          arcFromBulge({ x: -10, y: -30 }, { x: 10, y: -30 }, 0.6),
          arcFromBulge({ x: 10, y: -30 }, { x: 0, y: -50 }, 0),
          arcFromBulge({ x: 0, y: -50 }, { x: -10, y: -30 }, 0),
        ],
      },
    ]);
    expect(areaOf(entity!)).toBeCloseTo(Math.abs(exact), 6);
    expect((entity as ILwpolylineEntity).shape).toBe(true);
  });

  it('follows curves by arcs within the tolerance, or has them as splines', async () => {
    const curved = pathForm(
      [
        { ...corner(-10, -30), out: { x: -14, y: -60 } },
        { ...corner(10, -30), in: { x: 14, y: -60 } },
      ],
      true,
    );
    const figure = setFold(withForms(curved), 'r', 1);
    const coarse = areaOf((await read(figure, { tolerance: 500 })).entities[0]!);
    const fine = areaOf((await read(figure, { tolerance: 1 })).entities[0]!);
    const exact = Math.abs(
      signedArea([
        {
          closed: true,
          segments: [
            {
              kind: 'cubic',
              from: { x: -10, y: -30 },
              out: { x: -14, y: -60 },
              in: { x: 14, y: -60 },
              to: { x: 10, y: -30 },
            },
            { kind: 'line', from: { x: 10, y: -30 }, to: { x: -10, y: -30 } },
          ],
        },
      ]),
    );
    expect(Math.abs(fine - exact)).toBeLessThan(0.05);
    expect(Math.abs(fine - exact)).toBeLessThan(Math.abs(coarse - exact));
    const types = (await read(figure, { curves: 'splines' })).entities.map(({ type }) => type);
    expect(types.sort()).toEqual(['LWPOLYLINE', 'SPLINE']);
    const spline = (await read(figure, { curves: 'splines' })).entities.find(({ type }) => type === 'SPLINE');
    expect((spline as ISplineEntity).controlPoints).toHaveLength(4);
  });

  it('has what cells share once: their area is what the loops enclose, no line is there twice', async () => {
    const figure = setMerge(setFold(withForms(disc(0, -25, 22)), 'r', 5), 'r', 'divide');
    const { entities } = await read(figure);
    const sides = (entities as ILwpolylineEntity[]).flatMap(({ type, vertices, shape }) =>
      type === 'LWPOLYLINE'
        ? vertices.slice(0, shape ? undefined : -1).map((from, k) => {
            const to = vertices[(k + 1) % vertices.length]!;
            return [from, to]
              .map(({ x, y }) => `${x.toFixed(5)} ${y.toFixed(5)}`)
              .sort()
              .join(' to ');
          })
        : [],
    );
    expect(sides.length).toBeGreaterThan(20);
    expect(new Set(sides).size).toBe(sides.length);
  });

  it('has inner loops before what is round them, and layers by round or colour', async () => {
    const figure = setFold(withForms(disc(0, 0, 30), disc(0, 0, 10)), 'r', 1);
    const file = await read(figure);
    expect((file.entities as ICircleEntity[]).map(({ radius }) => radius)).toEqual([10, 30]);
    expect(file.entities[0]?.layer).toBe(figure.rounds[0]?.name);
    const coloured = await read(figure, { layers: 'colour' });
    expect(coloured.entities[0]?.layer).toMatch(/^#[0-9a-f]{6}$/);
  });

  it('has lines as bands where these are cut, and layers of areas and of lines', async () => {
    const line = pathForm([corner(0, -20), corner(0, -60)], false);
    const figure = setFold(withForms(line), 'r', 1);
    const lined: Figure = {
      ...figure,
      rounds: figure.rounds.map((round) => ({
        ...round,
        shapes: round.shapes.map((shape) => ({
          ...shape,
          paint: { fill: null, stroke: { colour: '#113d4c', width: 3, cap: 'butt', join: 'miter' } },
        })),
      })),
    };
    const middle = await read(lined, { layers: 'kind' });
    expect(middle.entities.map(({ layer }) => layer)).toEqual(['Lines']);
    const [band] = (await read(lined, { lines: 'bands', layers: 'kind' })).entities;
    expect(band!.layer).toBe('Areas');
    expect(areaOf(band!)).toBeCloseTo(3 * 40, 9);
  });

  it('has both halves of a circle that was drawn as two, which are not one and the same', async () => {
    const half = { kind: 'corner' as const, bulge: 1 };
    const halves = pathForm(
      [
        { x: 0, y: -50, ...half },
        { x: 0, y: -30, ...half },
      ],
      true,
    );
    const file = await read(setFold(withForms(halves), 'r', 3));
    expect(file.entities.map(({ type }) => type)).toEqual(['CIRCLE', 'CIRCLE', 'CIRCLE']);
    expect(areaOf(file.entities[0]!)).toBeCloseTo(Math.PI * 100, 6);
  });
});
