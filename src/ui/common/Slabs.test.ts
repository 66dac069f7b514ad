import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';

import { line } from '@/core/curve';
import { turn } from '@/core/number';
import type { SceneLayer } from '@/core/scene';
import { type Slab, slabsOf } from './Slabs';

/** A triangular cell in some copies. */
function cells(roundId: string, copies: number): SceneLayer {
  const [a, b, c] = [
    { x: 0, y: -1 },
    { x: 1, y: -9 },
    { x: -1, y: -9 },
  ];
  const path = { closed: true, segments: [line(a, b), line(b, c), line(c, a)] };
  return {
    roundId,
    copies: Array.from({ length: copies }, (_, k) => ({ turn: turn(k, copies) })),
    items: [
      {
        origin: { of: 'cells', keys: ['a'] },
        paths: [path],
        paint: { fill: '#d9512c', stroke: null },
        rule: 'nonzero',
        mirrored: false,
      },
    ],
  };
}

/** How many copies each slab shows, and whether on a canvas. */
const shown = (layers: readonly SceneLayer[], seen = (layer: SceneLayer): SceneLayer => layer): string[] => {
  const count = (own: readonly SceneLayer[]): number =>
    own.reduce((sum, { copies }) => sum + copies.length, 0);
  const view = { scale: 1, x: 0, y: 0 };
  return slabsOf(
    'all',
    layers,
    (own) => ({ layers: own, view, size: { width: 9, height: 9 }, outline: false }),
    ({ layers: own }) => `${count(own)} as SVG`,
    { seen },
  ).map((slab: Slab) =>
    'svg' in slab ? JSON.stringify(slab.svg) : `${count(slab.cells.layers)} on a canvas`,
  );
};

describe('Layers of a pane', () => {
  beforeAll(() => {
    vi.stubGlobal('OffscreenCanvas', vi.fn());
  });
  afterAll(() => {
    vi.unstubAllGlobals();
  });

  it('are on a canvas where a round has very many cells, back to front', () => {
    const layers = [cells('few', 20), cells('many', 800), cells('many', 900), cells('few', 20)];
    expect(shown(layers)).toEqual(['"20 as SVG"', '1700 on a canvas', '"20 as SVG"']);
  });

  it('are drawn as in the other pane where fewer of their copies are seen', () => {
    const some = (layer: SceneLayer): SceneLayer => ({ ...layer, copies: layer.copies.slice(0, 100) });
    expect(shown([cells('many', 1700), cells('few', 200)], some)).toEqual([
      '100 on a canvas',
      '"100 as SVG"',
    ]);
  });
});
