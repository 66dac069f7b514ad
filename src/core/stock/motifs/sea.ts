/** Water, and what is in it. */
import {
  around,
  arcs,
  bow,
  built,
  disc,
  fill,
  line,
  motif,
  part,
  parts,
  petal,
  waves,
  INK,
  type StockMotif,
} from '../building';

const { kelp, deep, foam, coral, brass, shell, sand } = INK;

export const SEA: readonly StockMotif[] = [
  motif(
    'drop',
    'Drop',
    ['water'],
    part('Drop', built('drop', { length: 40, width: 20 }, { x: 0, y: 20 }), fill(foam)),
  ),
  motif(
    'drop-in-drop',
    'Drop in a drop',
    ['water', 'two tones'],
    part('Outer', built('drop', { length: 40, width: 22 }, { x: 0, y: 20 }), fill(deep)),
    part('Inner', built('drop', { length: 24, width: 12 }, { x: 0, y: 14 }), fill(foam)),
  ),
  motif('wave', 'Wave', ['water', 'line', 'border'], part('Wave', waves(4, 12), line(kelp, 3))),
  motif(
    'ripples',
    'Ripples',
    ['water', 'line', 'border'],
    part('First', waves(4, 11, -8), line(foam, 2)),
    part('Second', waves(4, 11, 0), line(kelp, 2)),
    part('Third', waves(4, 11, 8), line(deep, 2)),
  ),
  motif(
    'crest',
    'Crest',
    ['water', 'scroll'],
    part('Crest', built('scroll', { radius: 13, growth: 1.3, quarters: 8 }), line(kelp, 3)),
  ),
  motif(
    'bubbles',
    'Bubbles',
    ['water', 'circles'],
    part('Large', disc(11, -3, 7), line(kelp, 2)),
    part('Middle', disc(7, 7, -7), line(foam, 2)),
    part('Small', disc(3.5, -5, -14), line(brass, 2)),
  ),
  motif(
    'fish',
    'Fish',
    ['sea', 'animal'],
    part(
      'Tail',
      arcs([
        [0, 10],
        [-9, 21, -0.3],
        [9, 21],
      ]),
      fill(coral),
    ),
    part('Body', petal(34, 17, 0, 14), fill(coral)),
    part('Eye', disc(1.7, 3, -11), fill(deep)),
    part('Gill', bow(-5.5, -5, 5.5, -5, 0.4), line(sand, 1)),
  ),
  motif(
    'fan-shell',
    'Fan shell',
    ['sea', 'shell'],
    part(
      'Fan',
      arcs([
        [0, 18],
        [-17, -6, 0.62],
        [17, -6],
      ]),
      fill(shell),
    ),
    parts(
      'Rib',
      [-2, -1, 0, 1, 2].map((k) =>
        arcs(
          [
            [0, 18],
            [k * 6.4, -14 + Math.abs(k) * 1.7],
          ],
          false,
        ),
      ),
      line(coral, 1),
    ),
    part(
      'Foot',
      built(
        'rectangle',
        { width: 10, height: 4, topLeft: 2, topRight: 2, bottomRight: 2, bottomLeft: 2 },
        { x: 0, y: 18 },
      ),
      fill(coral),
    ),
  ),
  motif(
    'snail-shell',
    'Snail shell',
    ['sea', 'shell', 'scroll'],
    part('Ground', disc(16), fill(sand)),
    part('Turns', built('scroll', { radius: 15, growth: 1.28, quarters: 10 }), line(coral, 2.2)),
  ),
  motif(
    'sea-star',
    'Sea star',
    ['sea', 'star', 'five'],
    parts(
      'Arm',
      around(5, (direction) => petal(22, 11, 0, 0, direction)),
      fill(brass),
    ),
    part('Middle', disc(7), fill(brass)),
    parts(
      'Dot',
      around(5, (_, out) => disc(1.3, out(10).x, out(10).y)),
      fill(coral),
    ),
  ),
  motif(
    'scales',
    'Scales',
    ['sea', 'pattern', 'border'],
    parts(
      'Scale',
      [
        [-16, -8],
        [0, -8],
        [16, -8],
        [-8, 0],
        [8, 0],
        [-16, 8],
        [0, 8],
        [16, 8],
      ].map(([x = 0, y = 0]) =>
        arcs(
          [
            [x - 8, y, 1],
            [x + 8, y],
            [x, y - 8],
          ].slice(0, 2) as [number, number, number?][],
        ),
      ),
      { fill: foam, stroke: { colour: deep, width: 1, cap: 'round', join: 'round' } },
    ),
  ),
  motif(
    'anchor',
    'Anchor',
    ['sea', 'sign'],
    part('Ring', disc(4, 0, -17), line(deep, 2.4)),
    part(
      'Shank',
      arcs(
        [
          [0, -13],
          [0, 19],
        ],
        false,
      ),
      line(deep, 3),
    ),
    part(
      'Stock',
      arcs(
        [
          [-9, -7],
          [9, -7],
        ],
        false,
      ),
      line(deep, 3),
    ),
    part('Arms', bow(-15, 6, 15, 6, -0.75), line(deep, 3)),
    parts(
      'Fluke',
      [
        arcs([
          [-19, 9],
          [-15, 1],
          [-11, 9],
        ]),
        arcs([
          [11, 9],
          [15, 1],
          [19, 9],
        ]),
      ],
      fill(deep),
    ),
  ),
  motif(
    'sail',
    'Sail',
    ['sea', 'boat'],
    part(
      'Main',
      arcs([
        [2, 10],
        [2, -20, 0.22],
        [16, 10],
      ]),
      fill(sand),
    ),
    part(
      'Fore',
      arcs([
        [-2, 10],
        [-2, -14, -0.2],
        [-14, 10],
      ]),
      fill(coral),
    ),
    part(
      'Hull',
      arcs([
        [-17, 13, -0.35],
        [17, 13],
      ]),
      fill(deep),
    ),
  ),
  motif(
    'kelp-frond',
    'Kelp frond',
    ['sea', 'plant', 'curved'],
    part(
      'Frond',
      arcs(
        [
          [0, 22, 0.45],
          [0, 0, -0.45],
          [0, -22],
        ],
        false,
      ),
      line(kelp, 3),
    ),
    parts('Bladder', [disc(3, 8, 12), disc(3, -8, -10)], fill(brass)),
  ),
];
