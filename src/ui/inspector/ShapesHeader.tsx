'use client';

import { renameGroup, renameShape } from '@/core/figure/commands';
import { groupOf, groupsAround, type Round, type Shape } from '@/core/figure';
import { act } from '@/state';
import { DotsMenu, TextField } from '@/ui/common';
import { selectionActions, useEditor } from '@/ui/desk';

const count = (shapes: readonly Shape[]): string =>
  shapes.length === 1 ? '1 shape' : `${shapes.length} shapes`;

/** What is selected, in a word: the name of a shape or group, or how many shapes. */
export function nameOfSelected(round: Round, shapes: readonly Shape[]): string {
  const [only, another] = shapes;
  if (only && !another) return only.name;
  return groupOf(round, shapes)?.name ?? count(shapes);
}

/** The name of what is selected, and what can be done with it. */
export function ShapesHeader({
  round,
  shapes,
}: {
  readonly round: Round;
  readonly shapes: readonly Shape[];
}) {
  const editor = useEditor();
  const [only, another] = shapes;
  const group = another ? groupOf(round, shapes) : null;
  const inside = only && !group ? groupsAround(round, only).at(-1) : undefined;
  const name = nameOfSelected(round, shapes);
  const rename = (next: string): void => {
    if (group) act(editor, 'Rename group', (f) => renameGroup(f, round.id, group.id, next));
    else if (only)
      act(editor, 'Rename shape', (f) => renameShape(f, { roundId: round.id, shapeId: only.id }, next));
  };
  return (
    <div className="border-b border-line px-4 pt-2 pb-2.5">
      <div className="flex items-center gap-0.5">
        {another && !group ? (
          <h2 className="flex-1 font-title text-[17px] leading-[30px] font-semibold">{name}</h2>
        ) : (
          <TextField
            label={group ? 'Name of the group' : 'Name of the shape'}
            value={name}
            className="-ml-1.5 h-[30px] flex-1 font-title text-[17px] font-semibold"
            onChange={rename}
          />
        )}
        <DotsMenu label="More for what is selected" entries={selectionActions(editor)} />
      </div>
      <p className="flex justify-between gap-2 text-[12px] text-muted">
        <span className="truncate">
          {group ? `group of ${count(shapes)}` : inside ? `in ${inside.name}` : `in ${round.name}`}
        </span>
        {shapes.some(({ locked }) => locked) && <span>locked</span>}
      </p>
    </div>
  );
}
