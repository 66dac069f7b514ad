import Joi from 'joi';

import { addShapes, removeShapes } from '@/core/figure/commands';
import { regrouped } from '@/core/figure/groups';
import type { Shape } from '@/core/figure/model';
import { shapeSchema } from '@/core/figure/schema';
import { act, activeRound, commit, select, selectedShapes, shownFigure, type Editor } from '@/state/editor';
import { newId } from '@/state/ids';

/** What stands before shapes on the clipboard, so that other text is told apart. */
const MARK = 'cyclogon-shapes';

const clipboardSchema = Joi.object<{ format: typeof MARK; shapes: Shape[] }>({
  format: Joi.valid(MARK).required(),
  shapes: Joi.array().items(shapeSchema).min(1).required(),
});

/** The shapes in a text from the clipboard; null where it holds none of ours. */
function readShapes(text: string): Shape[] | null {
  if (!text.startsWith(`{"format":"${MARK}"`)) return null;
  try {
    const result = clipboardSchema.validate(JSON.parse(text));
    return result.error ? null : result.value.shapes;
  } catch {
    return null;
  }
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || target.matches('input, textarea'));

/** Copy, cut and paste of shapes, within a figure and from figure to figure, by the system's clipboard. */
export function followClipboard(editor: Editor): () => void {
  const copy = (event: ClipboardEvent): void => {
    const shapes = selectedShapes(editor.getState());
    if (isTyping(event.target) || shapes.length === 0) return;
    event.clipboardData?.setData('text/plain', JSON.stringify({ format: MARK, shapes }));
    event.preventDefault();
    const round = activeRound(editor.getState());
    if (event.type !== 'cut' || !round || round.locked) return;
    act(editor, 'Cut', (figure) => removeShapes(figure, round.id, new Set(shapes.map(({ id }) => id))));
  };
  const paste = (event: ClipboardEvent): void => {
    const round = activeRound(editor.getState());
    const shapes = readShapes(event.clipboardData?.getData('text/plain') ?? '');
    if (isTyping(event.target) || !round || round.locked || !shapes) return;
    event.preventDefault();
    const fresh = regrouped(shapes, newId).map((shape) => ({ ...shape, id: newId() }));
    commit(editor, 'Paste', addShapes(shownFigure(editor.getState()), round.id, fresh));
    select(
      editor,
      round.id,
      fresh.map(({ id }) => id),
    );
  };
  window.addEventListener('copy', copy);
  window.addEventListener('cut', copy);
  window.addEventListener('paste', paste);
  return () => {
    window.removeEventListener('copy', copy);
    window.removeEventListener('cut', copy);
    window.removeEventListener('paste', paste);
  };
}
