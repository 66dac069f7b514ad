/** What is interlaced, and cords. */
import { arcs, built, disc, line, motif, part, parts, waves, INK, type StockMotif } from '../building';

const { kelp, deep, coral, brass, sand } = INK;

export const KNOTS: readonly StockMotif[] = [
  motif(
    'trefoil-knot',
    'Knot of three',
    ['interlace', 'knot'],
    part('Knot', built('knot', { lobes: 3, radius: 17 }), line(kelp, 3.4)),
  ),
  motif(
    'knot-of-four',
    'Knot of four',
    ['interlace', 'knot'],
    part('Knot', built('knot', { lobes: 4, radius: 17 }), line(deep, 3)),
  ),
  motif(
    'loops',
    'Loops',
    ['interlace', 'border', 'line'],
    parts(
      'Loop',
      [-12, 0, 12].map((x) => disc(9, x, 0)),
      line(coral, 2.6),
    ),
  ),
  motif(
    'plait',
    'Plait',
    ['interlace', 'border', 'line'],
    part('First strand', waves(4, 11, 0, 0.6), line(kelp, 3)),
    part('Second strand', waves(4, 11, 0, -0.6), line(brass, 3)),
  ),
  motif(
    'net',
    'Net',
    ['interlace', 'pattern', 'line'],
    parts(
      'Cord',
      [-14, 0, 14].flatMap((x) => [
        arcs(
          [
            [x - 10, 20],
            [x + 10, -20],
          ],
          false,
        ),
        arcs(
          [
            [x + 10, 20],
            [x - 10, -20],
          ],
          false,
        ),
      ]),
      line(deep, 1.4),
    ),
  ),
  motif(
    'rope',
    'Rope',
    ['border', 'strand'],
    parts(
      'Strand',
      [-25, -16, -7, 2, 11].map((x) =>
        arcs([
          [x, 5, 0.5],
          [x + 14, -5, 0.5],
        ]),
      ),
      { fill: sand, stroke: { colour: deep, width: 0.8, cap: 'round', join: 'round' } },
    ),
  ),
];
