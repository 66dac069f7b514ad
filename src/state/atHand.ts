/**
 * The paint at hand: what is drawn next has it. Lines have one of their own, so that a line in red does not give the next circle a red rim.
 *
 * @example
 * newShape(id, 'Line', pathForm(nodes, false), lineAtHand(editor.getState()));
 */
import { START_PAINT, startStroke } from '@/core/figure';
import type { Paint } from '@/core/scene';
import { shownFigure, type EditorState } from './editorState';
import type { ToolId } from './tools';

/** Tools that draw lines, which have a stroke alone. */
const LINE_TOOLS: readonly ToolId[] = ['line', 'path', 'freehand', 'slit', 'measure', 'guide'];

/** The paint of the next area. */
export const areaAtHand = ({ paint }: Pick<EditorState, 'paint'>): Paint => paint ?? START_PAINT;

/** The paint of the next line. */
export const lineAtHand = (state: EditorState): Paint => ({
  fill: null,
  stroke: state.line ?? state.paint?.stroke ?? startStroke(shownFigure(state).page),
});

/** True where the tool in hand draws lines: it is their paint that is at hand. */
export const drawsLines = ({ tool, hand }: Pick<EditorState, 'tool' | 'hand'>): boolean =>
  LINE_TOOLS.includes(tool) && !(tool === 'freehand' && hand.as === 'shape');
