/** Rings and frames. */
import { turn } from '@/core/number';
import { arcs, built, disc, fill, line, motif, part, INK, type StockMotif } from '../building';

const { kelp, deep, coral, brass } = INK;

export const FRAMES: readonly StockMotif[] = [
  motif('ring', 'Ring', ['frame', 'circle'], part('Ring', disc(19), line(deep, 2))),
  motif(
    'double-ring',
    'Double ring',
    ['frame', 'circle'],
    part('Outer', disc(20), line(deep, 1.6)),
    part('Inner', disc(16.5), line(brass, 1)),
  ),
  motif(
    'pearls',
    'Ring of pearls',
    ['frame', 'circle', 'dots'],
    part('Pearls', built('touchingRing', { solve: 'size', count: 18, ring: 17, gap: 1 }), fill(brass)),
  ),
  motif(
    'square-frame',
    'Square frame',
    ['frame', 'square'],
    part('Frame', built('barFrame', { sides: 4, radius: 20, bar: 3.6 }), fill(kelp)),
  ),
  motif(
    'eight-frame',
    'Eight-sided frame',
    ['frame', 'octagon'],
    part('Frame', built('barFrame', { sides: 8, radius: 20, bar: 3 }), fill(deep)),
  ),
  motif(
    'turned-squares',
    'Turned squares',
    ['frame', 'square', 'line'],
    part('Squares', built('whirl', { sides: 4, radius: 20, angle: turn(1, 32), count: 7 }), line(coral, 1)),
  ),
  motif(
    'arch',
    'Arch',
    ['frame', 'window'],
    part(
      'Arch',
      arcs([
        [-12, 20],
        [-12, -8, 1],
        [12, -8],
        [12, 20],
      ]),
      line(deep, 2),
    ),
  ),
];
