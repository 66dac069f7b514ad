import { workOf } from './work';
import type { Work } from '@/core/derive';
import type { Bounds } from '@/core/curve';
import type { Figure, Round } from '@/core/figure';
import { reachOfRound } from '@/core/figure/commands';
import { halfWedge } from '@/core/symmetry';
import { radiansOf } from '@/core/number';
import { activeRound } from './selecting';
import { shownFigure, type EditorState } from './editorState';
import { laneStrip } from './lane';
import { LEAST_ZOOM, type View } from './viewport';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** The foot of the Bench that belongs to the tools, and the head with its name, in pixels. */
const BENCH_FOOT = 146;
const BENCH_HEAD = 52;
/** The foot of Whole that belongs to the fold; where it has the place of the Bench, to the tools too. */
const WHOLE_FOOT = 64;
const WHOLE_FOOT_WIDE = 178;
const WHOLE_HEAD = 40;
const MARGIN = 14;

/** How far out the Bench has to show: all that is drawn, and the page's shorter half. */
export function benchRadius(figure: Figure, work: Work): number {
  const drawn = figure.rounds.map((round) => reachOfRound(round, work)?.outer ?? 0);
  return Math.max(Math.min(figure.page.width, figure.page.height) / 2, ...drawn);
}

/** The part of the Bench that a strip takes which lies straight there, in pixels; 0 where there is none. */
export const laneHeight = (state: EditorState): number =>
  laneStrip(state) ? Math.round(Math.min(150, Math.max(80, 0.2 * state.sizes.bench.height))) : 0;

function fitBench(size: Size, reach: number, round: Round | null, lane: number): View {
  const radius = reach * 1.04;
  const high = Math.max(60, size.height - BENCH_HEAD - BENCH_FOOT - lane);
  const half = radiansOf(halfWedge(round?.rule ?? { fold: 8 }));
  const halfWide = radius * Math.sin(Math.min(half, Math.PI / 2));
  // Folds 1 and 2 have a wedge of half a turn and more: the apex moves up to show what lies below it.
  const below = half > Math.PI / 2 ? radius : 0;
  const scale = Math.min(high / (radius + below), (size.width / 2 - MARGIN) / halfWide);
  return { scale, x: size.width / 2, y: size.height - BENCH_FOOT - below * scale };
}

function fitWhole(size: Size, page: Bounds, foot: number): View {
  const [wide, high] = [page.right - page.left, page.bottom - page.top];
  const scale = Math.max(
    LEAST_ZOOM,
    Math.min((size.width - 2 * MARGIN) / wide, (size.height - WHOLE_HEAD - foot - 2 * MARGIN) / high),
  );
  // The page's middle comes to the middle of the pane.
  return {
    scale,
    x: size.width / 2 - (scale * (page.left + page.right)) / 2,
    y: (WHOLE_HEAD + size.height - foot) / 2 - (scale * (page.top + page.bottom)) / 2,
  };
}

const pageBounds = ({ page }: Figure): Bounds => ({
  left: -page.width / 2 - page.centre.x,
  right: page.width / 2 - page.centre.x,
  top: -page.height / 2 - page.centre.y,
  bottom: page.height / 2 - page.centre.y,
});

/** The view of the Bench, which is also the scale of Reach. It stays put while something is dragged. */
export const benchView = (state: EditorState): View =>
  state.views.bench ??
  fitBench(
    state.sizes.bench,
    benchRadius(state.live ? figureBefore(state) : shownFigure(state), workOf(state)),
    activeRound(state),
    laneHeight(state),
  );

const figureBefore = (state: EditorState): Figure => shownFigure({ ...state, live: null });

/** A round that reaches less than this part of what the Bench shows is a speck there. */
const SPECK = 0.2;
/** How much more than a round is shown around it. */
const AROUND = 1.6;

/**
 * The view of the Bench in which the round at hand is seen well: as it is, or closer where the round would be a speck; null for all of the
 * figure, where that is enough again.
 */
export function viewForRound(state: EditorState): View | null {
  const work = workOf(state);
  const figure = shownFigure(state);
  const round = activeRound(state);
  const outer = round && reachOfRound(round, work)?.outer;
  if (!round || !outer) return state.views.bench;
  const high = Math.max(60, state.sizes.bench.height - BENCH_HEAD - BENCH_FOOT);
  const isSeen = ({ scale }: View): boolean => outer * scale >= SPECK * high && outer * scale <= 1.2 * high;
  if (isSeen(benchView(state))) return state.views.bench;
  const lane = laneHeight(state);
  const whole = fitBench(state.sizes.bench, benchRadius(figure, work), round, lane);
  return isSeen(whole) ? null : fitBench(state.sizes.bench, outer * AROUND, round, lane);
}

export const wholeView = (state: EditorState): View =>
  state.views.whole ??
  fitWhole(
    state.sizes.whole,
    pageBounds(shownFigure(state)),
    state.wide === 'whole' ? WHOLE_FOOT_WIDE : WHOLE_FOOT,
  );
