import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyPaint, Chance } from '../../../tests/help/anyFigure';
import { cssColour, MITER_LIMIT, styleOf } from './style';

describe('the style of a paint', () => {
  it('says all that a painter needs, and the same for paints that mean the same', () => {
    const stroke = { colour: '#11223380', width: 2, cap: 'butt', join: 'miter' } as const;
    const plain = styleOf({ fill: null, stroke }, 'nonzero');
    expect(plain).toEqual({
      fill: null,
      stroke: {
        ink: { kind: 'flat', colour: '#112233', opacity: 128 / 255 },
        width: 2,
        cap: 'butt',
        join: 'miter',
        limit: MITER_LIMIT,
        dashes: [],
      },
      isStrokeFirst: false,
    });
    expect(styleOf({ fill: null, stroke: { ...stroke, limit: 4, dashes: [] } }, 'nonzero')).toEqual(plain);
    // A stroke is behind a fill only where there is one.
    expect(styleOf({ fill: null, stroke, behind: true }, 'nonzero')).toEqual(plain);
    expect(styleOf({ fill: '#ffffff', stroke, behind: true }, 'evenodd')).toMatchObject({
      isStrokeFirst: true,
      fill: { rule: 'evenodd' },
    });
  });

  it('keeps colours to the bit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffffff }), (n) => {
        const colour = `#${n.toString(16).padStart(8, '0')}`;
        const { fill } = styleOf({ fill: colour, stroke: null }, 'nonzero');
        expect(fill?.ink.kind === 'flat' && cssColour(fill.ink)).toBe(
          colour.endsWith('ff') ? colour.slice(0, 7) : colour,
        );
      }),
    );
  });

  it('has stops that rise from 0 to 1, with opacities of their own', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const { fill } = styleOf(anyPaint(new Chance(seed)), 'nonzero');
        if (!fill || fill.ink.kind === 'flat') return;
        const places = fill.ink.stops.map(({ at }) => at);
        expect(places).toEqual([...places].sort((a, b) => a - b));
        expect(fill.ink.stops.every(({ opacity }) => opacity >= 0 && opacity <= 1)).toBe(true);
      }),
    );
  });
});
