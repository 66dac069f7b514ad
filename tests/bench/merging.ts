import { formOfPaths, pathsOfForm, petalOfSize } from '@/core/maker';
import { STRAIGHT } from '@/core/derive';
import { arcFromBulge, cubic, fromPolar, type Path } from '@/core/curve';
import { BAND_TOLERANCE, bandsOf } from '@/core/merge/band';
import { cellAt, divided, type Division, groupsOf, mergeNow } from '@/core/merge';
import { weaveOf } from '@/core/merge/weave/weave';
import { NO_TURN } from '@/core/number';
import { addShapes, colourCells, paintCells, setFold, setMerge } from '@/core/figure/commands';
import { evaluate, newFigure, newShape, NO_CELL_EDITS, shownCells, START_PAINT } from '@/core/figure';
import { references } from './libraries';
import { median } from './timing';

const NO_FACTS = {
  loops: 0,
  nodes: 0,
  area: 0,
  segments: { line: 0, arc: 0, cubic: 0 },
  cells: 0,
  kinds: 0,
  slivers: 0,
  milliseconds: 0,
};

const circle = (y: number, r: number): Path => {
  const [a, b] = [
    { x: 0, y: y - r },
    { x: 0, y: y + r },
  ];
  return { closed: true, segments: [arcFromBulge(a, b, 1), arcFromBulge(b, a, 1)] };
};

const division = (fold: number, paths: readonly Path[]): Division =>
  divided(
    mergeNow({
      op: 'divide',
      among: 'copies',
      operands: [
        {
          fold,
          mirror: false,
          start: NO_TURN,
          shapes: paths.map((path) => ({ paths: [path], rule: 'nonzero' })),
        },
      ],
    }),
  );

/** Painting a kind, colouring all cells, and the picture after it, as the editor does on a stroke. */
async function benchColouring(
  report: (name: string, time: number) => void,
  fold: number,
  paths: readonly Path[],
  made: Division,
): Promise<void> {
  const shapes = paths.map((path, k) => newShape(`s${k}`, 'Shape', formOfPaths([path]), START_PAINT));
  const plain = setMerge(setFold(addShapes(newFigure('Bench', 'r'), 'r', shapes), 'r', fold), 'r', 'divide');
  const { groups } = shownCells(made, NO_CELL_EDITS, STRAIGHT);
  const count = groups.reduce((sum, { copies }) => sum + copies.length, 0);
  const plan = { by: 'sector', colours: ['#84c5b4', '#1f8a76', '#f2e6d0'], shift: 1 } as const;
  report(
    `colour ${count} cells in sectors`,
    await median(9, () => colourCells(plain, 'r', made, plan, STRAIGHT)),
  );
  const coloured = colourCells(plain, 'r', made, plan, STRAIGHT);
  const facts = { parts: [], division: made, facts: NO_FACTS };
  let at = 0;
  report(
    `paint a kind among ${count} cells, and the scene after it`,
    await median(21, () => {
      at += 1;
      const group = groups[at % groups.length];
      const refs = group?.copies.flatMap((copy) => copy.refs) ?? [];
      const painted = paintCells(coloured, 'r', made, refs, { fill: '#d9512c', stroke: null });
      return evaluate(painted, new Map([['r', facts]]), STRAIGHT);
    }),
  );
}

/** A line of 60 cubics that turn so tightly that the inner side of the band runs backwards, and libraries' outlines of the same. */
async function benchBands(report: (name: string, time: number) => void): Promise<void> {
  const wave: Path = {
    closed: false,
    segments: Array.from({ length: 60 }, (_, k) => {
      const [x, y] = [k * 2, k % 2 === 0 ? 4 : -4];
      return cubic({ x, y: 0 }, { x: x + 0.7, y }, { x: x + 1.3, y }, { x: x + 2, y: 0 });
    }),
  };
  const look = { side: 'middle', join: 'round', limit: 4, cap: 'round', widths: [], dashes: [] } as const;
  const own = await median(41, () => bandsOf([wave], { ...look, width: 1 }));
  report('a band of 60 cubics', own);
  for (const { name, band } of await references()) {
    if (!band) continue;
    const time = await median(41, () => band(wave, 1, BAND_TOLERANCE * 120));
    console.log(`  ${name} takes ${time.toFixed(2)} ms: ours ${(own / time).toFixed(2)} × as long`);
  }
}

/** Cells hovered and fused, bands, and weaves. */
export async function benchMerging(report: (name: string, time: number) => void): Promise<void> {
  const [petal] = pathsOfForm(
    {
      kind: 'petal',
      at: { x: 0, y: -12 },
      rotation: NO_TURN,
      params: petalOfSize(72, 44),
    },
    STRAIGHT,
  );
  if (!petal) throw new Error('A petal is one path.');
  for (const [name, fold, paths] of [
    ['22 petals', 22, [petal]],
    ['200 circles through the centre', 200, [circle(-30, 30)]],
  ] as const) {
    report(`divide ${name}`, await median(9, () => division(fold, paths)));
    const made = division(fold, paths);
    const count = made.cells.reduce((sum, { size }) => sum + size, 0);
    const { groups } = groupsOf(made, [], STRAIGHT);
    let at = 0;
    report(
      `the cell under the pointer, among ${count}`,
      await median(201, () => cellAt(groups, fromPolar(5 + ((at += 7) % 50), at * 13))),
    );
    await benchColouring(report, fold, paths, made);
    const fuse = (k: number, cells: Division): unknown => {
      const [a, b] = [groups[k], groups[k + 1]].map((group) => group?.copies[0]?.refs[0] ?? '');
      return groupsOf(cells, [{ cells: [a ?? '', b ?? ''] }], STRAIGHT);
    };
    let pair = 0;
    // Other kinds each time, so that no outline is known; cells have their numbers, as in the editor once they are shown.
    report(
      `fuse two kinds, among ${count}`,
      await median(21, () => fuse((pair = 1 + (pair % (groups.length - 2))), made)),
    );
    report(
      `fuse two kinds, among ${count}, just divided`,
      await median(21, () => fuse(1, { ...made, cells: [...made.cells] })),
    );
  }
  await benchBands(report);
  report(
    'a weave of 12 rings',
    await median(5, () =>
      weaveOf({
        fold: 12,
        mirror: false,
        lines: [{ paths: [circle(-30, 20)], width: 2, cap: 'butt', join: 'miter' }],
        gap: 0.5,
        swapped: [],
      }),
    ),
  );
}
