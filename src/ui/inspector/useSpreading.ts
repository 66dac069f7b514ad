import { useWork } from '@/ui/editor/useWork';
import type { Point } from '@/core/curve/point';
import { addToPalette } from '@/core/figure/commands';
import type { Round } from '@/core/figure/model';
import { endsOfSpread, respread } from '@/core/figure/spread';
import type { Colour, Gradient, Spread } from '@/core/scene/scene';
import { act, shownFigure } from '@/state/editor';
import { useEditor, useRestState } from '../editor/EditorContext';

/** What a field of a fill asks of the round at hand: where gradients begin and end over what is selected, and to keep a colour. */
export interface Spreading {
  readonly endsOf: (kind: Gradient['kind'], spread: Spread) => [Point, Point];
  readonly respread: (gradient: Gradient, spread: Spread) => Gradient;
  readonly onKeep: (colour: Colour) => void;
}

export function useSpreading(round: Round): Spreading {
  const work = useWork();
  const editor = useEditor();
  const state = useRestState();
  const figure = shownFigure(state);
  const { shapeIds } = state.selection;
  return {
    endsOf: (kind, spread) => endsOfSpread(figure, round, shapeIds, kind, spread, work),
    respread: (gradient, spread) => respread(figure, round, shapeIds, gradient, spread, work),
    onKeep: (colour) => act(editor, 'Keep colour', (each) => addToPalette(each, colour)),
  };
}
