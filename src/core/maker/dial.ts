import { finding } from '@/core/finding';
import { line, mapPath, ORIGIN, type Path, type Segment, turnMap } from '@/core/curve';
import { turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { arcAbout, type Maker } from './construction';

export type DialParams = {
  readonly sectors: number;
  readonly radius: number;
  readonly marks: readonly number[];
  readonly phase: 'none' | 'half';
};

const MOST_CELLS = 3000;

/** One cell about the upright direction, between two distances. */
function cell(sectors: number, inner: number, outer: number): Path {
  const [left, right] = [turn(-1, 2 * sectors), turn(1, 2 * sectors)];
  const rim = arcAbout(alongTurn(left, outer), alongTurn(right, outer), ORIGIN, outer);
  const segments: Segment[] =
    inner === 0
      ? [line(ORIGIN, rim.from), rim, line(rim.to, ORIGIN)]
      : [
          line(alongTurn(left, inner), rim.from),
          rim,
          line(rim.to, alongTurn(right, inner)),
          arcAbout(alongTurn(right, inner), alongTurn(left, inner), ORIGIN, inner, false),
        ];
  return { closed: true, segments };
}

/** A dial: equal sectors times rings, the rings between marks given in per cent of the radius; each cell one path. */
export const dial: Maker<DialParams> = {
  name: 'Dial',
  fields: [
    { key: 'sectors', label: 'Sectors', type: 'count', least: 2, most: 720 },
    { key: 'radius', label: 'Radius', type: 'length' },
    { key: 'marks', label: 'Rings at %', type: 'list', most: 60 },
    {
      key: 'phase',
      label: 'Every 2nd ring',
      type: 'choice',
      choices: [
        ['none', 'In line'],
        ['half', 'Half a step'],
      ],
    },
  ],
  start: { sectors: 24, radius: 60, marks: [30, 55, 80, 100], phase: 'none' },
  problem: ({ sectors, radius, marks }) => {
    if (!(radius > 0)) return finding('dial.radius');
    if (marks.length < 2) return finding('dial.marks');
    if (marks.some((mark, k) => mark < 0 || mark <= (marks[k - 1] ?? -1))) return finding('dial.order');
    const cells = sectors * (marks.length - 1);
    return cells <= MOST_CELLS ? null : finding('dial.cells', cells, MOST_CELLS);
  },
  inFold: (params, fold) => {
    const sectors = fold * Math.max(1, Math.round(params.sectors / fold));
    return sectors < 2 ? params : { ...params, sectors };
  },
  paths: ({ sectors, radius, marks, phase }) =>
    marks.slice(1).flatMap((mark, ring) => {
      const first = cell(sectors, ((marks[ring] ?? 0) * radius) / 100, (mark * radius) / 100);
      const shift = phase === 'half' && ring % 2 === 1 ? 1 : 0;
      return Array.from({ length: sectors }, (_, k) =>
        mapPath(first, turnMap(turn(2 * k + shift, 2 * sectors))),
      );
    }),
  extent: ({ radius }) => radius,
  facts: ({ sectors, marks }) => [
    { caption: 'Cells', value: sectors * Math.max(0, marks.length - 1), as: 'plain' },
    { caption: 'Sector', value: 360 / sectors, as: 'degrees' },
  ],
};
