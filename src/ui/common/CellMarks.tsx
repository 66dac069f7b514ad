'use client';

import { memo, useMemo } from 'react';

import { boundsOfPaths } from '@/core/curve/bounds';
import type { Point } from '@/core/curve/point';
import { nameOfKind, refsOfGroup } from '@/core/figure/kinds';
import type { CellCopy, CellGroup } from '@/core/merge/fused';
import type { WeaveFacts } from '@/core/merge/merge';
import { degreesOf } from '@/core/number/turn';
import { activeRound, type EditorState } from '@/state/editor';
import { cellsOfRound, weaveOfRound } from '@/state/merges';
import type { ToolId } from '@/state/tools';
import { screenData } from './screenData';

const placeOf = ({ turn, mirrored }: CellCopy): string =>
  `rotate(${degreesOf(turn)})${mirrored ? ' scale(-1 1)' : ''}`;

/** True for a copy within so many degrees of the axis, and for what lies about the centre. */
function inSight({ loops, inner, outer }: CellGroup, { turn, mirrored }: CellCopy, sight: number): boolean {
  if (sight >= 180 || inner < 0.05 * outer) return true;
  const { left, right, top, bottom } = boundsOfPaths(loops);
  const own = (Math.atan2((left + right) / 2, -(top + bottom) / 2) * 180) / Math.PI;
  const degrees = (mirrored ? -own : own) + degreesOf(turn);
  return Math.abs(((degrees + 540) % 360) - 180) <= sight;
}

const Marks = memo(function Marks({
  groups,
  sight,
  lit,
  own,
  removed,
}: {
  readonly groups: readonly CellGroup[];
  readonly sight: number;
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
      if ((!isLit && !isAway) || !inSight(group, copy, sight)) return [];
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

/** Hairlines of all cells are drawn for as many as this; more would be a grey haze, and slow. */
const MOST_LINES = 3000;

const Lines = memo(function Lines({
  groups,
  sight,
}: {
  readonly groups: readonly CellGroup[];
  readonly sight: number;
}) {
  return groups.flatMap((group, g) =>
    group.copies
      .filter((copy) => inSight(group, copy, sight))
      .map((copy, k) => (
        <path
          key={`${g}-${k}`}
          d={screenData(group.loops)}
          transform={placeOf(copy)}
          vectorEffect="non-scaling-stroke"
        />
      )),
  );
});

const CELL_TOOLS: ReadonlySet<ToolId> = new Set(['fuse', 'take', 'paint']);

/** Cells that light up under the pointer with their kind, their hairlines, and, while they are removed, those that are away. */
export function CellMarks({
  state,
  sight = 180,
}: {
  readonly state: EditorState;
  /** Degrees from the axis to which there are marks. */
  readonly sight?: number;
}) {
  const round = activeRound(state);
  const cells = round && cellsOfRound(state, round);
  const weave = round && weaveOfRound(state, round);
  const removed = state.tool === 'take' ? (round?.merge?.cells?.removed ?? null) : null;
  const chosen = useMemo(() => {
    const { kinds } = state.selection;
    if (!cells || kinds.size === 0 || state.tool === 'paint') return NOTHING;
    return cells.groups.filter((group) => kinds.has(nameOfKind(group))).flatMap(refsOfGroup);
  }, [cells, state.selection, state.tool]);
  if (weave && state.stage === 'merge')
    return <CrossingMarks weave={weave} all={state.tool === 'swap'} sight={sight} />;
  if (!cells || (!CELL_TOOLS.has(state.tool) && chosen.length === 0 && !state.lit)) return null;
  const count = cells.groups.reduce((sum, { copies }) => sum + copies.length, 0);
  return (
    <g pointerEvents="none" data-testid="cell-marks">
      {count <= MOST_LINES && (
        <g fill="none" stroke="var(--ink)" strokeOpacity={0.35} strokeWidth={0.8}>
          <Lines groups={cells.groups} sight={sight} />
        </g>
      )}
      <Marks
        groups={cells.groups}
        sight={sight}
        lit={state.lit?.refs ?? chosen}
        own={state.lit?.own ?? NOTHING}
        removed={removed}
      />
    </g>
  );
}

/** Rings at crossings where bands do not pass over and under by turns; dots at all that can be swapped. */
const CrossingMarks = memo(function CrossingMarks({
  weave,
  all,
  sight,
}: {
  readonly weave: WeaveFacts;
  readonly all: boolean;
  readonly sight: number;
}) {
  // Points are drawn by the round cap of a line of no length, whose width the zoom leaves alone.
  const dot = ({ x, y }: Point): string => `M${x} ${y}h0`;
  const seen = weave.crossings.filter(({ at }) => Math.abs(Math.atan2(at.x, -at.y)) * 180 <= sight * Math.PI);
  const wrong = seen.filter(({ alternates }) => !alternates);
  return (
    <g fill="none" strokeLinecap="round" pointerEvents="none" data-testid="crossing-marks">
      {all && (
        <path
          d={seen.map(({ at }) => dot(at)).join('')}
          stroke="var(--kelp)"
          strokeWidth={7}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path
        d={[...wrong.map(({ at }) => dot(at)), ...weave.crowded.map(dot)].join('')}
        stroke="var(--coral)"
        strokeOpacity={0.55}
        strokeWidth={16}
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
});

const NOTHING: readonly string[] = [];
