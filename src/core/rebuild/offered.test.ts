import { describe, expect, it } from 'vitest';

import { Chance } from '../../../tests/help/anyFigure';
import {
  applyTo,
  distance,
  mapPath,
  moveMap,
  type Point,
  polygonPath,
  signedArea,
  turnMap,
} from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { addShapes, setFold, transformShapes } from '@/core/figure/commands';
import { type Figure, figureSchema, newFigure, newShape, type Shape, START_PAINT } from '@/core/figure';
import { type Form, formOfPaths, handParams, pathForm, pathsOfForm, petalOfSize } from '@/core/maker';
import { NO_TURN, turn } from '@/core/number';
import { offerOf, takeOffer } from './offered';

const counter = (): (() => string) => {
  let k = 0;
  return () => `n${(k += 1)}`;
};

const line = (id: string, points: readonly Point[], closed = false, paint = START_PAINT): Shape =>
  newShape(
    id,
    id,
    pathForm(
      points.map(({ x, y }) => ({ x, y, kind: 'corner' as const })),
      closed,
    ),
    paint,
  );

const drawnWith = (shapes: readonly Shape[]): Figure =>
  addShapes(setFold(newFigure('Drawn', 'r'), 'r', 1), 'r', shapes);

const leafPoints = Array.from({ length: 30 }, (_, k) => ({
  x: 10 * Math.sin((Math.PI * k) / 29) + 4 * (k / 29) ** 2,
  y: -20 - (50 * k) / 29,
}));

const turnedPoints = (points: readonly Point[], k: number, fold: number): Point[] =>
  points.map((p) => applyTo(turnMap(turn(k, fold)), p));

const PETAL: Form = {
  kind: 'petal',
  at: { x: 0, y: -20 },
  rotation: NO_TURN,
  params: petalOfSize(40, 16),
};

const roundIn = (figure: Figure) => figure.rounds.find(({ id }) => id === 'r')!;

const taken = (figure: Figure): Figure =>
  takeOffer(figure, 'r', offerOf(roundIn(figure), STRAIGHT)!, counter(), STRAIGHT).figure;

