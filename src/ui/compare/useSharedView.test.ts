import fc from 'fast-check';
import { expect, it } from 'vitest';

import { FITTING, zoomedAt } from './useSharedView';

it('zooming keeps what is under the pointer there, and comes back', () => {
  const place = fc.integer({ min: -500, max: 500 });
  fc.assert(
    fc.property(place, place, fc.double({ min: 0.6, max: 1.8, noNaN: true }), (x, y, factor) => {
      const before = zoomedAt(FITTING, 3, { x: y, y: x });
      const after = zoomedAt(before, factor, { x, y });
      const seen = (view: typeof before) => [(x - view.x) / view.zoom, (y - view.y) / view.zoom];
      const [[a, b], [c, d]] = [seen(before), seen(after)];
      expect(c).toBeCloseTo(a!, 6);
      expect(d).toBeCloseTo(b!, 6);
      expect(zoomedAt(after, before.zoom / after.zoom, { x, y }).x).toBeCloseTo(before.x, 6);
    }),
  );
});
