import { describe, expect, it } from 'vitest';

import { line } from '@/core/curve';
import { turn } from '@/core/number';
import type { Paint, SceneLayer } from '@/core/scene';
import { layersAhead } from './layersAhead';

/** A triangular cell in some copies. */
function cells(paint: Paint, copies: number, more: Partial<SceneLayer> = {}): SceneLayer {
  const [a, b, c] = [
    { x: 0, y: -1 },
    { x: 1, y: -9 },
    { x: -1, y: -9 },
  ];
  return {
    roundId: 'r',
    copies: Array.from({ length: copies }, (_, k) => ({ turn: turn(k, copies) })),
    items: [
      {
        origin: { of: 'cells', keys: ['a'] },
        paths: [{ closed: true, segments: [line(a, b), line(b, c), line(c, a)] }],
        paint,
        rule: 'nonzero',
        mirrored: false,
      },
    ],
    ...more,
  };
}

const RED: Paint = { fill: '#d9512c', stroke: null };

describe('cells that are laid over a picture of former ones', () => {
  const before = [cells({ fill: '#1f8a76', stroke: null }, 60), cells(RED, 60)];

  it('are those that are new', () => {
    const painted = cells(RED, 60);
    expect(layersAhead([painted, before[1]!], before)).toEqual([painted]);
    expect(layersAhead(before, before)).toEqual([]);
  });

  it('are none where there is no picture, or where they would show what is beneath', () => {
    expect(layersAhead([cells(RED, 60)], null)).toEqual([]);
    const through = [
      cells({ fill: '#d9512c80', stroke: null }, 60),
      cells({ fill: null, stroke: null }, 60),
      cells(RED, 60, { blend: 'multiply' }),
      cells(RED, 1, { copies: [{ turn: turn(0), opacity: 0.5 }] }),
    ];
    for (const layer of through) expect(layersAhead([layer, before[1]!], before)).toEqual([]);
  });

  it('are none where the page would take long to draw them', () => {
    expect(layersAhead([cells(RED, 4000), before[1]!], before)).toEqual([]);
  });
});
