import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { pixelsOf, difference } from '../../../tests/help/pictures';
import { STRAIGHT } from '@/core/derive';
import { roundOf, setFill, setFold, setMirror, setStroke, tidyShapes } from '@/core/figure/commands';
import { evaluateWhole, type Figure } from '@/core/figure';
import { svgOf } from '@/core/format/svg';
import { circlePath, formOfPaths, pathForm, pathsOfForm } from '@/core/maker';
import { turn } from '@/core/number';
import { turnMap } from './affine';
import { pathLength } from './length';
import { drawnOnce } from './once';
import type { Path } from './path';
import { line } from './segment';

const at = (x: number, y: number) => ({ x, y });

const polygon = (...corners: [number, number][]): Path => ({
  closed: true,
  segments: corners.map(([x, y], k) =>
    line(at(x, y), at(...(corners[(k + 1) % corners.length] as [number, number]))),
  ),
});

const lengthOf = (lines: readonly (readonly Path[])[]): number =>
  lines.flat().reduce((sum, path) => sum + pathLength(path), 0);

describe('lines that lie on one another', () => {
  it('are drawn once: a side that two squares share, whichever is longer', () => {
    const left = polygon([0, 0], [10, 0], [10, 10], [0, 10]);
    const right = polygon([10, -5], [20, -5], [20, 15], [10, 15]);
    const { lines, doubled } = drawnOnce([[left], [right]], [], 1e-6);
    expect(doubled).toBe(1);
    expect(lengthOf(lines)).toBeCloseTo(40 + 60 - 10, 9);
    expect(lines[0]).toEqual([left]);
    // What is left of the other is one open path round the side that went.
    expect(lines[1]!.map(({ closed }) => closed)).toEqual([false, false].slice(0, lines[1]!.length));
  });

  it('and what its own copies draw again: of a circle about the centre one part of so many', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 24 }), (fold) => {
        const copies = Array.from({ length: fold - 1 }, (_, k) => turnMap(turn(k + 1, fold)));
        const { lines } = drawnOnce([[circlePath(at(0, 0), 10)]], copies, 1e-6);
        expect(fold * lengthOf(lines)).toBeCloseTo(20 * Math.PI, 6);
      }),
    );
  });

  it('and leave alone what only crosses, touches or runs near', () => {
    const a = polygon([0, 0], [10, 0], [10, 10], [0, 10]);
    const b = polygon([5, 5], [15, 5], [15, 15], [5, 15]);
    const c = polygon([10.1, 0], [20, 0], [20, 10], [10.1, 10]);
    const round = circlePath(at(5, -5), 5);
    expect(drawnOnce([[a], [b], [c], [round]], [], 1e-3).doubled).toBe(0);
  });
});

describe('Tidy', () => {
  /** Lines alone. */
  const lined = (figure: Figure): Figure => {
    const ids = new Set(roundOf(figure, 'r').shapes.map(({ id }) => id));
    const target = { of: 'shapes', roundId: 'r', shapeIds: ids } as const;
    return setStroke(setFill(figure, target, null), target, { colour: '#000000', width: 1 });
  };
  const picture = async (figure: Figure): Promise<Uint8Array> =>
    pixelsOf(svgOf(await evaluateWhole(figure), { form: 'plain', decimals: 6, background: true }), 400);
  const total = (figure: Figure): number =>
    lengthOf(roundOf(figure, 'r').shapes.map(({ form }) => pathsOfForm(form, STRAIGHT)));

  it('draws the rays once on which copies meet, and the picture stays the same', async () => {
    // A kite from ray to ray: its four sides lie on both rays and between them.
    const ray = 70 * Math.tan(Math.PI / 8);
    const kite = pathForm(
      [at(0, 0), at(ray, -70), at(0, -85), at(-ray, -70)].map((p) => ({ ...p, kind: 'corner' as const })),
      true,
    );
    const before = lined(setFold(withForms(kite), 'r', 8));
    const { figure, report } = tidyShapes(before, 'r', new Set(['s0']), 1e-3, false, STRAIGHT);
    expect(report.lines).toBe(1);
    expect(total(figure)).toBeCloseTo(total(before) - Math.hypot(ray, 70), 6);
    expect(difference(await picture(figure), await picture(before))).toBeLessThan(0.002);
    expect(tidyShapes(figure, 'r', new Set(['s0']), 1e-3, false, STRAIGHT).report.lines).toBe(0);
  });

  it('looks at constructions only where it is asked to, and never opens what is filled', () => {
    const twice = lined(setMirror(setFold(withForms(disc(0, -30, 8), disc(0, -30, 8)), 'r', 5), 'r', true));
    const both = new Set(['s0', 's1']);
    expect(tidyShapes(twice, 'r', both, 1e-3, false, STRAIGHT).report.lines).toBe(0);
    const { figure, report } = tidyShapes(twice, 'r', both, 1e-3, true, STRAIGHT);
    expect(report.lines).toBeGreaterThan(0);
    // The one in front is the one that was seen; of it half, as the mirror draws the other.
    expect(roundOf(figure, 'r').shapes.map(({ id }) => id)).toEqual(['s1']);
    expect(2 * total(figure)).toBeCloseTo(16 * Math.PI, 6);
    const filled = withForms(
      formOfPaths([circlePath(at(0, -30), 8)]),
      formOfPaths([circlePath(at(0, -30), 8)]),
    );
    expect(tidyShapes(filled, 'r', both, 1e-3, false, STRAIGHT).report.lines).toBe(0);
  });
});
