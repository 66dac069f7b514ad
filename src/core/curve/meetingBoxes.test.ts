import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { boundsApart } from './bounds';
import { meetingBoxes } from './meetingBoxes';

const number = fc.integer({ min: -20, max: 20 });
const size = fc.integer({ min: 0, max: 6 });
const box = fc
  .tuple(number, number, size, size)
  .map(([left, top, wide, high]) => ({ left, top, right: left + wide, bottom: top + high }));

describe('boxes that meet', () => {
  it('are the pairs that are not apart, each once', () => {
    fc.assert(
      fc.property(fc.array(box, { maxLength: 60 }), (boxes) => {
        const wanted = boxes.flatMap((a, k) =>
          boxes.flatMap((b, j) => (j > k && boundsApart(a, b) === 0 ? [`${k} ${j}`] : [])),
        );
        const found = [...meetingBoxes(boxes)].map((pair) => pair.join(' '));
        expect(found.sort()).toEqual(wanted.sort());
      }),
    );
  });
});
