/**
 * The merges of an editor's figure, made by a worker; the newest request wins.
 *
 * @example
 * const { stop, end } = followMerges(editor);
 * mergesOfRound(editor.getState(), 'petals')[0]?.result;
 */
import { workOf } from './work';
import {
  boundedFigure,
  type MergeJob,
  mergeJobsOf,
  NO_CELL_EDITS,
  paintSources,
  requestOf,
  type Round,
  type RoundMerge,
  sameJob,
  shownCells,
  type ShownCells,
  startPaints,
  type StartPaints,
  withStartPaints,
  type RoundId,
} from '@/core/figure';
import { type Division, type MergeResult, unpackResult, type WeaveFacts } from '@/core/merge';
import { createMerger, type Merger } from '@/worker';
import { shownFigure, type Editor, type EditorState } from './editorState';
import type { MergeState } from './slices/document';
import { workAhead } from './settle';
import { remembered } from '../core/remembered';

const put = (editor: Editor, key: string, change: MergeState | null): void =>
  editor.setState((state) => {
    const merges = new Map(state.merges);
    if (change) merges.set(key, change);
    else merges.delete(key);
    return { merges };
  });

/** The merges of what is shown, as far as it can be drawn. */
function shownJobs(state: EditorState): MergeJob[] {
  const work = workOf(state);
  return mergeJobsOf(boundedFigure(shownFigure(state), work), work);
}

/** How long a merge works before it shows its progress, in milliseconds. */
const QUIET_TIME = 150;

/**
 * Keeps the merges of a figure up to date in workers, one for each outline that is made, as the figure changes.
 * Returns how to stop those of a round by hand, to try them again, and to end it all.
 */
export function followMerges(editor: Editor): {
  stop(roundId: RoundId): void;
  again(roundId: RoundId): void;
  end(): void;
} {
  const mergers = new Map<string, Merger>();

  const start = (job: MergeJob, counted: boolean): void => {
    const work = workOf(editor.getState());
    const { key } = job;
    // The cells behind an outline are counted once the hand rests.
    const request = requestOf(job, { outlineOnly: !counted }, work);
    const before = editor.getState().merges.get(key);
    if (!request) {
      if (before) put(editor, key, null);
      return;
    }
    const merger = mergers.get(key) ?? createMerger();
    mergers.set(key, merger);
    // The former outline stays on the screen until the new one is there.
    const mine: MergeState = {
      job,
      counted,
      running: true,
      progress: null,
      result: before?.result ?? null,
      problem: null,
    };
    put(editor, key, mine);
    const began = performance.now();
    const stillMine = (): boolean => {
      const now = editor.getState().merges.get(key);
      return now?.job === job && now.counted === counted;
    };
    const report = (progress: number): void => {
      // What is done in a moment needs no bar, which would only flicker while something is dragged.
      if (stillMine() && performance.now() - began > QUIET_TIME) put(editor, key, { ...mine, progress });
    };
    void merger.merge(request, report).then(async (answer) => {
      if (!stillMine()) return;
      const ended = { ...mine, running: false };
      if (answer.kind === 'done') {
        const result = unpackResult(answer.result);
        const { division } = result;
        const edits = job.sources[0].round.merge?.cells;
        // Cells that were fused have an outline to be made before they are shown.
        if (division && edits && edits.fused.length > 0)
          await workAhead(editor, (reading) => shownCells(division, edits, reading));
        if (stillMine()) put(editor, key, { ...ended, result });
      } else {
        const problem =
          answer.kind === 'failed' ? answer.message : 'Stopped. The copies are shown as they are.';
        put(editor, key, { ...ended, result: null, problem });
      }
    });
  };

  const follow = (state: EditorState): void => {
    const work = workOf(state);
    const jobs = shownJobs(state);
    for (const job of jobs) {
      const known = state.merges.get(job.key);
      const counted = !state.live;
      const asked = known
        ? !sameJob(known.job, job, work) || (counted && !known.counted)
        : requestOf(job, {}, work) !== null;
      if (asked) start(job, counted);
    }
    const keys = new Set(jobs.map(({ key }) => key));
    for (const key of state.merges.keys()) {
      if (keys.has(key)) continue;
      mergers.get(key)?.close();
      mergers.delete(key);
      put(editor, key, null);
    }
  };

  follow(editor.getState());
  const unsubscribe = editor.subscribe((state, before) => {
    if (state.live !== before.live || shownFigure(state) !== shownFigure(before)) follow(state);
  });

  const jobsOf = (roundId: RoundId): MergeJob[] =>
    shownJobs(editor.getState()).filter((job) => job.roundId === roundId);

  return {
    stop: (roundId) => jobsOf(roundId).forEach(({ key }) => mergers.get(key)?.stop()),
    again: (roundId) => jobsOf(roundId).forEach((job) => start(job, true)),
    end: () => {
      unsubscribe();
      for (const merger of mergers.values()) merger.close();
      editor.setState({ merges: new Map() });
    },
  };
}

/** The merges that are there, for `evaluate`; the same map as long as nothing changed. */
export const mergeResults = remembered(
  (merges: ReadonlyMap<string, MergeState>): ReadonlyMap<string, MergeResult> =>
    new Map([...merges].flatMap(([id, { result }]) => (result ? [[id, result] as const] : []))),
);

/** True where every merge of what is shown is there as it will be handed on: none under way, none without its cells counted. */
export const isAllMerged = ({ live, merges }: EditorState): boolean =>
  live === null &&
  [...merges.values()].every(({ running, counted, result }) => !running && counted && result !== null);

/** What is going on with the merges of a round. */
export const mergesOfRound = (state: EditorState, roundId: RoundId): MergeState[] =>
  [...state.merges.values()].filter(({ job }) => job.roundId === roundId);

/** True where a round is to be merged and nothing in it could be: no area, no line. */
export function hasNothingToMerge(state: EditorState, round: Round): boolean {
  if (!round.merge || !round.visible) return false;
  const work = workOf(state);
  return mergeJobsOf(shownFigure(state), work).every(
    (job) => job.roundId !== round.id || requestOf(job, {}, work) === null,
  );
}

/** The cells of a divided round, once they are worked out. */
export function cellsOfRound(state: EditorState, round: Round): ShownCells | null {
  const work = workOf(state);
  const division = divisionOf(state, round);
  return division && round.merge ? shownCells(division, round.merge.cells ?? NO_CELL_EDITS, work) : null;
}

/** The paints that the cells of a divided round begin with. */
export function startPaintsOf(state: EditorState, round: Round): StartPaints {
  const division = divisionOf(state, round);
  return division
    ? startPaints(paintSources(shownFigure(state), round), division, workOf(state))
    : new Map<string, never>();
}

/** The merge of a round with the paint of all its cells in it. */
export const mergeOf = (state: EditorState, round: Round): RoundMerge | null =>
  round.merge && withStartPaints(round.merge, startPaintsOf(state, round));

export const divisionOf = (state: EditorState, round: Round): Division | null =>
  round.merge?.op === 'divide' ? (state.merges.get(round.id)?.result?.division ?? null) : null;

/** What is known of the crossings of a woven round, once they are worked out. */
export const weaveOfRound = (state: EditorState, round: Round): WeaveFacts | null =>
  round.merge?.op === 'weave' ? (state.merges.get(round.id)?.result?.weave ?? null) : null;
