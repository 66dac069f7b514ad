'use client';

import { memo, useMemo, type SVGProps } from 'react';

import { boxOfPaths, type Point } from '@/core/curve';
import { kindKey, nameOfKind, refsOfGroup } from '@/core/figure';
import { type CellCopy, type CellGroup, placedLoops, type WeaveFacts } from '@/core/merge';
import { degreesOf } from '@/core/number';
import { activeRound, cellsOfRound, type ToolId, weaveOfRound } from '@/state';
import { useDrawnState } from '@/ui/desk';
import { screenData } from '@/core/format';

const placeOf = ({ turn, mirrored }: CellCopy): string =>
  `rotate(${degreesOf(turn)})${mirrored ? ' scale(-1 1)' : ''}`;

/** True for a copy within so many degrees of the axis, and for what lies about the centre. */
function inSight({ loops, inner, outer }: CellGroup, { turn, mirrored }: CellCopy, sight: number): boolean {
  if (sight >= 180 || inner < 0.05 * outer) return true;
  const { left, right, top, bottom } = boxOfPaths(loops);
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
  const found = { lit: [] as Placed[], under: [] as Placed[], away: [] as Placed[] };
  for (const group of groups)
    for (const copy of group.copies) {
      const isLit = copy.refs.some((ref) => lights.has(ref));
      const isAway = away.size > 0 && copy.refs.some((ref) => away.has(ref) || away.has(kindKey(ref)));
      if ((!isLit && !isAway) || !inSight(group, copy, sight)) continue;
      const isUnder = isLit && copy.refs.some((ref) => under.has(ref));
      found[isUnder ? 'under' : isLit ? 'lit' : 'away'].push({ group, copy });
    }
  return (
    <g fill="var(--coral)" stroke="var(--coral)">
      <Cells cells={found.away} fillOpacity={0} strokeWidth={1} strokeOpacity={0.6} strokeDasharray="3 3" />
      <Cells cells={found.lit} fillOpacity={0.2} strokeWidth={1.6} />
      <Cells cells={found.under} fillOpacity={0.38} strokeWidth={1.6} />
    </g>
  );
});

interface Placed {
  readonly group: CellGroup;
  readonly copy: CellCopy;
}

/** More cells than this are drawn as one path: a browser takes as long for each path as for what is in it. */
const MOST_APART = 60;

/** Cells as they stand, all in one look. */
function Cells({ cells, ...look }: { readonly cells: readonly Placed[] } & SVGProps<SVGPathElement>) {
  if (cells.length > MOST_APART) {
    const paths = cells.flatMap(({ group, copy }) => placedLoops(group.loops, copy.turn, copy.mirrored));
    return <path d={screenData(paths)} vectorEffect="non-scaling-stroke" {...look} />;
  }
  return cells.map(({ group, copy }, k) => (
    <path
      key={k}
      d={screenData(group.loops)}
      transform={placeOf(copy)}
      vectorEffect="non-scaling-stroke"
      {...look}
    />
  ));
}

/** Hairlines of all cells are drawn for as many as this; more would be a grey haze, and slow. */
const MOST_LINES = 1200;

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
  sight = 180,
}: {
  /** Degrees from the axis to which there are marks. */
  readonly sight?: number;
}) {
  const state = useDrawnState();
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

/** Discs at crossings where bands do not pass over and under by turns, fainter ones where they overlap from one side; dots at all that can be swapped. */
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
        d={seen.flatMap(({ at, isShallow }) => (isShallow ? [dot(at)] : [])).join('')}
        stroke="var(--brass)"
        strokeOpacity={0.45}
        strokeWidth={12}
        vectorEffect="non-scaling-stroke"
      />
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
