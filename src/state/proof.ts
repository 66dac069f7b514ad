/**
 * The proof of an editor's figure: its findings as they are made, and their mends.
 *
 * @example
 * const proofing = createProofing(editor);
 */
import { createStore, type StoreApi } from 'zustand';

import type { Point } from '@/core/curve';
import { type Mend, ok } from '@/core/finding';
import type { Figure, OwnTarget, ProofSaid } from '@/core/figure';
import {
  type Hands,
  type Place,
  type Proof,
  type ProofFacts,
  type ProofFinding,
  type Target,
  targetOf,
  withMend,
} from '@/core/proof';
import { remembered } from '../core/remembered';
import { createProver, type Prover } from '@/worker';
import { commit } from './editor';
import { shownFigure, type Editor, type EditorState } from './editorState';
import { figureOf } from './history';
import { newId } from './ids';
import { divisionOf } from './merges';
import { perform, preview } from './settle';
import { workOf } from './work';

/** The findings of one check, as they are listed. */
export interface FindingGroup {
  readonly code: string;
  readonly severity: ProofFinding['severity'];
  readonly findings: readonly ProofFinding[];
  /** At how many places, all together. */
  readonly count: number;
}

/** What a chart counts, in the figure's unit and in degrees clockwise from straight up. */
export type Lit =
  | { readonly of: 'ring'; readonly inner: number; readonly outer: number }
  | { readonly of: 'direction'; readonly from: number; readonly to: number }
  | { readonly of: 'points'; readonly at: readonly Point[] };

export interface ProofState {
  readonly proof: Proof | null;
  readonly facts: ProofFacts | null;
  /** What it was made of; older than what is shown while it is made again. */
  readonly of: Figure | null;
  readonly running: boolean;
  /** From 0 to 1, once it takes long enough to be worth telling. */
  readonly progress: number | null;
  readonly problem: string | null;
  /** The finding that is looked at, by its key, and which of its places. */
  readonly chosen: string | null;
  readonly place: number;
  /** Where the pointer is on a chart: what it counts lights up. */
  readonly lit: Lit | null;
}

export type ProofStore = StoreApi<ProofState>;

const START: ProofState = {
  proof: null,
  facts: null,
  of: null,
  running: false,
  progress: null,
  problem: null,
  chosen: null,
  place: 0,
  lit: null,
};

/** How long a proof works before it shows its progress, in milliseconds. */
const QUIET_TIME = 150;

const targetSaid = remembered(({ own, target }: ProofSaid): Target => targetOf(own, target));

/** What a figure's proof is asked for; the same object as long as it is the same. */
export const askedTarget = ({ proof = NOTHING_SAID }: Figure): Target => targetSaid(proof);

const NOTHING_SAID: ProofSaid = {};

export interface Proofing {
  readonly store: ProofStore;
  /** Proofs the figure after each step while the stage is Proof, until it is ended. */
  follow(): () => void;
  /** Ends what is under way; the list stays as it was. */
  stop(): void;
  /** Proofs what is on the screen, also where it was stopped before. */
  again(): void;
}

/** Proofs of an editor's figure in a worker, the newest only. */
export function createProofing(editor: Editor, makeProver: () => Prover = createProver): Proofing {
  const store = createStore<ProofState>(() => START);
  let prover: Prover | null = null;
  let wanted: Figure | null = null;
  let isRunning = false;
  let stopped: Figure | null = null;
  const shown = (): Figure => figureOf(editor.getState().history);

  const run = async (): Promise<void> => {
    while (wanted) {
      const figure = wanted;
      wanted = null;
      prover ??= makeProver();
      const began = performance.now();
      store.setState({ running: true, problem: null });
      const answer = await prover.prove(figure, askedTarget(figure), (progress) => {
        if (performance.now() - began > QUIET_TIME) store.setState({ progress });
      });
      if (answer === null) store.setState({ problem: 'Stopped. The list is as it was before.' });
      else if ('problem' in answer) store.setState({ problem: answer.problem, of: figure });
      else store.setState((state) => ({ ...kept(state, answer.proof), ...answer, of: figure }));
    }
    store.setState({ running: false, progress: null });
  };

  const ask = (figure: Figure): void => {
    wanted = figure;
    if (isRunning) return;
    isRunning = true;
    void run().finally(() => (isRunning = false));
  };

  const look = (): void => {
    const figure = shown();
    const isKnown = figure === store.getState().of || figure === wanted || figure === stopped;
    if (editor.getState().stage === 'proof' && !isKnown) ask(figure);
  };

  return {
    store,
    follow: () => {
      look();
      const unsubscribe = editor.subscribe((state, before) => {
        if (state.stage !== before.stage || state.history !== before.history) look();
      });
      return () => {
        unsubscribe();
        prover?.stop();
        prover = null;
      };
    },
    stop: () => {
      wanted = null;
      stopped = shown();
      prover?.stop();
    },
    again: () => {
      stopped = null;
      ask(shown());
    },
  };
}

