import { describe, expect, it } from 'vitest';

import { STRAIGHT } from '@/core/derive';
import type { BuiltForm } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { holdAt } from './hit';
import { newShape, START_PAINT } from './start';

/** A rectangle of 20 by 10 about (0, −40). */
const form = {
  kind: 'rectangle',
  at: { x: 0, y: -40 },
  rotation: NO_TURN,
  params: { width: 20, height: 10, topLeft: 0, topRight: 0, bottomRight: 0, bottomLeft: 0 },
} as BuiltForm;
const shapes = [newShape('s', 'Rectangle', form, START_PAINT)];
const held = (x: number, y: number) => holdAt(shapes, { x, y }, { point: 1, outline: 0.5 }, STRAIGHT);

describe('where a shape is held', () => {
  it('is its corner, the middle of a side or its middle where the press is near one', () => {
    expect(held(10.4, -45.3)).toEqual({ x: 10, y: -45 });
    expect(held(0.6, -34.8)).toEqual({ x: 0, y: -35 });
    expect(held(0.2, -40.3)).toEqual({ x: 0, y: -40 });
  });

  it('is the place on its outline elsewhere, and nothing inside', () => {
    expect(held(6, -45.2)).toEqual({ x: 6, y: -45 });
    expect(held(6, -42)).toBeNull();
  });
});
