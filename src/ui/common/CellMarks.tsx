'use client';

import { memo } from 'react';

import type { CellCopy, CellGroup } from '@/core/merge/fused';
import { degreesOf } from '@/core/number/turn';
import { activeRound, type EditorState } from '@/state/editor';
import { cellsOfRound } from '@/state/merges';
import { screenData } from './screenData';

const placeOf = ({ turn, mirrored }: CellCopy): string =>
  `rotate(${degreesOf(turn)})${mirrored ? ' scale(-1 1)' : ''}`;

const Marks = memo(function Marks({
  groups,
  lit,
  own,
  removed,
}: {
  readonly groups: readonly CellGroup[];
  readonly lit: readonly string[];
  readonly own: readonly string[];
  readonly removed: readonly string[] | null;
}) {
  const lights = new Set(lit);
  const under = new Set(own);
  const away = new Set(removed);
  return groups.flatMap((group, g) =>
    group.copies.flatMap((copy, k) => {
      const isLit = copy.refs.some((ref) => lights.has(ref));
      const isAway = copy.refs.some((ref) => away.has(ref) || away.has(ref.split('@')[0] ?? ref));
      if (!isLit && !isAway) return [];
      const isUnder = copy.refs.some((ref) => under.has(ref));
      return [
        <path
          key={`${g}-${k}`}
          d={screenData(group.loops)}
          transform={placeOf(copy)}
          fill="var(--coral)"
          fillOpacity={isLit ? (isUnder ? 0.38 : 0.2) : 0}
          stroke="var(--coral)"
          strokeWidth={isLit ? 1.6 : 1}
          strokeOpacity={isLit ? 1 : 0.6}
          strokeDasharray={isLit ? undefined : '3 3'}
          vectorEffect="non-scaling-stroke"
        />,
      ];
    }),
  );
});

/** Cells that light up under the pointer with their kind, and, while they are removed, those that are away. */
export function CellMarks({ state }: { readonly state: EditorState }) {
  const round = activeRound(state);
  const cells = round && cellsOfRound(state, round);
  const removed = state.tool === 'take' ? (round?.merge?.cells?.removed ?? null) : null;
  if (!cells || (!state.lit && !removed)) return null;
  return (
    <g pointerEvents="none" data-testid="cell-marks">
      <Marks
        groups={cells.groups}
        lit={state.lit?.refs ?? NOTHING}
        own={state.lit?.own ?? NOTHING}
        removed={removed}
      />
    </g>
  );
}

const NOTHING: readonly string[] = [];