/** What is looked at stays so where it is still found; else the first of its check is, or nothing. */
function kept({ chosen, place, proof }: ProofState, next: Proof): Pick<ProofState, 'chosen' | 'place'> {
  if (chosen === null || next.findings.some(({ key }) => key === chosen)) return { chosen, place };
  const code = proof?.findings.find(({ key }) => key === chosen)?.code;
  return { chosen: next.findings.find((each) => each.code === code)?.key ?? null, place: 0 };
}

const RANK = { error: 0, warning: 1, note: 2 } as const;

/** Findings by their checks, the worst first. @param left keys of those that are left as they are */
export function groupsOf({ findings }: Proof, left: readonly string[] = []): FindingGroup[] {
  const away = new Set(left);
  const groups = new Map<string, ProofFinding[]>();
  for (const each of findings)
    if (!away.has(each.key)) groups.set(each.code, [...(groups.get(each.code) ?? []), each]);
  return [...groups]
    .map(([code, own]): FindingGroup => ({
      code,
      severity: own.reduce<ProofFinding['severity']>(
        (worst, { severity }) => (RANK[severity] < RANK[worst] ? severity : worst),
        'note',
      ),
      findings: own,
      count: own.reduce((sum, { count }) => sum + count, 0),
    }))
    .sort((a, b) => RANK[a.severity] - RANK[b.severity] || b.count - a.count);
}

const handsOf = (state: EditorState, work: Hands['work']): Hands => ({
  work,
  newId,
  divisionOf: (roundId) => {
    const round = shownFigure(state).rounds.find(({ id }) => id === roundId);
    return round ? divisionOf(state, round) : null;
  },
});

/** Takes a mend, or the first mends of several findings, as one step. */
export function mend(editor: Editor, label: string, mends: readonly Mend[]): void {
  const state = editor.getState();
  preview(editor, null);
  const figure = figureOf(state.history);
  perform(
    editor,
    label,
    (work) => {
      const hands = handsOf(state, work);
      const made = mends.reduce((before, each) => {
        const next = withMend(before, each, hands);
        return next.ok ? next.value : before;
      }, figure);
      const [only, another] = mends;
      if (made === figure && only && !another) return withMend(figure, only, hands);
      return ok(made);
    },
    (made) => commit(editor, label, made),
  );
}

/** Shows what a mend would come to, until `endPreview`. */
export function previewMend(editor: Editor, each: Mend): void {
  const state = editor.getState();
  const made = withMend(figureOf(state.history), each, handsOf(state, workOf(state)));
  if (made.ok) preview(editor, made.value);
}

export const endPreview = (editor: Editor): void => preview(editor, null);

const withSaid = (figure: Figure, part: ProofSaid): Figure => ({
  ...figure,
  proof: { ...figure.proof, ...part },
});

/** Leaves findings as they are, or looks at them again. */
export function leave(editor: Editor, label: string, keys: readonly string[], away: boolean): void {
  const figure = figureOf(editor.getState().history);
  const before = figure.proof?.left ?? [];
  const own = new Set(keys);
  const left = away ? [...new Set([...before, ...keys])] : before.filter((key) => !own.has(key));
  commit(editor, label, withSaid(figure, { left }));
}

export const chooseTarget = (editor: Editor, target: string): void =>
  commit(editor, 'Choose target', withSaid(figureOf(editor.getState().history), { target }), 'target');

/** Sets what a target of the figure's own asks for; a new one, or in place of the one with its id. */
export function saveTarget(editor: Editor, own: OwnTarget): void {
  const figure = figureOf(editor.getState().history);
  const others = (figure.proof?.own ?? []).filter(({ id }) => id !== own.id);
  commit(
    editor,
    'Set target',
    withSaid(figure, { own: [...others, own], target: own.id }),
    `target ${own.id}`,
  );
}

export function dropTarget(editor: Editor, id: string): void {
  const figure = figureOf(editor.getState().history);
  const own = (figure.proof?.own ?? []).filter((each) => each.id !== id);
  commit(editor, 'Take target away', withSaid(figure, { own, target: 'screen' }));
}

/** Looks at a finding, at one of its places. */
export const look = (store: ProofStore, key: string | null, place = 0): void =>
  store.setState({ chosen: key, place });

/** Shows a place in a pane, as large as it takes to see it. */
export function zoomTo(editor: Editor, { at, size }: Place): void {
  const { sizes } = editor.getState();
  const { width, height } = sizes.whole;
  const scale = (0.25 * Math.min(width, height)) / Math.max(size, 1e-6);
  const most = (20 * Math.min(width, height)) / shownFigure(editor.getState()).page.width;
  const used = Math.min(scale, most);
  editor.setState(({ views }) => ({
    views: { ...views, whole: { scale: used, x: width / 2 - at.x * used, y: height / 2 - at.y * used } },
  }));
}
