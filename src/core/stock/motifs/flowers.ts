/** Flowers, and what is drawn like them. */
import { turn } from '@/core/number';
import {
  around,
  arcs,
  built,
  disc,
  fill,
  motif,
  part,
  parts,
  petal,
  INK,
  type StockMotif,
} from '../building';

const { kelp, deep, coral, brass, shell, sand } = INK;

export const FLOWERS: readonly StockMotif[] = [
  motif(
    'blossom',
    'Blossom',
    ['flower', 'five'],
    parts(
      'Petal',
      around(5, (direction) => petal(20, 15, 0, 0, direction)),
      fill(shell),
    ),
    part('Eye', disc(4.5), fill(coral)),
  ),
  motif(
    'daisy',
    'Daisy',
    ['flower', 'twelve'],
    parts(
      'Petal',
      around(12, (direction, out) => ({ ...petal(15, 6, out(5).x, out(5).y, direction) })),
      fill(sand),
    ),
    part('Eye', disc(6), fill(brass)),
  ),
  motif(
    'aster',
    'Aster',
    ['flower', 'star'],
    parts(
      'Petal',
      around(16, (direction) => petal(20, 4.6, 0, 0, direction)),
      fill(coral),
    ),
    part('Eye', disc(5), fill(brass)),
    part('Heart', disc(2), fill(deep)),
  ),
  motif(
    'tulip',
    'Tulip',
    ['flower', 'cup'],
    part('Back', petal(32, 14, 0, 16), fill(shell)),
    part(
      'Left',
      arcs([
        [0, 16, 0.42],
        [-12, -16, -0.22],
      ]),
      fill(coral),
    ),
    part(
      'Right',
      arcs([
        [0, 16, -0.42],
        [12, -16, 0.22],
      ]),
      fill(coral),
    ),
  ),
  motif(
    'thistle',
    'Thistle',
    ['flower', 'spike'],
    parts(
      'Ray',
      [-3, -2, -1, 0, 1, 2, 3].map((k) => petal(24, 3.4, 0, 2, turn(k, 28))),
      fill(coral),
    ),
    part('Cup', disc(8, 0, 8), fill(kelp)),
  ),
  motif(
    'heart',
    'Heart',
    ['heart', 'sign'],
    part('Heart', built('heart', { length: 34, width: 34, notch: 7 }, { x: 0, y: 17 }), fill(coral)),
  ),
  motif(
    'quatrefoil',
    'Quatrefoil',
    ['tracery', 'four'],
    parts(
      'Lobe',
      around(4, (_, out) => disc(9, out(9).x, out(9).y)),
      fill(kelp),
    ),
    part(
      'Middle',
      built('polygon', { sides: 4, radius: 9 * Math.SQRT2 }, { x: 0, y: 0 }, turn(1, 8)),
      fill(kelp),
    ),
  ),
];
