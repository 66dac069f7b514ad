/**
 * The menu of what is selected.
 *
 * @example
 * <ContextMenu label="Shapes" entries={() => selectionActions(editor)}>…</ContextMenu>
 */
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

import type { Figure, Round, Shape } from '@/core/figure';
import {
  makePlain,
  onePath,
  type PaintTarget,
  partContours,
  setFill,
  setPaint,
  setStroke,
  type ShapeRef,
  whirlShape,
} from '@/core/figure/commands';
import { ok } from '@/core/finding';
import { sameFill } from '@/core/paint';
import { canBeRead } from '@/core/rebuild';
import type { Paint } from '@/core/scene';
import {
  act,
  actAndSelect,
  activeRound,
  chosenIn,
  commit,
  type Editor,
  type EditorState,
  isOverRounds,
  newId,
  overParts,
  select,
  shownFigure,
  workOf,
} from '@/state';
import type { MenuEntry } from '@/ui/common';
import { deleteSelection, duplicateSelection, makeGroup, reorderSelection } from './onSelection';

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

/** What a menu's entries are about. */
interface Chosen {
  readonly state: EditorState;
  readonly round: Round | null;
  readonly ids: ReadonlySet<string>;
  /** Nothing can be done with it. */
  readonly disabled: boolean;
  /** Nothing can be done that is done with shapes of one motif alone. */
  readonly apart: boolean;
}

function chosenNow(editor: Editor): Chosen {
  const state = editor.getState();
  const round = activeRound(state);
  const ids = state.selection.shapeIds;
  const disabled = !round || round.locked || ids.size === 0;
  return { state, round, ids, disabled, apart: disabled || isOverRounds(state) };
}

/** Selecting what is like the first of what is selected. */
function alikeActions(editor: Editor, { round, ids }: Chosen): MenuEntry[] {
  const [only] = ids;
  const lead = round?.shapes.find(({ id }) => id === only);
  const alike = (same: (shape: Shape, as: Shape) => boolean): void => {
    if (!round || !lead) return;
    const found = round.shapes.filter((shape) => !shape.locked && shape.visible && same(shape, lead));
    select(
      editor,
      round.id,
      found.map(({ id }) => id),
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
  ];
}

/** Copies and groups. */
function togetherActions(editor: Editor, { round, ids, disabled, apart }: Chosen): MenuEntry[] {
  return [
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
      disabled: apart || !round?.shapes.some(({ id, group }) => group && ids.has(id)),
      onClick: () => makeGroup(editor, false),
    },
  ];
}

function makeOnePath(editor: Editor, round: Round, ids: ReadonlySet<string>): void {
  const state = editor.getState();
  const made = onePath(shownFigure(state), round.id, ids, workOf(state));
  commit(editor, 'Make one path', made.figure);
  if (made.id) select(editor, round.id, [made.id]);
}

const whirlInward = (editor: Editor, ref: ShapeRef): void =>
  actAndSelect(editor, 'Whirl inward', ref.roundId, (figure, work) => {
    const made = whirlShape(figure, ref, work);
    return made.ok ? ok({ figure: made.value, ids: [ref.shapeId] }) : made;
  });

/** Other forms of what is selected. */
function formActions(editor: Editor, { state, round, ids, disabled, apart }: Chosen): MenuEntry[] {
  const [only] = ids;
  return [
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
      onClick: () => round && makeOnePath(editor, round, ids),
    },
    {
      label: 'Part contours',
      words: 'split release separate subpaths',
      icon: SquaresExclude,
      disabled: apart || !round?.shapes.some((shape) => ids.has(shape.id) && hasContours(shape)),
      onClick: () => round && act(editor, 'Part contours', (f) => partContours(f, round.id, ids, newId)),
    },
    {
      label: 'Whirl inward',
      words: 'spiral shrink rotate nested',
      icon: Tornado,
      disabled: apart || ids.size !== 1,
      onClick: () => round && only && whirlInward(editor, { roundId: round.id, shapeId: only }),
    },
    {
      label: 'Read their symmetry …',
      words: 'recognise rebuild rounds fold dead paths mandala rosette detect',
      icon: ScanSearch,
      disabled: apart || !round || !canBeRead(round, ids),
      onClick: () => round && editor.setState({ rereading: { roundId: round.id, ids } }),
    },
  ];
}

/** What lies over what. */
function orderActions(editor: Editor, { disabled }: Chosen): MenuEntry[] {
  return [
    {
      label: 'To the front',
      words: 'bring layer order top',
      shortcut: 'Ctrl ⇧ ↑',
      icon: BringToFront,
      disabled,
      apart: true,
      onClick: () => reorderSelection(editor, 'front'),
    },
    {
      label: 'A step forward',
      words: 'bring layer order up',
      shortcut: 'Ctrl ↑',
      icon: MoveUp,
      disabled,
      onClick: () => reorderSelection(editor, 'forward'),
    },
    {
      label: 'A step backward',
      words: 'send layer order down',
      shortcut: 'Ctrl ↓',
      icon: MoveDown,
      disabled,
      onClick: () => reorderSelection(editor, 'backward'),
    },
    {
      label: 'To the back',
      words: 'send layer order bottom',
      shortcut: 'Ctrl ⇧ ↓',
      icon: SendToBack,
      disabled,
      onClick: () => reorderSelection(editor, 'back'),
    },
  ];
}

/** What can be done with the selected shapes, for their menu. */
export function selectionActions(editor: Editor): MenuEntry[] {
  const chosen = chosenNow(editor);
  const { disabled } = chosen;
  return [
    ...alikeActions(editor, chosen),
    ...paintActions(editor),
    ...togetherActions(editor, chosen),
    ...formActions(editor, chosen),
    ...orderActions(editor, chosen),
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
