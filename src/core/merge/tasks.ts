/**
 * The kinds of work that make outlines, as tasks (see core/derive): areas united or taken from one another, bands of lines, and
 * outlines beside shapes.
 *
 * @example
 * const task = taskOf(MERGED, request);
 * const answer = work.ask(task);                  // undefined while it is being worked out
 * if (answer?.ok) draw(answer.value.flat());
 */
import type { Path } from '@/core/curve';
import type { TaskKind } from '@/core/derive';
import { failed, finding, type Result } from '@/core/finding';
import { bandsOf, dashCount, MOST_DASHES, offsetOf, type BandJoin, type BandLook } from './band';
import { mergeNow } from './engine';
import { tried, type MergeRequest, type MergeShape } from './merge';
import { placedLoops } from './placed';

/** The connected parts of an outline, each with its holes. */
export type Outlines = readonly (readonly Path[])[];

/** Milliseconds that one segment takes, about, on a machine of 2020; measured with `npm run bench`. */
const COSTS = {
  merge: { line: 0.05, arc: 0.1, cubic: 0.2 },
  bands: { line: 0.5, arc: 1, cubic: 4 },
} as const;
const COST_OF_DASH = 2;

const costOfPaths = (paths: readonly Path[], each: (typeof COSTS)['merge' | 'bands']): number =>
  paths.reduce((sum, { segments }) => segments.reduce((all, { kind }) => all + each[kind], sum), 0);

/** What shapes become together: each connected part where it stands, every copy of it. */
export const MERGED: TaskKind<MergeRequest, Outlines> = {
  name: 'merged',
  cost: ({ operands }) =>
    operands
      .flatMap(({ shapes }) => shapes)
      .reduce((sum, { paths }) => sum + costOfPaths(paths, COSTS.merge), 0),
  run: (request, progress) =>
    tried(() =>
      mergeNow(request, progress).parts.flatMap(({ loops, turns }) =>
        turns.map((by) => placedLoops(loops, by, false)),
      ),
    ),
};

/** Paths, or why there are none. */
const orNothing = (made: Result<readonly Path[]>, code: 'band.short' | 'offset.nothing') =>
  made.ok && made.value.length === 0 ? failed(finding(code)) : made;

export interface BandsInput {
  readonly paths: readonly Path[];
  readonly look: BandLook;
}

/** Lines as closed outlines; see `bandsOf`. */
export const BANDS: TaskKind<BandsInput, readonly Path[]> = {
  name: 'bands',
  cost: ({ paths, look }) =>
    costOfPaths(paths, COSTS.bands) + COST_OF_DASH * Math.min(MOST_DASHES, dashCount(paths, look.dashes)),
  run: ({ paths, look }, progress) => {
    if (dashCount(paths, look.dashes) > MOST_DASHES) return failed(finding('band.manyDashes', MOST_DASHES));
    return orNothing(
      tried(() => bandsOf(paths, look, progress)),
      'band.short',
    );
  },
};

export interface OffsetInput {
  readonly paths: readonly Path[];
  readonly rule: MergeShape['rule'];
  /** Outward for a positive distance, in the figure's unit. */
  readonly away: number;
  readonly join: BandJoin;
  readonly limit: number;
}

/** The outline beside closed shapes; see `offsetOf`. */
export const OFFSET: TaskKind<OffsetInput, readonly Path[]> = {
  name: 'offset',
  cost: ({ paths }) => costOfPaths(paths, COSTS.bands),
  run: ({ paths, rule, away, join, limit }, progress) =>
    orNothing(
      tried(() => offsetOf(paths, rule, away, join, limit, progress)),
      'offset.nothing',
    ),
};
