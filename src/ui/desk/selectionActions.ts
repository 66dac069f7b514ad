import { ok } from '@/core/finding';
import {
  act,
  actAndSelect,
  activeRound,
  chosenIn,
  commit,
  copiedParts,
  type Editor,
  isOverRounds,
  newId,
  overParts,
  select,
  selectedParts,
  selectParts,
  shownFigure,
  workOf,
} from '@/state';
import {
  BringToFront,
  CircleDashed,
  Copy,
  Group,
  MoveDown,
  MoveUp,
  PaintBucket,
  Paintbrush,
  PenLine,
  ScanSearch,
  SendToBack,
  Shapes,
  SquaresExclude,
  Tornado,
  Trash2,
  Ungroup,
  Waypoints,
} from 'lucide-react';

import {
  groupShapes,
  type LayerStep,
  makePlain,
  moveRound,
  onePath,
  type PaintTarget,
  partContours,
  removeShapes,
  reorderShapes,
  setFill,
  setPaint,
  setStroke,
  ungroupShapes,
  whirlShape,
} from '@/core/figure/commands';
import type { Figure, Shape } from '@/core/figure';
import type { Paint } from '@/core/scene';
import { sameFill } from '@/core/paint';
import { canBeRead } from '@/core/rebuild';
import type { MenuEntry } from '@/ui/common';

/** By how much a duplicate is set off from its original, as a share of the page's width. */
const OFFSET = 1 / 40;

/** Copies of the selected shapes a little to the side; the copies are selected. */
export function duplicateSelection(editor: Editor): void {
  const state = editor.getState();
  const by = { x: shownFigure(state).page.width * OFFSET, y: 0 };
  const copies = copiedParts(state, shownFigure(state), by);
  const [own] = copies.parts;
  if (!own) return;
  commit(editor, 'Duplicate', copies.figure);
  selectParts(editor, own.roundId, copies.parts);
}

/** Removes the selected shapes. */
export function deleteSelection(editor: Editor): void {
  const state = editor.getState();
  if (selectedParts(state).length === 0) return;
  act(editor, 'Delete', (figure) =>
    overParts(state, figure, (next, { roundId, ids }) => removeShapes(next, roundId, ids)),
  );
}

/** Makes the selected shapes one group, or lets them stand alone. */
export function makeGroup(editor: Editor, together: boolean): void {
  const state = editor.getState();
  const round = activeRound(state);
  const ids = state.selection.shapeIds;
  if (!round || round.locked || ids.size < (together ? 2 : 1)) return;
  act(editor, together ? 'Group' : 'Ungroup', (figure) =>
    together ? groupShapes(figure, round.id, ids, newId) : ungroupShapes(figure, round.id, ids),
  );
}

/** Moves the selected shapes in the layer order; the round, where none are selected. */
export function reorderSelection(editor: Editor, step: LayerStep): void {
  const state = editor.getState();
  const round = activeRound(state);
  if (!round) return;
  const { shapeIds } = state.selection;
  if (shapeIds.size > 0) {
    if (selectedParts(state).length > 0)
      act(editor, 'Reorder shapes', (figure) =>
        overParts(state, figure, (next, { roundId, ids }) => reorderShapes(next, roundId, ids, step)),
      );
    return;
  }
  const { rounds } = shownFigure(state);
  const at = rounds.indexOf(round);
  const to = { front: rounds.length - 1, forward: at + 1, backward: at - 1, back: 0 }[step];
  if (to !== at && rounds[to]) act(editor, 'Reorder rounds', (f) => moveRound(f, round.id, to));
}

const hasContours = ({ form }: Shape): boolean => form.kind === 'path' && form.contours.length > 1;

/** Copying paint from what is chosen and giving it, or a part of it, to something else. */
function paintActions(editor: Editor): MenuEntry[] {
  const state = editor.getState();
  const round = activeRound(state);
  const chosen = round && chosenIn(state, round);
  const [paint] = chosen?.paints ?? [];
  const { copiedPaint } = state;
  const paste = (
    label: string,
    command: (figure: Figure, target: PaintTarget, copied: Paint) => Figure,
  ): MenuEntry => ({
    label,
    icon: Paintbrush,
    disabled: !chosen || !paint || !copiedPaint || round.locked,
    onClick: () => {
      if (chosen && copiedPaint) act(editor, label, (figure) => command(figure, chosen.target, copiedPaint));
    },
  });
  return [
    {
      label: 'Copy paint',
      icon: Paintbrush,
      apart: true,
      disabled: !paint,
      onClick: () => editor.setState({ copiedPaint: paint ?? null }),
    },
    paste('Paste paint', setPaint),
    paste('Paste fill alone', (figure, target, { fill }) => setFill(figure, target, fill)),
    paste('Paste stroke alone', (figure, target, { stroke }) => setStroke(figure, target, stroke)),
  ];
}