describe('a symmetry that is offered', () => {
  it('keeps one of the strokes that are alike, and the figure is a valid one of that fold', () => {
    const chance = new Chance(3);
    const shapes = [0, 1, 3].map((k) =>
      line(
        `s${k}`,
        turnedPoints(leafPoints, k, 7).map(({ x, y }) => ({
          x: x + chance.between(-0.5, 0.5),
          y: y + chance.between(-0.5, 0.5),
        })),
      ),
    );
    const after = taken(drawnWith(shapes));
    const round = roundIn(after);
    expect(round.rule).toMatchObject({ fold: 7, mirror: false });
    expect(round.shapes.map(({ id }) => id)).toEqual(['s0']);
    expect(figureSchema.validate(JSON.parse(JSON.stringify(after))).error).toBeUndefined();
    expect(offerOf(round, STRAIGHT)).toBeNull();
  });

  it('keeps the brush and the pressure of a stroke by hand', () => {
    const stroke = (k: number): Shape => {
      const points = turnedPoints(leafPoints, k, 5);
      const [first] = points as [Point];
      const own = points.map(({ x, y }, at) => ({ x: x - first.x, y: y - first.y, pressure: 0.2 + at / 60 }));
      const params = handParams(own, { width: 4, thinning: 0.6, taper: 3, smoothing: 0.1 });
      return newShape(`h${k}`, `h${k}`, { kind: 'hand', at: first, rotation: NO_TURN, params }, START_PAINT);
    };
    const round = roundIn(taken(drawnWith([stroke(0), stroke(1)])));
    expect(round.rule.fold).toBe(5);
    const [{ form }] = round.shapes as [Shape];
    expect(form).toMatchObject({ kind: 'hand', params: { width: 4, thinning: 0.6, taper: 3 } });
    const { pressures } = (form as Extract<typeof form, { kind: 'hand' }>).params;
    expect(pressures[0]).toBeLessThan(0.25);
    expect(pressures.at(-1)).toBeGreaterThan(0.6);
  });

  it('keeps the numbers of a construction', () => {
    const petal = (id: string): Shape => newShape(id, id, PETAL, START_PAINT);
    const figure = drawnWith([petal('a'), petal('b')]);
    const turnedB = transformShapes(
      figure,
      'r',
      new Set(['b']),
      { kind: 'rotate', by: turn(1, 5), about: { x: 0, y: 0 } },
      { copy: false, times: 1, newId: counter() },
      STRAIGHT,
    ).figure;
    const after = roundIn(taken(turnedB));
    expect(after.rule.fold).toBe(5);
    expect(after.shapes.map(({ form }) => form.kind)).toEqual(['petal']);
  });

  it('makes one step of a filled line that goes round, whose copies are one area as large as what was drawn', () => {
    const lobes = Array.from({ length: 240 }, (_, k) => {
      const angle = (2 * Math.PI * k) / 240;
      const r = 40 + 12 * Math.abs(Math.sin(3 * angle));
      return { x: r * Math.sin(angle), y: -r * Math.cos(angle) };
    });
    const area = lobes.reduce((sum, p, k) => {
      const q = lobes[(k + 1) % lobes.length]!;
      return sum + (p.x * q.y - q.x * p.y) / 2;
    }, 0);
    const after = taken(drawnWith([line('lobes', lobes, true, { fill: '#113d4c', stroke: null })]));
    expect(roundIn(after)).toMatchObject({ rule: { fold: 6 }, merge: { op: 'union' } });
    const [kept] = roundIn(after).shapes as [Shape];
    const step = Math.abs(signedArea(pathsOfForm(kept.form, STRAIGHT)));
    expect(Math.abs(Math.abs(area) - 6 * step)).toBeLessThan(0.02 * Math.abs(area));
  });

  it('leaves a line round the centre in a round of its own, below', () => {
    const ring = Array.from({ length: 90 }, (_, k) => {
      const angle = (2 * Math.PI * k) / 90;
      return { x: 9 * Math.sin(angle), y: -9 * Math.cos(angle) };
    });
    const after = taken(
      drawnWith([line('ring', ring, true), line('a', leafPoints), line('b', turnedPoints(leafPoints, 1, 6))]),
    );
    expect(after.rounds.map(({ rule, shapes }) => [rule.fold, shapes.map(({ id }) => id)])).toEqual([
      [1, ['ring']],
      [6, ['a']],
    ]);
  });

  it('turns along what is no stroke, whose first copy stays where it was', () => {
    const ring = (r: number): Point[] =>
      [0, 1, 2, 3].map((k) => applyTo(turnMap(turn(k, 4)), { x: r, y: 0 }));
    const hollow = newShape(
      'hollow',
      'Hollow',
      formOfPaths(
        [polygonPath(ring(6)), polygonPath(ring(3))].map((path) => mapPath(path, moveMap({ x: 50, y: 9 }))),
      ),
      START_PAINT,
    );
    const after = taken(
      drawnWith([
        hollow,
        line('a', turnedPoints(leafPoints, 1, 9)),
        line('b', turnedPoints(leafPoints, 2, 9)),
      ]),
    );
    const round = roundIn(after);
    expect(round.rule.fold).toBe(9);
    const there = round.shapes.find(({ id }) => id === 'hollow')!;
    const [path] = pathsOfForm(there.form, STRAIGHT);
    const [was] = pathsOfForm(hollow.form, STRAIGHT);
    const now = applyTo(turnMap(round.rule.start), path!.segments[0]!.from);
    expect(distance(now, was!.segments[0]!.from)).toBeLessThan(1e-4);
  });

  it('is none for a round that is turned already, mirrored or locked', () => {
    const figure = drawnWith([line('a', leafPoints), line('b', turnedPoints(leafPoints, 1, 6))]);
    const round = roundIn(figure);
    expect(offerOf(round, STRAIGHT)).toMatchObject({ fold: 6 });
    expect(offerOf({ ...round, locked: true }, STRAIGHT)).toBeNull();
    expect(offerOf({ ...round, rule: { ...round.rule, mirror: true } }, STRAIGHT)).toBeNull();
    expect(offerOf(roundIn(setFold(figure, 'r', 8)), STRAIGHT)).toBeNull();
  });
});
