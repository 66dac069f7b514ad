import { type Bounds, distance } from '@/core/curve';
import type { Placement } from '@/core/symmetry';
import type { Editor } from '@/state';
import type { Gesture } from './gesture';
import { toMotif, type PanePoint } from './pointer';

/** A pointer that moved less than this, in pixels, clicks. */
export const CLICK = 3;

/**
 * A box drawn from where the pointer was pressed.
 * @param placement the copy in whose coordinates the box is told
 * @param pick told of the box with every move
 * @param clicked what is done where the pointer is let go where it was pressed
 */
export function drawBox(
  editor: Editor,
  p: PanePoint,
  placement: Placement,
  pick: (box: Bounds) => void,
  clicked: () => void,
): Gesture {
  const from = toMotif(placement, p.figure);
  let moved = false;
  const close = (): void => editor.setState({ box: null });
  return {
    move: (q) => {
      if (!moved && distance(p.screen, q.screen) < CLICK) return;
      moved = true;
      const to = toMotif(placement, q.figure);
      pick({
        left: Math.min(from.x, to.x),
        right: Math.max(from.x, to.x),
        top: Math.min(from.y, to.y),
        bottom: Math.max(from.y, to.y),
      });
      editor.setState({ box: { pane: p.pane, from: p.screen, to: q.screen } });
    },
    up: () => {
      close();
      if (!moved) clicked();
    },
    cancel: close,
  };
}
