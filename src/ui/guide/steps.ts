/**
 * The steps to a first figure: what to do with the real interface, and how it is seen to be done.
 *
 * @example
 * const begun = whatIs(editor.getState());
 * STEPS[0].isDone(whatIs(editor.getState()), begun); // true once something was drawn
 */
import { activeRound, type EditorState, figureOf, type GuideStart, type Stage } from '@/state';

export interface GuideStep {
  /** What of the interface is marked meanwhile: a name in `data-guide-at`, which the styles know. */
  readonly at: 'petal' | 'fold' | 'merge' | 'palette' | 'export';
  /** The stage that it is done in, whose button is marked before; any without it. */
  readonly stage?: Stage;
  readonly title: string;
  readonly text: string;
  /** @param begun what was there when the step began */
  readonly isDone: (now: GuideStart, begun: GuideStart) => boolean;
}

export const whatIs = (state: EditorState): GuideStart => {
  const round = activeRound({ ...state, live: null });
  return {
    figure: figureOf(state.history),
    shapes: round?.shapes.length ?? 0,
    fold: round?.rule.fold ?? 1,
    isMerged: Boolean(round?.merge),
    stage: state.stage,
    handedOut: state.handedOut,
  };
};

export const STEPS: readonly GuideStep[] = [
  {
    at: 'petal',
    stage: 'draw',
    title: 'Draw',
    text: 'Take Petal below and drag up the red axis, from near its foot to near its end.',
    isDone: (now, begun) => now.shapes > begun.shapes,
  },
  {
    at: 'fold',
    title: 'Turn',
    text: 'It stands round the centre already. Type another fold where it is marked, say 14, and Enter.',
    isDone: (now, begun) => now.fold !== begun.fold,
  },
  {
    at: 'merge',
    stage: 'merge',
    title: 'Merge',
    text: '“Cells” in the panel divides what overlaps; “Union” makes one outline of it.',
    isDone: (now, begun) => now.isMerged && !begun.isMerged,
  },
  {
    at: 'palette',
    stage: 'colour',
    title: 'Colour',
    text: 'Click a cell or outline in Whole, and then a colour beside the tools.',
    isDone: (now, begun) => now.stage === 'colour' && now.figure !== begun.figure,
  },
  {
    at: 'export',
    title: 'Hand over',
    text: 'Export, and Download: an SVG that any program opens.',
    isDone: (now, begun) => now.handedOut > begun.handedOut,
  },
];
