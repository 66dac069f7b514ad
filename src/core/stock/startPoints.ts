/** The constructions that a figure can begin from, each with the numbers that it asks for. */
import type { Shape } from '@/core/figure';
import { turn, type Turn, turnFromDegrees } from '@/core/number';
import { built, disc, fill, INK, line, part, petal } from './building';

/** A number that is asked for. */
interface StartField {
  readonly key: string;
  readonly label: string;
  readonly least: number;
  readonly most: number;
  /** A length in millimetres, a share in percent, or a count. */
  readonly as: 'length' | 'share' | 'count';
}

export type Numbers = Readonly<Record<string, number>>;

export interface StartPoint {
  readonly id: string;
  readonly name: string;
  /** What it is, in a sentence. */
  readonly about: string;
  readonly fields: readonly StartField[];
  readonly start: Numbers;
  readonly rounds: (numbers: Numbers) => readonly Made[];
  readonly background?: string;
}

/** A round with its shapes, and how its copies are merged. */
export interface Made {
  readonly name: string;
  readonly fold: number;
  readonly mirror?: boolean;
  readonly start?: Turn;
  readonly shapes: readonly Shape[];
  readonly merge?: 'union' | 'exclusion' | 'weave';
  readonly rings?: readonly number[];
}

const { kelp, deep, foam, coral, brass, shell, sand } = INK;

const FOLD: StartField = { key: 'fold', label: 'Fold', least: 3, most: 120, as: 'count' };
const length = (key: string, label: string, least: number, most: number): StartField => ({
  key,
  label,
  least,
  most,
  as: 'length',
});
const REACH = length('reach', 'Reach', 20, 88);

/** Half a step of a fold. */
const half = (fold: number): Turn => turn(1, 2 * fold);
const middle = (shapes: readonly Shape[], name = 'Middle'): Made => ({ name, fold: 1, shapes });

