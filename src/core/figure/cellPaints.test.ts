import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import type { Paint } from '@/core/scene';
import {
  allPaints,
  keptPaints,
  kindKey,
  mappedPaints,
  paintedRefs,
  paintOfRef,
  paintsOf,
  placeOfRef,
} from './cellPaints';

const paint = fc
  .integer({ min: 0, max: 0xffffff })
  .map((n): Paint => ({ fill: `#${n.toString(16).padStart(6, '0')}`, stroke: null }));
const key = fc.integer({ min: 0, max: 5 }).map((k) => `kind-${k}`);
const ref = fc
  .tuple(key, fc.option(fc.integer({ min: 0, max: 9 })))
  .map(([kind, place]) => (place === null ? kind : `${kind}@${place}`));
const said = fc.array(fc.tuple(ref, paint), { maxLength: 40 });

describe('paints of cells by kind', () => {
  it('say of each cell what was said of it last, else what was of its kind', () => {
    fc.assert(
      fc.property(said, ref, (entries, asked) => {
        const paints = paintsOf(entries);
        const byRef = new Map(entries);
        expect(paintOfRef(paints, asked)).toEqual(byRef.get(asked) ?? byRef.get(kindKey(asked)));
        expect(new Set(paintedRefs(paints))).toEqual(new Set(byRef.keys()));
        expect(allPaints(paints)).toHaveLength(byRef.size);
      }),
    );
  });

  it('are changed, and left away, one by one', () => {
    fc.assert(
      fc.property(said, (entries) => {
        const paints = paintsOf(entries);
        const white = mappedPaints(paints, (each) => ({ ...each, fill: '#ffffff' }));
        expect(paintedRefs(white)).toEqual(paintedRefs(paints));
        expect(allPaints(white).every(({ fill }) => fill === '#ffffff')).toBe(true);
        const single = keptPaints(paints, (each) => placeOfRef(each) !== null);
        expect(paintedRefs(single)).toEqual(paintedRefs(paints).filter((each) => each.includes('@')));
      }),
    );
  });
});
