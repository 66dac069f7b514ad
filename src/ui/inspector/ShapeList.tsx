'use client';

import { ChevronDown, ChevronUp, Eye, EyeOff, Lock, LockOpen } from 'lucide-react';

import { lockShape, moveShapeOrder, renameShape, showShape } from '@/core/figure/commands';
import type { Round } from '@/core/figure/model';
import { act, select } from '@/state/editor';
import { PaintChip } from '../common/PaintChip';
import { Section } from '../common/Panel';
import { TextField } from '../common/TextField';
import { useEditor, useEditorState } from '../editor/EditorContext';

const SMALL =
  'inline-flex size-[26px] shrink-0 items-center justify-center rounded-[6px] text-muted hover:bg-line/60 hover:text-ink disabled:opacity-30';

/** The motif's shapes, the front one first. */
export function ShapeList({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const chosen = useEditorState((state) => state.selection.shapeIds);
  const front = round.shapes.length - 1;
  return (
    <Section title="Motif" note="front first">
      {round.shapes.length === 0 && (
        <p className="text-[12px] text-muted">Nothing is drawn in this wedge yet.</p>
      )}
      <ul className="-mx-1.5 flex flex-col">
        {round.shapes
          .map((shape, k) => {
            const ref = { roundId: round.id, shapeId: shape.id };
            const on = chosen.has(shape.id);
            return (
              <li
                key={shape.id}
                className={`flex h-[30px] items-center rounded-[6px] pr-0.5 pl-0.5 ${on ? 'bg-coral-soft' : 'hover:bg-line/40'}`}
              >
                <button
                  type="button"
                  aria-label={`Select ${shape.name}`}
                  aria-pressed={on}
                  className="inline-flex size-[26px] shrink-0 items-center justify-center rounded-[6px]"
                  onClick={(event) => {
                    const ids = new Set(event.shiftKey ? chosen : []);
                    if (event.shiftKey && on) ids.delete(shape.id);
                    else ids.add(shape.id);
                    select(editor, round.id, ids);
                  }}
                >
                  <PaintChip paints={[shape.paint]} />
                </button>
                <TextField
                  label={`Name of ${shape.name}`}
                  value={shape.name}
                  className={`mx-0.5 h-6 flex-1 ${shape.visible ? '' : 'text-muted line-through'}`}
                  onChange={(name) => act(editor, 'Rename shape', (figure) => renameShape(figure, ref, name))}
                />
                <button
                  type="button"
                  className={SMALL}
                  aria-label={`Bring ${shape.name} forward`}
                  title="Bring forward"
                  disabled={k === front}
                  onClick={() =>
                    act(editor, 'Reorder shapes', (figure) => moveShapeOrder(figure, ref, k + 1))
                  }
                >
                  <ChevronUp size={14} strokeWidth={1.7} />
                </button>
                <button
                  type="button"
                  className={SMALL}
                  aria-label={`Send ${shape.name} back`}
                  title="Send back"
                  disabled={k === 0}
                  onClick={() =>
                    act(editor, 'Reorder shapes', (figure) => moveShapeOrder(figure, ref, k - 1))
                  }
                >
                  <ChevronDown size={14} strokeWidth={1.7} />
                </button>
                <button
                  type="button"
                  className={SMALL}
                  aria-label={shape.visible ? `Hide ${shape.name}` : `Show ${shape.name}`}
                  onClick={() =>
                    act(editor, shape.visible ? 'Hide shape' : 'Show shape', (f) =>
                      showShape(f, ref, !shape.visible),
                    )
                  }
                >
                  {shape.visible ? (
                    <Eye size={14} strokeWidth={1.7} />
                  ) : (
                    <EyeOff size={14} strokeWidth={1.7} />
                  )}
                </button>
                <button
                  type="button"
                  className={SMALL}
                  aria-label={shape.locked ? `Unlock ${shape.name}` : `Lock ${shape.name}`}
                  onClick={() =>
                    act(editor, shape.locked ? 'Unlock shape' : 'Lock shape', (f) =>
                      lockShape(f, ref, !shape.locked),
                    )
                  }
                >
                  {shape.locked ? (
                    <Lock size={14} strokeWidth={1.7} />
                  ) : (
                    <LockOpen size={14} strokeWidth={1.7} />
                  )}
                </button>
              </li>
            );
          })
          .reverse()}
      </ul>
    </Section>
  );
}
