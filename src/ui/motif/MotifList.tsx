'use client';

import {
  DndContext,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
  type DragMoveEvent,
} from '@dnd-kit/core';
import { useMemo, useState } from 'react';

import { motifTree, type Round, shapesIn, type RoundId } from '@/core/figure';
import { lockShapes, placeInMotif, renameGroup, renameShape, showShapes } from '@/core/figure/commands';
import { act, type Editor, select } from '@/state';
import { ContextMenu } from '@/ui/common';
import { selectionActions, useEditor, useEditorState } from '@/ui/desk';
import { MotifRowItem, type RowActions } from './MotifRowItem';
import { dropPlaceAt, rowsOf, spotOf, type DropPlace, type MotifRow } from './rows';

/** A pointer that moved less than 4 pixels clicks. One object, as another one has all rows made anew. */
const DRAGGED = { activationConstraint: { distance: 4 } };

/** What is moved with a row: all that is selected where it is a part of that. */
const movedWith = (editor: Editor, row: MotifRow): ReadonlySet<string> => {
  const { shapeIds } = editor.getState().selection;
  return row.ids.every((id) => shapeIds.has(id)) ? shapeIds : new Set(row.ids);
};

function actionsOf(editor: Editor, roundId: RoundId, edit: (key: string | null) => void): RowActions {
  return {
    edit,
    select: (row, add) => {
      const before = editor.getState().selection.shapeIds;
      const isOn = row.ids.every((id) => before.has(id));
      const ids = new Set(add ? before : []);
      for (const id of row.ids)
        if (add && isOn) ids.delete(id);
        else ids.add(id);
      // What is chosen here is not taken in the lane: all of a strip is the strip as it is bent.
      editor.setState({ laid: false });
      select(editor, roundId, ids);
    },
    rename: ({ node }, name) =>
      node.kind === 'shape'
        ? act(editor, 'Rename shape', (f) => renameShape(f, { roundId, shapeId: node.shape.id }, name))
        : act(editor, 'Rename group', (f) => renameGroup(f, roundId, node.group.id, name)),
    show: ({ ids, isVisible, name }) =>
      act(editor, `${isVisible ? 'Hide' : 'Show'} ${name}`, (f) =>
        showShapes(f, roundId, new Set(ids), !isVisible),
      ),
    lock: ({ ids, isLocked, name }) =>
      act(editor, `${isLocked ? 'Unlock' : 'Lock'} ${name}`, (f) =>
        lockShapes(f, roundId, new Set(ids), !isLocked),
      ),
    toggle: (key) =>
      editor.setState(({ closed }) => {
        const next = new Set(closed);
        if (!next.delete(key)) next.add(key);
        return { closed: next };
      }),
  };
}

interface Drop {
  readonly row: MotifRow;
  readonly place: DropPlace;
}

/** Where a drag is, by the row under the pointer. */
function dropOf(rows: readonly MotifRow[], { over, delta, activatorEvent }: DragMoveEvent): Drop | null {
  const row = over && rows.find(({ key }) => key === over.id);
  if (!row || !(activatorEvent instanceof MouseEvent)) return null;
  const share = (activatorEvent.clientY + delta.y - over.rect.top) / over.rect.height;
  return { row, place: dropPlaceAt(row, share) };
}

/** The shapes and groups of a motif, the front one first: to select, rename, reorder, hide and lock. */
export function MotifList({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const chosen = useEditorState((state) => state.selection.shapeIds);
  const closed = useEditorState((state) => state.closed);
  const [edited, setEdited] = useState<string | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
  const tree = motifTree(round);
  const rows = useMemo(() => rowsOf(tree, closed), [tree, closed]);
  const actions = useMemo(() => actionsOf(editor, round.id, setEdited), [editor, round.id]);
  const sensors = useSensors(useSensor(PointerSensor, DRAGGED));

  if (rows.length === 0)
    return <p className="px-4 pb-2 text-[12px] text-muted">Nothing is drawn in this wedge yet.</p>;

  const finish = (key: string): void => {
    const moved = rows.find((row) => row.key === key);
    setDrop(null);
    if (!moved || !drop || round.locked) return;
    const spot = spotOf(tree, drop.row, drop.place);
    act(editor, 'Reorder shapes', (f) => placeInMotif(f, round.id, movedWith(editor, moved), spot));
  };
  /** The row that is clicked for its menu is selected, unless it is already. */
  const selectAt = (target: EventTarget | null): void => {
    const key =
      target instanceof Element ? target.closest<HTMLElement>('[data-row-key]')?.dataset['rowKey'] : null;
    const row = rows.find((each) => each.key === key);
    if (row && !row.ids.every((id) => chosen.has(id))) actions.select(row, false);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{ restoreFocus: false }}
      onDragMove={(event) => setDrop(dropOf(rows, event))}
      onDragCancel={() => setDrop(null)}
      onDragEnd={({ active }) => finish(String(active.id))}
    >
      <ContextMenu
        label="More for the selection"
        entries={() => selectionActions(editor)}
        onOpen={(event) => selectAt(event.target)}
      >
        <ul className="px-2" aria-label="Shapes of the motif, front first">
          {rows.map((row) => (
            <MotifRowItem
              key={row.key}
              row={row}
              isOn={shapesIn(row.node).every(({ id }) => chosen.has(id))}
              isClosed={closed.has(row.key)}
              isEdited={edited === row.key}
              drop={drop?.row.key === row.key ? drop.place : null}
              actions={actions}
            />
          ))}
        </ul>
      </ContextMenu>
    </DndContext>
  );
}
