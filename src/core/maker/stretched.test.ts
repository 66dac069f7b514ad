import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { applyTo, boundsOfPaths, distance, turnMap } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { turn } from '@/core/number';
import { dragFormHandle, handlesOfForm, pathsOfForm, stretchedForm, type Form } from './form';
import { MAKERS, type BuiltForm } from './makers';
import { transformedForms } from './transform';

const KINDS = ['ellipse', 'rectangle', 'petal'] as const;

describe('a construction that is made wider or higher', () => {
  it('stays one, with the box that it would have as a path', () => {
    const factor = fc.double({ min: 0.2, max: 4, noNaN: true });
    const quarter = fc.integer({ min: 0, max: 3 });
    fc.assert(
      fc.property(fc.constantFrom(...KINDS), quarter, factor, factor, (kind, k, across, up) => {
        const form = { kind, at: { x: 5, y: -30 }, rotation: turn(k, 4), params: MAKERS[kind].start } as Form;
        // A petal wider than it is long bulges past its tips: its box is another.
        fc.pre(kind !== 'petal' || (k % 2 === 0 ? 16 * across < 40 * up : 16 * up < 40 * across));
        const about = { x: -3, y: 2 };
        const made = stretchedForm(form, across, up, about);
        expect(made?.kind).toBe(kind);
        const [before, after] = [form, made!].map((each) => boundsOfPaths(pathsOfForm(each, STRAIGHT)));
        expect(after!.left).toBeCloseTo(about.x + (before!.left - about.x) * across, 4);
        expect(after!.right).toBeCloseTo(about.x + (before!.right - about.x) * across, 4);
        expect(after!.top).toBeCloseTo(about.y + (before!.top - about.y) * up, 4);
        expect(after!.bottom).toBeCloseTo(about.y + (before!.bottom - about.y) * up, 4);
        expect(transformedForms(form, { kind: 'scale', x: across, y: up, about }, STRAIGHT)[0]?.kind).toBe(
          kind,
        );
      }),
      { numRuns: 100 },
    );
  });

  it('is a path where it leans, or where there is none of its kind that is so', () => {
    const leaning: Form = {
      kind: 'ellipse',
      at: { x: 0, y: 0 },
      rotation: turn(1, 9),
      params: { width: 4, height: 2 },
    };
    expect(stretchedForm(leaning, 2, 1, { x: 0, y: 0 })).toBeNull();
    const branch = {
      kind: 'branch',
      at: { x: 0, y: 0 },
      rotation: turn(0),
      params: MAKERS.branch.start,
    } as Form;
    expect(stretchedForm(branch, 2, 1, { x: 0, y: 0 })).toBeNull();
    expect(
      transformedForms(leaning, { kind: 'scale', x: 2, y: 1, about: { x: 0, y: 0 } }, STRAIGHT)[0]?.kind,
    ).toBe('path');
  });
});

describe('a rectangle', () => {
  it('keeps the corner across from the one that is dragged, however it is turned', () => {
    const sides = { x: fc.integer({ min: 1, max: 40 }), y: fc.integer({ min: 1, max: 40 }) };
    fc.assert(
      fc.property(
        fc.record(sides),
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 0, max: 23 }),
        (by, k, twist) => {
          const form = {
            kind: 'rectangle',
            at: { x: 5, y: -30 },
            rotation: turn(twist, 24),
            params: MAKERS.rectangle.start,
          } as BuiltForm;
          const corners = handlesOfForm(form, STRAIGHT).filter(({ id }) => id.endsWith('corner'));
          const [held, across] = [corners[k], corners[(k + 2) % 4]];
          // Along the diagonal and farther: a place where the corner can be.
          const m = turnMap(form.rotation);
          const [x, y] = [
            [-1, -1],
            [1, -1],
            [1, 1],
            [-1, 1],
          ][k]!;
          const out = applyTo(m, { x: x! * by.x, y: y! * by.y });
          const to = { x: held!.point.x + out.x, y: held!.point.y + out.y };
          const next = handlesOfForm(dragFormHandle(form, held!.id, to, STRAIGHT), STRAIGHT);
          const at = (id: string) => next.find((each) => each.id === id)!.point;
          expect(distance(at(held!.id), to)).toBeLessThan(1e-9);
          expect(distance(at(across!.id), across!.point)).toBeLessThan(1e-9);
        },
      ),
    );
  });
});