export const START_POINTS: readonly StartPoint[] = [
  {
    id: 'burst',
    name: 'Burst',
    about: 'Rays from the centre, shorter ones between them, and a disc.',
    fields: [FOLD, REACH, { key: 'share', label: 'Light', least: 10, most: 90, as: 'share' }],
    start: { fold: 24, reach: 84, share: 50 },
    background: deep,
    rounds: ({ fold = 1, reach = 1, share = 1 }) => [
      {
        name: 'Rays',
        fold,
        shapes: [
          part(
            'Ray',
            built('ray', { reach, angle: turnFromDegrees((3.6 * share) / fold), rim: 'round' }),
            fill(brass),
          ),
        ],
      },
      {
        name: 'Sparks',
        fold,
        start: half(fold),
        shapes: [
          part(
            'Spark',
            built(
              'kite',
              { length: 0.12 * reach, width: Math.min(0.06, 2 / fold) * reach, widest: 0.05 * reach },
              { x: 0, y: -0.82 * reach },
            ),
            fill(shell),
          ),
        ],
      },
      middle([part('Disc', disc(0.24 * reach), fill(coral))]),
    ],
  },
  {
    id: 'crown',
    name: 'Crown',
    about: 'Two rows of petals, one half a step on, about an eye.',
    fields: [FOLD, REACH, { key: 'share', label: 'Petal width', least: 20, most: 200, as: 'share' }],
    start: { fold: 16, reach: 82, share: 110 },
    background: sand,
    rounds: ({ fold = 1, reach = 1, share = 1 }) => {
      const width = (far: number): number => ((2 * Math.PI * far) / fold) * 0.6 * (share / 100);
      const outline = { colour: sand, width: 0.8, cap: 'round', join: 'round' } as const;
      return [
        {
          name: 'Back row',
          fold,
          start: half(fold),
          shapes: [
            part('Petal', petal(0.8 * reach, width(reach), 0, -0.2 * reach), { fill: deep, stroke: outline }),
          ],
        },
        {
          name: 'Front row',
          fold,
          shapes: [
            part('Petal', petal(0.66 * reach, width(0.82 * reach), 0, -0.16 * reach), {
              fill: kelp,
              stroke: outline,
            }),
          ],
        },
        {
          name: 'Inner row',
          fold,
          start: half(fold),
          shapes: [
            part('Petal', petal(0.34 * reach, width(0.46 * reach), 0, -0.12 * reach), {
              fill: foam,
              stroke: outline,
            }),
          ],
        },
        middle([part('Eye', disc(0.14 * reach), fill(brass))], 'Eye'),
      ];
    },
  },
  {
    id: 'flake',
    name: 'Flake',
    about: 'One arm with side arms, turned six times and united.',
    fields: [
      { ...FOLD, most: 24 },
      REACH,
      { key: 'pairs', label: 'Side arms', least: 1, most: 12, as: 'count' },
      length('width', 'Line width', 0.5, 10),
    ],
    start: { fold: 6, reach: 82, pairs: 5, width: 4 },
    background: kelp,
    rounds: ({ fold = 1, reach = 1, pairs = 1, width = 1 }) => [
      {
        name: 'Arms',
        fold,
        merge: 'union',
        shapes: [
          part(
            'Arm',
            built('branch', {
              length: reach,
              pairs,
              angle: turn(1, 6),
              first: 0.32 * reach,
              last: 0.86 * reach,
              arm: 0.36 * reach,
              law: 'falling',
              width,
              tip: 'pointed',
              tipLength: 1.5 * width,
            }),
            fill(sand),
          ),
          part('Hub', built('polygon', { sides: Math.max(3, fold), radius: 0.16 * reach }), fill(sand)),
        ],
      },
      {
        name: 'Eye',
        fold,
        start: half(fold),
        shapes: [
          part(
            'Kite',
            built('kite', { length: 0.14 * reach, width: 0.06 * reach, widest: 0.08 * reach }),
            fill(deep),
          ),
        ],
      },
    ],
  },
  {
    id: 'lattice',
    name: 'Lattice',
    about: 'Overlapping circles on a grid of triangles, in a ring.',
    fields: [{ key: 'rings', label: 'Rings', least: 1, most: 6, as: 'count' }, REACH],
    start: { rings: 3, reach: 80 },
    rounds: ({ rings = 1, reach = 1 }) => {
      const radius = reach / (rings + 1);
      return [
        middle(
          [
            part(
              'Circles',
              built('lattice', { rings, radius, spacing: radius, clip: 'circle', within: reach }),
              line(kelp, 1),
            ),
          ],
          'Lattice',
        ),
        middle([part('Rim', disc(reach), line(deep, 2))], 'Rim'),
      ];
    },
  },
  {
    id: 'knot',
    name: 'Knot',
    about: 'Rings that pass over and under one another.',
    fields: [
      { ...FOLD, most: 24 },
      REACH,
      { key: 'share', label: 'Ring size', least: 20, most: 70, as: 'share' },
      length('width', 'Band width', 0.5, 12),
    ],
    start: { fold: 6, reach: 80, share: 45, width: 5 },
    background: deep,
    rounds: ({ fold = 1, reach = 1, share = 1, width = 1 }) => {
      const radius = Math.max(0.1 * reach, (reach * share) / 100 - width / 2);
      return [
        {
          name: 'Ropes',
          fold,
          merge: 'weave',
          shapes: [part('Ring', disc(radius, 0, -(reach - radius - width / 2)), line(brass, width))],
        },
      ];
    },
  },
  {
    id: 'dial',
    name: 'Dial',
    about: 'Rings of ticks, long ones at every fourth, and a hand.',
    fields: [{ ...FOLD, most: 60 }, REACH],
    start: { fold: 12, reach: 82 },
    rounds: ({ fold = 1, reach = 1 }) => [
      middle([part('Rim', disc(reach), line(deep, 1.6))], 'Rim'),
      {
        name: 'Long ticks',
        fold,
        shapes: [
          part(
            'Tick',
            built(
              'bar',
              { length: 0.14 * reach, width: 0.03 * reach, tip: 'flat' },
              { x: 0, y: -0.8 * reach },
            ),
            fill(deep),
          ),
        ],
      },
      {
        name: 'Short ticks',
        fold: 4 * fold,
        shapes: [
          part(
            'Tick',
            built(
              'bar',
              { length: 0.06 * reach, width: 0.012 * reach, tip: 'flat' },
              { x: 0, y: -0.88 * reach },
            ),
            fill(deep),
          ),
        ],
      },
      middle(
        [
          part(
            'Hand',
            built('kite', { length: 0.74 * reach, width: 0.08 * reach, widest: 0.18 * reach }),
            fill(coral),
          ),
          part('Hub', disc(0.06 * reach), fill(coral)),
        ],
        'Hand',
      ),
    ],
  },
  {
    id: 'border',
    name: 'Border',
    about: 'A ring of leaves and pearls between two lines.',
    fields: [FOLD, REACH, length('band', 'Border width', 6, 40)],
    start: { fold: 24, reach: 82, band: 20 },
    rounds: ({ fold = 1, reach = 1, band: asked = 1 }) => {
      const band = Math.min(asked, 0.8 * reach);
      const within = reach - band;
      const wide = ((2 * Math.PI * (reach - band / 2)) / fold) * 0.5;
      return [
        middle(
          [
            part('Outer line', disc(reach), line(deep, 1.4)),
            part('Inner line', disc(within), line(deep, 1.4)),
          ],
          'Lines',
        ),
        {
          name: 'Leaves',
          fold,
          shapes: [
            part(
              'Leaf',
              petal(0.76 * band, Math.min(wide, 0.6 * band), 0, -(within + 0.12 * band)),
              fill(kelp),
            ),
          ],
        },
        {
          name: 'Pearls',
          fold,
          start: half(fold),
          shapes: [part('Pearl', disc(0.11 * band, 0, -(within + band / 2)), fill(brass))],
        },
      ];
    },
  },
  {
    id: 'octant',
    name: 'Octant',
    about: 'A wedge that is mirrored: what is drawn in one half is in the other too.',
    fields: [{ ...FOLD, label: 'Fold', most: 60 }, REACH],
    start: { fold: 8, reach: 82 },
    background: sand,
    rounds: ({ fold = 1, reach = 1 }) => {
      const { sin, cos } = { sin: Math.sin(Math.PI / fold / 2), cos: Math.cos(Math.PI / fold / 2) };
      const at = (far: number): { x: number; y: number } => ({ x: far * sin, y: -far * cos });
      return [
        {
          name: 'Wedges',
          fold,
          mirror: true,
          rings: [0.34 * reach, 0.62 * reach, reach],
          shapes: [
            part(
              'Leaf',
              {
                ...petal(
                  0.5 * reach,
                  0.5 * reach * Math.min(0.5, 2 / fold),
                  at(0.34 * reach).x,
                  at(0.34 * reach).y,
                  turn(1, 4 * fold),
                ),
              },
              fill(kelp),
            ),
            part('Dot', disc(0.035 * reach, at(0.92 * reach).x, at(0.92 * reach).y), fill(coral)),
          ],
        },
        {
          name: 'Kites',
          fold,
          shapes: [
            part(
              'Kite',
              built('kite', {
                length: 0.34 * reach,
                width: Math.min(0.2, 1 / fold) * reach,
                widest: 0.22 * reach,
              }),
              fill(deep),
            ),
          ],
        },
      ];
    },
  },
  {
    id: 'mandala',
    name: 'Mandala',
    about: 'Five rounds of different motifs, from the eye to the rim.',
    fields: [FOLD, REACH],
    start: { fold: 12, reach: 84 },
    rounds: ({ fold = 1, reach = 1 }) => {
      const wide = (far: number): number => ((2 * Math.PI * far) / fold) * 0.8;
      return [
        {
          name: 'Scales',
          fold,
          shapes: [
            part('Scale', disc(wide(0.78 * reach) / 1.6, 0, -(reach - wide(0.78 * reach) / 1.6)), {
              fill: foam,
              stroke: { colour: deep, width: 1, cap: 'round', join: 'round' },
            }),
          ],
        },
        {
          name: 'Leaves',
          fold,
          start: half(fold),
          shapes: [part('Leaf', petal(0.34 * reach, wide(0.6 * reach) * 0.6, 0, -0.46 * reach), fill(kelp))],
        },
        {
          name: 'Drops',
          fold,
          shapes: [
            part(
              'Drop',
              built(
                'drop',
                { length: 0.26 * reach, width: Math.min(0.2 * reach, wide(0.44 * reach) * 0.5) },
                { x: 0, y: -0.34 * reach },
              ),
              fill(coral),
            ),
          ],
        },
        {
          name: 'Pearls',
          fold,
          start: half(fold),
          shapes: [
            part(
              'Pearl',
              disc(Math.min(0.03 * reach, wide(0.32 * reach) / 3), 0, -0.32 * reach),
              fill(brass),
            ),
          ],
        },
        { name: 'Eye', fold, shapes: [part('Petal', petal(0.26 * reach, wide(0.2 * reach)), fill(deep))] },
      ];
    },
  },
  {
    id: 'star',
    name: 'Star',
    about: 'A star of lines through every so many points, in its ring.',
    fields: [
      { key: 'points', label: 'Points', least: 5, most: 48, as: 'count' },
      { key: 'skip', label: 'Step', least: 2, most: 20, as: 'count' },
      REACH,
    ],
    start: { points: 12, skip: 5, reach: 82 },
    rounds: ({ points = 5, skip = 2, reach = 1 }) => {
      const most = Math.ceil(points / 2) - 1;
      return [
        middle(
          [
            part(
              'Star',
              built('star', {
                points,
                skip: Math.max(2, Math.min(skip, most)),
                radius: reach,
                draw: 'lines',
              }),
              line(deep, 1.2),
            ),
          ],
          'Star',
        ),
        { name: 'Tips', fold: points, shapes: [part('Dot', disc(0.03 * reach, 0, -reach), fill(coral))] },
      ];
    },
  },
  {
    id: 'whirl',
    name: 'Whirl',
    about: 'Blades that lean, turned about the centre.',
    fields: [{ ...FOLD, most: 36 }, REACH],
    start: { fold: 7, reach: 82 },
    background: deep,
    rounds: ({ fold = 1, reach = 1 }) => [
      {
        name: 'Blades',
        fold,
        shapes: [
          part(
            'Blade',
            built('blade', {
              sides: Math.max(3, fold),
              radius: 0.62 * reach,
              width: (0.9 * reach) / Math.max(3, fold),
              length: 0.8 * reach,
            }),
            fill(foam),
          ),
        ],
      },
      middle([part('Hub', disc(0.1 * reach), fill(brass))], 'Hub'),
    ],
  },
  {
    id: 'badge',
    name: 'Badge',
    about: 'A field with a toothed rim, two lines, and a blossom in it.',
    fields: [
      { ...FOLD, label: 'Teeth', least: 12 },
      { key: 'petals', label: 'Petals', least: 3, most: 24, as: 'count' },
      REACH,
    ],
    start: { fold: 48, petals: 8, reach: 84 },
    rounds: ({ fold = 1, petals = 1, reach = 1 }) => [
      {
        name: 'Teeth',
        fold,
        merge: 'union',
        shapes: [
          part('Tooth', disc((Math.PI * 0.94 * reach) / fold, 0, -(0.94 * reach)), fill(deep)),
          part('Field', disc(0.94 * reach), fill(deep)),
        ],
      },
      middle(
        [
          part('Outer line', disc(0.86 * reach), line(brass, 1.2)),
          part('Inner line', disc(0.58 * reach), line(brass, 0.8)),
        ],
        'Lines',
      ),
      {
        name: 'Blossom',
        fold: petals,
        shapes: [part('Petal', petal(0.5 * reach, ((2.2 * reach) / Math.max(6, petals)) * 0.6), fill(foam))],
      },
      middle([part('Eye', disc(0.09 * reach), fill(brass))], 'Eye'),
    ],
  },
];
