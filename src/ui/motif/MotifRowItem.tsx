'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import { ChevronDown, Eye, EyeOff, FlipHorizontal2, Lock, LockOpen, Spline } from 'lucide-react';
import { memo, type KeyboardEvent, type MouseEvent } from 'react';

import type { CombineOp, Group } from '@/core/figure';
import { PaintChip, TextField } from '@/ui/common';
import { plural } from '@/ui/desk';
import type { DropPlace, MotifRow } from './rows';

const SMALL =
  'inline-flex size-[24px] shrink-0 items-center justify-center rounded-[6px] text-muted hover:bg-line/60 hover:text-ink';

const OPS: Record<CombineOp, string> = {
  union: 'union',
  subtract: 'subtract',
  intersection: 'intersect',
  exclusion: 'exclude',
  clip: 'clip',
};

/** What a group is, or how much is in it. */
function groupNote({ op, bend }: Group, count: number): string {
  if (bend) return 'strip';
  return op ? OPS[op] : plural(count, 'shape', 'shapes');
}

/** What a row can be asked to do; the same object as long as the list is. */
export interface RowActions {
  readonly select: (row: MotifRow, add: boolean) => void;
  readonly rename: (row: MotifRow, name: string) => void;
  readonly edit: (key: string | null) => void;
  readonly show: (row: MotifRow) => void;
  readonly lock: (row: MotifRow) => void;
  readonly toggle: (key: string) => void;
}

interface Props {
  readonly row: MotifRow;
  readonly isOn: boolean;
  readonly isClosed: boolean;
  readonly isEdited: boolean;
  readonly drop: DropPlace | null;
  readonly actions: RowActions;
}

const DROP_LOOK: Record<DropPlace, string> = {
  above: 'before:absolute before:inset-x-1 before:-top-px before:h-[2px] before:bg-coral',
  below: 'before:absolute before:inset-x-1 before:-bottom-px before:h-[2px] before:bg-coral',
  into: 'outline-2 -outline-offset-2 outline-coral',
};

/** One shape or group of the list. */
export const MotifRowItem = memo(function MotifRowItem({
  row,
  isOn,
  isClosed,
  isEdited,
  drop,
  actions,
}: Props) {
  const { node, key, name, depth } = row;
  const drag = useDraggable({ id: key });
  const target = useDroppable({ id: key });
  const group = node.kind === 'group' ? node.group : null;
  const live = node.kind === 'group' ? node.group : node.shape;
  const onKeyDown = (event: KeyboardEvent<HTMLButtonElement>): void => {
    if (event.key !== 'F2') return;
    actions.edit(key);
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <li
      ref={target.setNodeRef}
      data-row-key={key}
      className={`group/row relative flex h-[28px] items-center rounded-[6px] pr-0.5 ${isOn ? 'bg-coral-soft' : 'hover:bg-line/40'} ${drop ? DROP_LOOK[drop] : ''} ${drag.isDragging ? 'opacity-50' : ''}`}
      style={{ paddingLeft: 2 + 14 * depth }}
    >
      {group ? (
        <button
          type="button"
          aria-label={isClosed ? `Show what is in ${name}` : `Hide what is in ${name}`}
          aria-expanded={!isClosed}
          className="inline-flex h-[24px] w-[18px] shrink-0 items-center justify-center rounded-[6px] text-muted hover:bg-line/60 hover:text-ink"
          onClick={() => actions.toggle(key)}
        >
          <ChevronDown
            size={13}
            strokeWidth={1.9}
            aria-hidden
            className={isClosed ? '-rotate-90' : undefined}
          />
        </button>
      ) : (
        <span className="w-[18px] shrink-0" />
      )}
      {isEdited ? (
        <TextField
          label={`Name of ${name}`}
          value={name}
          autoFocus
          className="h-6 flex-1"
          onChange={(next) => actions.rename(row, next)}
          onDone={() => actions.edit(null)}
        />
      ) : (
        <button
          type="button"
          ref={drag.setNodeRef}
          {...drag.listeners}
          data-row
          aria-label={`Select ${name}`}
          aria-pressed={isOn}
          title={`${name}: double-click to rename, drag to reorder`}
          className="flex h-full min-w-0 flex-1 items-center gap-2 rounded-[6px] text-left outline-offset-[-2px]"
          onClick={(event: MouseEvent) => actions.select(row, event.shiftKey)}
          onDoubleClick={() => actions.edit(key)}
          onKeyDown={onKeyDown}
        >
          <PaintChip paints={row.paints} />
          <span
            className={`truncate ${row.isVisible ? '' : 'text-muted line-through'} ${group ? 'font-medium' : ''}`}
          >
            {name}
          </span>
          {live.axis && (
            <FlipHorizontal2
              size={13}
              strokeWidth={1.7}
              className="shrink-0 text-muted"
              aria-label="mirrored at the axis"
            />
          )}
          {node.kind === 'shape' && node.shape.inputs && (
            <Spline
              size={13}
              strokeWidth={1.7}
              className="shrink-0 text-muted"
              aria-label="made of another shape, which it follows"
            />
          )}
          {group && (
            <span className="ml-auto shrink-0 pr-1 text-[12px] text-muted">
              {groupNote(group, row.ids.length)}
            </span>
          )}
        </button>
      )}
      <button
        type="button"
        className={`${SMALL} ${row.isVisible ? 'opacity-0 group-hover/row:opacity-100 focus-visible:opacity-100' : ''}`}
        aria-label={row.isVisible ? `Hide ${name}` : `Show ${name}`}
        onClick={() => actions.show(row)}
      >
        {row.isVisible ? <Eye size={14} strokeWidth={1.7} /> : <EyeOff size={14} strokeWidth={1.7} />}
      </button>
      <button
        type="button"
        className={`${SMALL} ${row.isLocked ? '' : 'opacity-0 group-hover/row:opacity-100 focus-visible:opacity-100'}`}
        aria-label={row.isLocked ? `Unlock ${name}` : `Lock ${name}`}
        onClick={() => actions.lock(row)}
      >
        {row.isLocked ? <Lock size={14} strokeWidth={1.7} /> : <LockOpen size={14} strokeWidth={1.7} />}
      </button>
    </li>
  );
});
