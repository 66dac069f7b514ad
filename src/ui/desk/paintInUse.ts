import { type PaintTarget, setFill, setStroke } from '@/core/figure/commands';
import { type Figure, type Round, startStroke } from '@/core/figure';
import type { Fill, Paint, Stroke } from '@/core/scene';
import {
  act,
  areaAtHand,
  chosenIn,
  drawsLines,
  type Editor,
  type EditorState,
  lineAtHand,
  shownFigure,
} from '@/state';

/** The paint of what is chosen, or of what comes next; and how it is changed. */
export interface PaintInUse {
  readonly target: PaintTarget;
  /** Of what, in words. */
  readonly what: string;
  /** Of what is chosen; none where it is the paint at hand. */
  readonly paints: readonly Paint[];
  /** The paint of the first of them, or the paint at hand. */
  readonly first: Paint;
  readonly isAtHand: boolean;
  /** Lines alone, which with a fill would be none. */
  readonly isLines: boolean;
  /** Placed figures, which have paints of their own. */
  readonly isPlaced: boolean;
  /** Steps with one key become one step of undo. */
  readonly fillWith: (fill: Fill | null, key?: string | null) => void;
  /** Null takes the stroke away. */
  readonly strokeWith: (part: Partial<Stroke> | null, key?: string | null) => void;
  /** Any other change, and the paint that follows from it. */
  readonly apply: (
    label: string,
    command: (figure: Figure) => Figure,
    paint: Paint,
    key: string | null,
  ) => void;
}

const isLinePaint = ({ fill, stroke }: Paint): boolean => fill === null && stroke !== null;

/** The paint in use in a round. */
export function paintInUse(editor: Editor, state: EditorState, round: Round): PaintInUse {
  const { target, paints, what, isLines = false, isPlaced = false } = chosenIn(state, round);
  const { page } = shownFigure(state);
  const isAtHand = paints.length === 0;
  const areLines = isLines || (isAtHand ? drawsLines(state) : paints.every(isLinePaint));
  const atHand = areLines ? lineAtHand(state) : areaAtHand(state);
  const first = paints[0] ?? atHand;
  const apply: PaintInUse['apply'] = (label, command, paint, key) => {
    if (areLines && isLinePaint(paint)) editor.setState({ line: paint.stroke });
    else editor.setState({ paint });
    if (!round.locked && !isAtHand) act(editor, label, command, key && `${key}:${round.id}`);
  };
  return {
    target,
    what,
    paints,
    first,
    isAtHand,
    isLines: isLines || (isAtHand && areLines),
    isPlaced,
    apply,
    fillWith: (fill, key = null) =>
      apply('Fill', (figure) => setFill(figure, target, fill), { ...first, fill }, key),
    strokeWith: (part, key = null) => {
      const stroke = part === null ? null : { ...startStroke(page), ...first.stroke, ...part };
      apply('Stroke', (figure) => setStroke(figure, target, part), { ...first, stroke }, key);
    },
  };
}
