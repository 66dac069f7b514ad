import { expect, it } from 'vitest';

import { editorOf, stepBack } from '../../tests/help/editor';
import { disc, withForms } from '../../tests/help/figures';
import { setFold, setStart } from '@/core/figure/commands';
import { degreesOf, turn, turnFromDegrees } from '@/core/number';
import { act } from './editor';
import { select } from './selecting';
import { followCopy } from './active';

it('the copy that is edited is the same one of the row when fold or start change, there and back', () => {
  const editor = editorOf(setFold(withForms(disc(0, -40, 8)), 'r', 8));
  const end = followCopy(editor);
  select(editor, 'r', ['s0'], { turn: turn(3, 8), mirrored: false });
  const degrees = (): number => degreesOf(editor.getState().active.turn);
  act(editor, 'Fold', (figure) => setFold(figure, 'r', 12));
  expect(degrees()).toBe(90);
  act(editor, 'Start', (figure) => setStart(figure, 'r', turnFromDegrees(10)));
  expect(degrees()).toBe(100);
  stepBack(editor);
  stepBack(editor);
  expect(degrees()).toBe(135);
  // There are not as many any more: the last.
  act(editor, 'Fold', (figure) => setFold(figure, 'r', 3));
  expect(degrees()).toBe(240);
  end();
});
