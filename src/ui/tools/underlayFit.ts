import type { Point } from '@/core/curve';
import { setUnderlay } from '@/core/figure/commands';
import { underlayThrough } from '@/core/figure';
import { act, type Editor, shownFigure } from '@/state';
import { toast } from 'sonner';

/** The points that are asked for one after the other; those of the picture are taken where they are clicked, nothing is caught there. */
const ASKED: readonly { readonly what: string; readonly free: boolean }[] = [
  { what: '1 of 4: click a point of the picture', free: true },
  { what: '2 of 4: click where it is to lie', free: false },
  { what: '3 of 4: click another point of the picture', free: true },
  { what: '4 of 4: click where that is to lie', free: false },
];

function lay(editor: Editor, [a, toA, b, toB]: readonly Point[]): void {
  const { underlay } = shownFigure(editor.getState());
  if (!underlay || !a || !toA || !b || !toB) return;
  const laid = underlayThrough(underlay, [
    [a, toA],
    [b, toB],
  ]);
  if (laid) act(editor, 'Fit underlay', (figure) => setUnderlay(figure, laid));
  else toast.error('Two different points are needed, and two places for them.');
}

/** Asks for two points of the underlay and where they are to lie, and lays it so. @param points those that were clicked so far */
export function fitUnderlay(editor: Editor, points: readonly Point[] = []): void {
  const next = ASKED[points.length];
  if (!next) {
    lay(editor, points);
    return;
  }
  const take = (p: Point): void => fitUnderlay(editor, [...points, p]);
  editor.setState({ picking: { ...next, marks: points, take } });
}