/** What can be done with the selected shapes, for their menu. */
export function selectionActions(editor: Editor): MenuEntry[] {
  const work = workOf(editor.getState());
  const state = editor.getState();
  const round = activeRound(state);
  const ids = state.selection.shapeIds;
  const disabled = !round || round.locked || ids.size === 0;
  /** What is done with shapes of one motif alone. */
  const apart = disabled || isOverRounds(state);
  const order = (step: LayerStep): void => reorderSelection(editor, step);
  const [only] = ids;
  const lead = round?.shapes.find(({ id }) => id === only);
  const alike = (same: (shape: Shape, as: Shape) => boolean): void => {
    if (round && lead)
      select(
        editor,
        round.id,
        round.shapes
          .filter((shape) => !shape.locked && shape.visible && same(shape, lead))
          .map(({ id }) => id),
      );
  };
  return [
    {
      label: 'Select the same fill',
      icon: PaintBucket,
      disabled: !lead,
      onClick: () => alike((a, b) => sameFill(a.paint.fill, b.paint.fill)),
    },
    {
      label: 'Select the same stroke',
      icon: PenLine,
      disabled: !lead,
      onClick: () => alike((a, b) => JSON.stringify(a.paint.stroke) === JSON.stringify(b.paint.stroke)),
    },
    {
      label: 'Select the same kind',
      icon: Shapes,
      disabled: !lead,
      onClick: () => alike((a, b) => a.form.kind === b.form.kind),
    },
    ...paintActions(editor),
    {
      label: 'Duplicate',
      words: 'copy clone',
      shortcut: 'Ctrl D',
      icon: Copy,
      disabled,
      apart: true,
      onClick: () => duplicateSelection(editor),
    },
    {
      label: 'Group',
      words: 'together',
      shortcut: 'Ctrl G',
      icon: Group,
      disabled: apart || ids.size < 2,
      onClick: () => makeGroup(editor, true),
    },
    {
      label: 'Ungroup',
      words: 'apart dissolve',
      shortcut: 'Ctrl ⇧ G',
      icon: Ungroup,
      disabled: apart || !round.shapes.some(({ id, group }) => group && ids.has(id)),
      onClick: () => makeGroup(editor, false),
    },
    {
      label: 'Make plain',
      words: 'convert to path expand outlines editable',
      icon: Waypoints,
      disabled,
      onClick: () =>
        act(editor, 'Make plain', (figure, reading) =>
          overParts(state, figure, (next, part) => makePlain(next, part.roundId, part.ids, newId, reading)),
        ),
    },
    {
      label: 'Make one path',
      words: 'compound hole contours',
      icon: CircleDashed,
      disabled: apart || ids.size < 2,
      onClick: () => {
        if (!round) return;
        const made = onePath(shownFigure(editor.getState()), round.id, ids, work);
        commit(editor, 'Make one path', made.figure);
        if (made.id) select(editor, round.id, [made.id]);
      },
    },
    {
      label: 'Part contours',
      words: 'split release separate subpaths',
      icon: SquaresExclude,
      disabled: apart || !round.shapes.some((shape) => ids.has(shape.id) && hasContours(shape)),
      onClick: () => round && act(editor, 'Part contours', (f) => partContours(f, round.id, ids, newId)),
    },
    {
      label: 'Whirl inward',
      words: 'spiral shrink rotate nested',
      icon: Tornado,
      disabled: apart || ids.size !== 1,
      onClick: () => {
        if (!round || !only) return;
        actAndSelect(editor, 'Whirl inward', round.id, (figure, work) => {
          const made = whirlShape(figure, { roundId: round.id, shapeId: only }, work);
          return made.ok ? ok({ figure: made.value, ids: [only] }) : made;
        });
      },
    },
    {
      label: 'Read their symmetry …',
      words: 'recognise rebuild rounds fold dead paths mandala rosette detect',
      icon: ScanSearch,
      disabled: apart || !round || !canBeRead(round, ids),
      onClick: () => round && editor.setState({ rereading: { roundId: round.id, ids } }),
    },
    {
      label: 'To the front',
      words: 'bring layer order top',
      shortcut: 'Ctrl ⇧ ↑',
      icon: BringToFront,
      disabled,
      apart: true,
      onClick: () => order('front'),
    },
    {
      label: 'A step forward',
      words: 'bring layer order up',
      shortcut: 'Ctrl ↑',
      icon: MoveUp,
      disabled,
      onClick: () => order('forward'),
    },
    {
      label: 'A step backward',
      words: 'send layer order down',
      shortcut: 'Ctrl ↓',
      icon: MoveDown,
      disabled,
      onClick: () => order('backward'),
    },
    {
      label: 'To the back',
      words: 'send layer order bottom',
      shortcut: 'Ctrl ⇧ ↓',
      icon: SendToBack,
      disabled,
      onClick: () => order('back'),
    },
    {
      label: 'Delete',
      words: 'remove erase',
      shortcut: 'Del',
      icon: Trash2,
      danger: true,
      apart: true,
      disabled,
      onClick: () => deleteSelection(editor),
    },
  ];
}
