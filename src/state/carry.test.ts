import { expect, it } from 'vitest';

import { editorOf, stepBack, stepForward } from '../../tests/help/editor';
import { disc, withForms } from '../../tests/help/figures';
import { STRAIGHT } from '@/core/derive';
import { type Figure, lostRefs, mergeJobsOf, requestOf } from '@/core/figure';
import { colourCells, fuseCells, roundOf, setFold, setMerge } from '@/core/figure/commands';
import { mergedFully } from '@/core/merge';
import { followCells } from './carry';
import { act } from './editor';
import { shownFigure, type Editor } from './editorState';

/** Has the division of what is shown come in, as from its worker. */
async function divided(editor: Editor): Promise<void> {
  const [job] = mergeJobsOf(shownFigure(editor.getState()), STRAIGHT);
  const result = await mergedFully(requestOf(job!, {}, STRAIGHT)!, {});
  const merge = {
    job: job!,
    counted: true,
    running: false,
    progress: null,
    result,
    problem: null,
  } as const;
  editor.setState({ merges: new Map([['r', merge]]) });
}

const crown = (): Figure => setMerge(setFold(withForms(disc(0, -40, 22)), 'r', 18), 'r', 'divide');
const cellsOf = (editor: Editor) => roundOf(shownFigure(editor.getState()), 'r').merge!.cells!;
const divisionOf = (editor: Editor) => editor.getState().merges.get('r')!.result!.division!;

it('what was done to cells goes over in the step that changes the fold, and stays so back and forth', async () => {
  const editor = editorOf(crown());
  await divided(editor);
  const said: string[] = [];
  const end = followCells(editor, (sentence) => said.push(sentence));
  const plan = { by: 'overlap', colours: ['#aa0000', '#00bb00', '#0000cc'], shift: 0 } as const;
  act(editor, 'Colour', (figure, work) => colourCells(figure, 'r', divisionOf(editor), plan, work));
  const painted = cellsOf(editor).paints;

  act(editor, 'Fold', (figure) => setFold(figure, 'r', 24));
  const steps = editor.getState().history.steps.length;
  expect(cellsOf(editor).paints).toEqual(painted);
  await divided(editor);
  const carried = cellsOf(editor).paints;
  expect(lostRefs(divisionOf(editor), cellsOf(editor))).toEqual([]);
  expect(carried).not.toEqual(painted);
  expect(editor.getState().history.steps).toHaveLength(steps);
  expect(said).toEqual([]);

  stepBack(editor);
  await divided(editor);
  expect(cellsOf(editor).paints).toEqual(painted);
  stepForward(editor);
  await divided(editor);
  expect(cellsOf(editor).paints).toEqual(carried);
  end();
});

it('what was fused and has no cells any more is said once', async () => {
  const editor = editorOf(crown());
  await divided(editor);
  const said: string[] = [];
  const end = followCells(editor, (sentence) => said.push(sentence));
  const inner = divisionOf(editor).cells.reduce((a, b) => (b.depth > a.depth ? b : a));
  act(editor, 'Fuse', (figure) => fuseCells(figure, 'r', [`${inner.key}@0`, `${inner.key}@1`], true));
  act(editor, 'Fold', (figure) => setFold(figure, 'r', 7));
  await divided(editor);
  await divided(editor);
  expect(said).toHaveLength(1);
  end();
});
