import { finding } from '@/core/finding';
import { add, type ArcSegment, point, type Point, scaleBy, subtract } from '@/core/curve';
import { arcAbout, type Maker } from './construction';

export type ScrollParams = {
  readonly radius: number;
  readonly growth: number;
  readonly quarters: number;
  readonly hand: 'left' | 'right';
};

/** The quarter arcs from the eye outward; each centre lies on the line to the one before, so that the tangent runs on. */
function arcsOf({ radius, growth, quarters, hand }: ScrollParams): ArcSegment[] {
  const inner = radius / growth ** (quarters - 1);
  const clockwise = hand === 'right';
  const arcs: ArcSegment[] = [];
  let centre: Point = point(0, 0);
  let from = point(0, inner);
  for (let k = 0; k < quarters; k += 1) {
    const r = inner * growth ** k;
    const spoke = subtract(from, centre);
    const to = add(centre, clockwise ? { x: -spoke.y, y: spoke.x } : { x: spoke.y, y: -spoke.x });
    arcs.push(arcAbout(from, to, centre, r, clockwise));
    centre = add(to, scaleBy(subtract(centre, to), growth));
    from = to;
  }
  return arcs;
}

/** A scroll: quarter circles that grow by one factor from its eye outward and run on in one another. */
export const scroll: Maker<ScrollParams> = {
  name: 'Scroll',
  fields: [
    { key: 'radius', label: 'Last radius', type: 'length' },
    { key: 'growth', label: 'Grows by', type: 'share', least: 1, most: 4 },
    { key: 'quarters', label: 'Quarter turns', type: 'count', least: 1, most: 60 },
    {
      key: 'hand',
      label: 'Winds',
      type: 'choice',
      choices: [
        ['right', 'Clockwise'],
        ['left', 'Back'],
      ],
    },
  ],
  start: { radius: 24, growth: 1.25, quarters: 9, hand: 'right' },
  problem: ({ radius, growth }) => {
    if (!(radius > 0)) return finding('scroll.radius');
    return growth >= 1 && growth <= 4 ? null : finding('scroll.growth');
  },
  paths: (params) => [{ closed: false, segments: arcsOf(params) }],
  extent: ({ radius }) => radius,
  facts: (params) => [
    {
      caption: 'First radius',
      value: params.radius / params.growth ** (params.quarters - 1),
      as: 'length',
    },
  ],
};
