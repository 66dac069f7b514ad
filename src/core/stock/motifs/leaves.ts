/** Leaves and what grows. */
import { turn } from '@/core/number';
import { arcs, bow, built, fill, line, motif, part, parts, petal, INK, type StockMotif } from '../building';

const { kelp, deep, foam, coral, sand } = INK;

export const LEAVES: readonly StockMotif[] = [
  motif('leaf', 'Leaf', ['leaf', 'plant'], part('Blade', petal(40, 18, 0, 20), fill(kelp))),
  motif(
    'veined-leaf',
    'Veined leaf',
    ['leaf', 'plant'],
    part('Blade', petal(40, 22, 0, 20), fill(kelp)),
    part(
      'Rib',
      arcs(
        [
          [0, 22],
          [0, -14],
        ],
        false,
      ),
      line(sand, 1),
    ),
    parts(
      'Vein',
      [-6, 2, 10].flatMap((y) =>
        [-1, 1].map((side) => bow(0, y, side * (7.5 - Math.abs(y - 2) * 0.25), y - 7, side * 0.2)),
      ),
      line(sand, 0.7),
    ),
  ),
  motif(
    'half-leaf',
    'Half leaf',
    ['leaf', 'two tones'],
    part(
      'Light side',
      arcs([
        [0, 20, 0.32],
        [0, -20],
      ]),
      fill(foam),
    ),
    part(
      'Dark side',
      arcs([
        [0, -20, 0.32],
        [0, 20],
      ]),
      fill(kelp),
    ),
  ),
  motif('lancet', 'Lancet', ['leaf', 'narrow'], part('Blade', petal(44, 9, 0, 22), fill(deep))),
  motif(
    'sickle',
    'Sickle leaf',
    ['leaf', 'curved'],
    part(
      'Blade',
      arcs([
        [0, 20, 0.5],
        [6, -20, -0.28],
      ]),
      fill(kelp),
    ),
  ),
  motif(
    'sprig',
    'Sprig',
    ['plant', 'branch'],
    part(
      'Stem',
      arcs(
        [
          [0, 22],
          [0, -16],
        ],
        false,
      ),
      line(deep, 1.4),
    ),
    parts(
      'Leaf',
      [14, 4, -6].flatMap((y) => [petal(13, 6, 0, y, turn(1, 7)), petal(13, 6, 0, y, turn(-1, 7))]),
      fill(kelp),
    ),
    part('Tip', petal(12, 6, 0, -12), fill(kelp)),
  ),
  motif(
    'fern',
    'Fern',
    ['plant', 'branch', 'frost'],
    part(
      'Frond',
      built(
        'branch',
        {
          length: 44,
          pairs: 6,
          angle: turn(1, 7),
          first: 8,
          last: 38,
          arm: 15,
          law: 'leaf',
          width: 2.2,
          tip: 'round',
        },
        { x: 0, y: 22 },
      ),
      fill(kelp),
    ),
  ),
  motif(
    'bud',
    'Bud',
    ['flower', 'plant'],
    part(
      'Stem',
      arcs(
        [
          [0, 22],
          [0, 4],
        ],
        false,
      ),
      line(kelp, 1.6),
    ),
    part('Bud', built('drop', { length: 22, width: 13 }, { x: 0, y: 4 }), fill(coral)),
    parts('Sepal', [petal(14, 6, 0, 6, turn(1, 12)), petal(14, 6, 0, 6, turn(-1, 12))], fill(kelp)),
  ),
];
