import { STRAIGHT } from '@/core/derive';
import { addShapes, paintCells, setFold, setMerge, withShapes } from '@/core/figure/commands';
import {
  type Figure,
  mergeJobsOf,
  newFigure,
  newShape,
  NO_CELL_EDITS,
  requestOf,
  shownCells,
  START_PAINT,
} from '@/core/figure';
import { mergedFully } from '@/core/merge';
import { NO_TURN } from '@/core/number';
import { createProving, targetOf } from '@/core/proof';
import { median } from './timing';

const COLOURS = ['#1f8a76', '#113d4c', '#84c5b4', '#e9b44c', '#d9512c'];

/** So many circles through the centre: half their number squared of cells, painted ring by ring. */
async function circles(
  count: number,
): Promise<{ figure: Figure; divide: () => Promise<unknown>; cells: number }> {
  const disc = {
    kind: 'ellipse',
    at: { x: 0, y: -40 },
    rotation: NO_TURN,
    params: { width: 80, height: 80 },
  } as const;
  const plain = setMerge(
    setFold(
      addShapes(newFigure('Cells', 'r'), 'r', [newShape('s', 'Circle', disc, START_PAINT)]),
      'r',
      count,
    ),
    'r',
    'divide',
  );
  const [job] = mergeJobsOf(plain, STRAIGHT);
  const request = job && requestOf(job, {}, STRAIGHT);
  if (!request) throw new Error('There is nothing to divide.');
  const divide = () => mergedFully(request, {});
  const { division } = await divide();
  if (!division) throw new Error('Nothing was divided.');
  const { groups } = shownCells(division, NO_CELL_EDITS, STRAIGHT);
  const figure = groups.reduce(
    (before, group, k) =>
      paintCells(
        before,
        'r',
        division,
        group.copies.flatMap(({ refs }) => refs),
        {
          fill: COLOURS[k % COLOURS.length] ?? '#000000',
          stroke: null,
        },
      ),
    plain,
  );
  return { figure, divide, cells: groups.reduce((sum, { copies }) => sum + copies.length, 0) };
}

/** A proof of very many cells, against dividing them, and again after an edit that leaves them. */
export async function benchProving(report: (name: string, time: number) => void): Promise<void> {
  const { figure, divide, cells } = await circles(200);
  const dividing = await median(3, divide);
  for (const id of ['print', 'all']) {
    const proof = await median(3, async () => {
      await createProving().prove(figure, targetOf(undefined, id), { facts: true });
    });
    report(`proof of ${cells} cells for ${id}, facts with it`, proof);
    console.log(
      `  ${(proof / dividing).toFixed(1)} times dividing them (${dividing.toFixed(0)} ms), ${proof.toFixed(0)} ms`,
    );
  }
  const proving = createProving();
  await proving.prove(figure, targetOf(undefined, 'print'));
  let k = 0;
  const again = await median(3, async () => {
    k += 1;
    const renamed = withShapes(figure, 'r', new Set(['s']), (shape) => ({ ...shape, name: `Circle ${k}` }));
    await proving.prove(renamed, targetOf(undefined, 'print'));
  });
  report('the same again after an edit that leaves the cells as they are', again);
}
