/** Stars, light and what has corners. */
import { turn } from '@/core/number';
import { around, arcs, built, disc, fill, line, motif, part, parts, INK, type StockMotif } from '../building';

const { kelp, deep, foam, coral, brass } = INK;

export const STARS: readonly StockMotif[] = [
  motif(
    'star-5',
    'Star of five',
    ['star'],
    part('Star', built('star', { points: 5, skip: 2, radius: 20 }), fill(brass)),
  ),
  motif(
    'star-8',
    'Star of eight',
    ['star', 'lattice'],
    part('Star', built('star', { points: 8, skip: 3, radius: 20 }), fill(kelp)),
  ),
  motif(
    'star-12-lines',
    'Star of lines',
    ['star', 'line', 'twelve'],
    part('Star', built('star', { points: 12, skip: 5, radius: 20, draw: 'lines' }), line(deep, 0.9)),
  ),
  motif(
    'sun',
    'Sun',
    ['star', 'rays'],
    parts(
      'Ray',
      around(12, (direction, out) =>
        built('kite', { length: 9, width: 4.4, widest: 3 }, out(11.5), direction),
      ),
      fill(coral),
    ),
    part('Disc', disc(9), fill(brass)),
  ),
  motif(
    'moon',
    'Moon',
    ['crescent', 'night'],
    part(
      'Moon',
      arcs([
        [6, -18, -1.55],
        [6, 18, 0.8],
      ]),
      fill(brass),
    ),
  ),
  motif(
    'spark',
    'Spark',
    ['star', 'four', 'light'],
    part(
      'Spark',
      arcs([
        [0, -20, -0.32],
        [20, 0, -0.32],
        [0, 20, -0.32],
        [-20, 0, -0.32],
      ]),
      fill(brass),
    ),
  ),
  motif(
    'diamond',
    'Diamond',
    ['kite', 'border'],
    part('Diamond', built('kite', { length: 40, width: 22, widest: 20 }, { x: 0, y: 20 }), fill(coral)),
  ),
  motif(
    'facets',
    'Facets',
    ['kite', 'two tones'],
    part(
      'Left',
      arcs([
        [0, 20],
        [-12, -4],
        [0, -20],
      ]),
      fill(foam),
    ),
    part(
      'Right',
      arcs([
        [0, 20],
        [12, -4],
        [0, -20],
      ]),
      fill(deep),
    ),
  ),
  motif(
    'chevrons',
    'Chevrons',
    ['border', 'arrow', 'line'],
    parts(
      'Chevron',
      [-10, 0, 10].map((y) =>
        arcs(
          [
            [-13, y + 8],
            [0, y - 5],
            [13, y + 8],
          ],
          false,
        ),
      ),
      line(deep, 3.4),
    ),
  ),
  motif(
    'snow-arm',
    'Snow arm',
    ['frost', 'branch'],
    part(
      'Arm',
      built(
        'branch',
        {
          length: 42,
          pairs: 3,
          angle: turn(1, 6),
          first: 14,
          last: 34,
          arm: 14,
          law: 'falling',
          width: 2.4,
          tip: 'flat',
        },
        { x: 0, y: 21 },
      ),
      fill(deep),
    ),
  ),
];
