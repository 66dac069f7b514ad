import { describe, expect, it } from 'vitest';

import { STRAIGHT } from '@/core/derive';
import { pathsOfForm } from '@/core/maker';
import { NO_TURN, turn, turnFromDegrees } from '@/core/number';
import type { SceneItem, SceneLayer } from '@/core/scene';
import { brightnessOf, facingOf, litColour, withLight, type Light } from './light';

const at = (degrees: number, r = 10) => ({
  x: r * Math.sin((degrees * Math.PI) / 180),
  y: -r * Math.cos((degrees * Math.PI) / 180),
});

describe('brightness', () => {
  it('is by the cosine of the angle to the light: worked values at 45° of elevation', () => {
    // A normal tilted by 45° straight to a light at 45° meets it head on: 1 / sin 45°.
    expect(brightnessOf(0, 45)).toBeCloseTo(Math.SQRT2, 12);
    expect(brightnessOf(180, 45)).toBeCloseTo(0, 12);
    expect(brightnessOf(90, 60)).toBeCloseTo(0.5, 12);
    expect(brightnessOf(180, 80)).toBe(0);
    for (const away of [0, 33, 180]) expect(brightnessOf(away, 0)).toBeCloseTo(1, 12);
  });

  it('is the dot product of the normal with the light over that of a flat facet', () => {
    const rad = Math.PI / 180;
    for (let k = 0; k < 50; k += 1) {
      const [away, depth] = [(k * 37) % 360, (k * 11) % 80];
      const normal = [Math.sin(depth * rad) * Math.cos(away * rad), Math.cos(depth * rad)] as const;
      const light = [Math.cos(45 * rad), Math.sin(45 * rad)] as const;
      const dot = Math.max(0, normal[0] * light[0] + normal[1] * light[1]);
      expect(brightnessOf(away, depth)).toBeCloseTo(dot / light[1], 10);
    }
  });

  it('multiplies linear light: half of white is sRGB 188', () => {
    // IEC 61966-2-1: 1.055 · 0.5^(1/2.4) − 0.055 = 0.7354, 188 of 255.
    expect(litColour('#ffffff', 0.5)).toBe('#bcbcbc');
    expect(litColour('#1f8a76', 1)).toBe('#1f8a76');
    expect(litColour('#d9512c80', 5).slice(7)).toBe('80');
  });
});

describe('the way that a facet faces', () => {
  it('is outward, or across the axis of its copy to its own side', () => {
    expect(facingOf(at(50), 4, NO_TURN, 'out')).toBeCloseTo(50, 9);
    expect(facingOf(at(10), 4, NO_TURN, 'across')).toBeCloseTo(90, 9);
    expect(facingOf(at(-10), 4, NO_TURN, 'across')).toBeCloseTo(-90, 9);
    // In the copy at 90° the side before its axis faces back to 0°.
    expect(facingOf(at(80), 4, NO_TURN, 'across')).toBeCloseTo(0, 9);
    expect(facingOf(at(90), 4, NO_TURN, 'across')).toBeCloseTo(90, 9);
    expect(facingOf(at(30), 4, turn(1, 8), 'across')).toBeCloseTo(-45, 9);
  });
});

describe('a lit layer', () => {
  const item: SceneItem = {
    origin: { of: 'shape', shapeId: 's' },
    paths: pathsOfForm(
      {
        kind: 'ellipse',
        at: { x: 2, y: -10 },
        rotation: NO_TURN,
        params: { width: 2, height: 6 },
      },
      STRAIGHT,
    ),
    paint: { fill: '#808080', stroke: null },
    rule: 'nonzero',
    mirrored: false,
  };
  const layer = (fold: number): SceneLayer => ({
    roundId: 'r',
    items: [{ ...item, mirrored: true }, item],
    copies: Array.from({ length: fold }, (_, k) => ({ turn: turn(k, fold) })),
  });
  const light: Light = { from: turnFromDegrees(90), depth: 30, faces: 'across' };
  const grey = (each: SceneItem | undefined): number =>
    parseInt((each?.paint.fill as string).slice(1, 3), 16);

  it('has a light and a dark half of a fold, changed over on the other side', () => {
    const { copies } = withLight(layer(4), light, 4, NO_TURN);
    const [top, , bottom] = copies.map(({ items }) => items!);
    // At the top the right half faces the light from the right; at the bottom it is the one that was left.
    expect(grey(top![1])).toBeGreaterThan(0x80);
    expect(grey(top![0])).toBeLessThan(0x80);
    expect(grey(bottom![1])).toBe(grey(top![0]));
    expect(grey(bottom![0])).toBe(grey(top![1]));
  });

  it('shares items between copies that are lit alike', () => {
    const out = withLight(layer(4), { ...light, depth: 0 }, 4, NO_TURN);
    expect(new Set(out.copies.map(({ items }) => items)).size).toBe(1);
    expect(out.copies[0]?.items?.[0]?.paint.fill).toBe('#808080');
  });
});
