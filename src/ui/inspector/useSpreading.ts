import { useEditor, useRestState, useWork } from '@/ui/desk';
import type { Point } from '@/core/curve';
import { addToPalette } from '@/core/figure/commands';
import { endsOfSpread, respread, type Round } from '@/core/figure';
import type { Colour, Gradient, Spread } from '@/core/scene';
import { act, shownFigure } from '@/state';

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
