import {
  act,
  actAndSelect,
  activeRound,
  type Editor,
  newId,
  overParts,
  selectedParts,
  shapesOfParts,
  shownFigure,
  workOf,
} from '@/state';
import { toast } from 'sonner';

import { addMotif, removeShapes } from '@/core/figure/commands';
import { regrouped, renamedShapes, usedGroups } from '@/core/figure';
import { clipOf, isSvgText, motifOfClip } from '@/core/format';
import { takesText } from '@/ui/common';
import { nameOfFile } from '@/ui/import';

/** Puts shapes of ours into the motif that is worked on, as they were, and selects them; asks for other drawings to be read. */
function takeSvg(editor: Editor, text: string, name: string, file: File | null): void {
  const round = activeRound(editor.getState());
  if (!round) return;
  if (round.locked) {
    toast.error(`${round.name} is locked: unlock it to paste into it.`);
    return;
  }
  const motif = motifOfClip(text);
  if (!motif) {
    editor.setState({ importing: { name, text, file, from: 'paste' } });
    return;
  }
  actAndSelect(editor, 'Paste', round.id, (now) => {
    const all = new Set(motif.shapes.map(({ id }) => id));
    const { shapes, groups } = regrouped(motif, all, newId);
    const fresh = renamedShapes(shapes, newId);
    return { figure: addMotif(now, round.id, fresh, groups), ids: fresh.map(({ id }) => id) };
  });
}

/**
 * Copy, cut and paste of shapes by the system's clipboard, as SVG: within a figure and from figure to figure they stay what they
 * are, other programs get a drawing, and drawings of theirs become paths.
 */
export function followClipboard(editor: Editor): () => void {
  const work = workOf(editor.getState());
  const copy = (event: ClipboardEvent): void => {
    const state = editor.getState();
    const figure = shownFigure(state);
    // Linked rounds have the same shapes, which are copied once.
    const shapes = [...new Map(shapesOfParts(state).map((shape) => [shape.id, shape])).values()];
    if (takesText(event.target) || shapes.length === 0) return;
    const known = new Map(
      figure.rounds.flatMap(({ groups = [] }) => groups).map((group) => [group.id, group]),
    );
    const groups = usedGroups([...known.values()], shapes);
    const svg = clipOf({ shapes, groups }, shownFigure(state).page.unit, work);
    event.clipboardData?.setData('text/plain', svg);
    event.clipboardData?.setData('image/svg+xml', svg);
    event.preventDefault();
    if (event.type !== 'cut' || selectedParts(state).length === 0) return;
    act(editor, 'Cut', (f) =>
      overParts(state, f, (next, { roundId, ids }) => removeShapes(next, roundId, ids)),
    );
  };
  const paste = (event: ClipboardEvent): void => {
    const data = event.clipboardData;
    if (takesText(event.target) || !data) return;
    const text = data.getData('image/svg+xml') || data.getData('text/plain');
    const file = [...data.files].find(({ type }) => type === 'image/svg+xml');
    if (isSvgText(text)) takeSvg(editor, text, 'Drawing', null);
    else if (file) void file.text().then((content) => takeSvg(editor, content, nameOfFile(file.name), file));
    else return;
    event.preventDefault();
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
