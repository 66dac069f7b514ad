import { mergeRequestOf, sameMerge } from '../core/figure/evaluate';
import type { Round } from '../core/figure/model';
import type { MergeRequest, MergeResult } from '../core/merge/merge';
import { unpackResult } from '../core/merge/pack';
import { createMerger, type Merger } from '../worker/merger';
import { shownFigure, type Editor, type EditorState, type MergeState } from './editor';

const put = (editor: Editor, roundId: string, change: MergeState | null): void =>
  editor.setState((state) => {
    const merges = new Map(state.merges);
    if (change) merges.set(roundId, change);
    else merges.delete(roundId);
    return { merges };
  });

/** How long a merge works before it shows its progress, in milliseconds. */
const QUIET_TIME = 150;

/**
 * Keeps the merges of a figure up to date in workers, one for each merged round, as the figure changes.
 * Returns how to stop one by hand, to try one again, and to end it all.
 */
export function followMerges(editor: Editor): {
  stop(roundId: string): void;
  again(roundId: string): void;
  end(): void;
} {
  const mergers = new Map<string, Merger>();

  const start = (round: Round, quality: MergeRequest['quality']): void => {
    // The cells behind an outline are counted once the hand rests.
    const request = mergeRequestOf(round, { quality, outlineOnly: quality === 'coarse' });
    const before = editor.getState().merges.get(round.id);
    if (!request) {
      if (before) put(editor, round.id, null);
      return;
    }
    const merger = mergers.get(round.id) ?? createMerger();
    mergers.set(round.id, merger);
    // The former outline stays on the screen until the new one is there.
    const mine: MergeState = {
      round,
      quality,
      running: true,
      progress: null,
      result: before?.result ?? null,
      problem: null,
    };
    put(editor, round.id, mine);
    const began = performance.now();
    const stillMine = (): boolean => {
      const now = editor.getState().merges.get(round.id);
      return now?.round === round && now.quality === quality;
    };
    const report = (progress: number): void => {
      // What is done in a moment needs no bar, which would only flicker while something is dragged.
      if (stillMine() && performance.now() - began > QUIET_TIME) put(editor, round.id, { ...mine, progress });
    };
    void merger.merge(request, report).then((answer) => {
      if (!stillMine()) return;
      const ended = { ...mine, running: false };
      if (answer.kind === 'done') put(editor, round.id, { ...ended, result: unpackResult(answer.result) });
      else {
        const problem =
          answer.kind === 'failed' ? answer.message : 'Stopped. The copies are shown as they are.';
        put(editor, round.id, { ...ended, result: null, problem });
      }
    });
  };

  const follow = (state: EditorState): void => {
    const { rounds } = shownFigure(state);
    for (const round of rounds) {
      const known = state.merges.get(round.id);
      const quality = state.live ? 'coarse' : 'full';
      const asked = known
        ? !sameMerge(known.round, round) || (quality === 'full' && known.quality === 'coarse')
        : round.merge !== null && mergeRequestOf(round) !== null;
      if (asked) start(round, quality);
    }
    for (const id of state.merges.keys()) {
      if (!rounds.some((round) => round.id === id)) {
        mergers.get(id)?.close();
        mergers.delete(id);
        put(editor, id, null);
      }
    }
  };

  follow(editor.getState());
  const unsubscribe = editor.subscribe((state, before) => {
    if (state.live !== before.live || shownFigure(state) !== shownFigure(before)) follow(state);
  });

  return {
    stop: (roundId) => mergers.get(roundId)?.stop(),
    again: (roundId) => {
      const round = shownFigure(editor.getState()).rounds.find(({ id }) => id === roundId);
      if (round) start(round, 'full');
    },
    end: () => {
      unsubscribe();
      for (const merger of mergers.values()) merger.close();
      editor.setState({ merges: new Map() });
    },
  };
}

const resultsOf = new WeakMap<ReadonlyMap<string, MergeState>, ReadonlyMap<string, MergeResult>>();

/** The merges that are there, for `evaluate`; the same map as long as nothing changed. */
export function mergeResults(merges: ReadonlyMap<string, MergeState>): ReadonlyMap<string, MergeResult> {
  const known = resultsOf.get(merges);
  if (known) return known;
  const results = new Map<string, MergeResult>();
  for (const [id, { result }] of merges) if (result) results.set(id, result);
  resultsOf.set(merges, results);
  return results;
}

/** How many merges are under way. */
export const activeMerges = (state: EditorState): number =>
  [...state.merges.values()].filter(({ running }) => running).length;
