'use client';

import { polarOf } from '@/core/curve';
import { printNumber } from '@/core/format';
import type { Snapped } from '@/core/symmetry';
import { type PaneId, shownFigure } from '@/state';
import { useEditorState } from '@/ui/desk';

/** What was caught, in words. */
function caughtWords({ caught, ring, what }: Snapped, unit: string): string {
  const words = caught.map((kind) => {
    switch (kind) {
      case 'centre':
        return 'at the centre';
      case 'node':
        return 'at a node';
      case 'axis':
        return 'on the axis';
      case 'ray':
        return 'on the ray';
      case 'ring':
        return `on the ring at ${printNumber(ring ?? 0, 3)} ${unit}`;
      case 'crossing':
        return `where ${what ?? 'lines'} cross`;
      case 'midpoint':
        return `at the middle of ${what ?? 'a line'}`;
      case 'quadrant':
        return `at a quadrant of ${what ?? 'a circle'}`;
      case 'spacing':
        return `evenly spaced with ${what ?? 'others'}`;
      case 'touch':
        return what ?? 'touching';
      case 'frame':
      case 'curve':
        return `on ${what ?? 'a line'}`;
    }
  });
  return words.join(', ');
}

/** Where the pointer is: from the centre and along x and y (y counted upward), and what it catches. */
export function Readout({ pane }: { readonly pane: PaneId }) {
  const pointer = useEditorState((state) => state.pointer);
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const picking = useEditorState((state) => state.picking);
  if (pointer?.pane !== pane) return null;
  const { point } = pointer.snapped;
  const { r, degrees } = polarOf(point);
  const words = caughtWords(pointer.snapped, unit);
  const signed = (value: number) => (value > 0 ? '+' : '') + printNumber(value, 2);
  return (
    <div
      className="pointer-events-none absolute top-[42px] left-2 rounded-[6px] bg-field/85 px-1 font-mono text-[12px] leading-[18px]"
      data-testid="readout"
    >
      {/* As wide whatever the numbers are: they change with each move, and the pane is not laid out again for them. */}
      <div className="h-[36px] w-[22ch] whitespace-nowrap contain-layout contain-size">
        <p>
          <span className="text-muted">r</span> {printNumber(r, 2)} <span className="text-muted">θ</span>{' '}
          {signed(degrees)}°
        </p>
        <p>
          <span className="text-muted">x</span> {signed(point.x)} <span className="text-muted">y</span>{' '}
          {signed(-point.y)}
        </p>
      </div>
      {words && (
        <p className="text-brass-text">
          {words}
          {pointer.of > 1 && (
            <span className="text-muted">
              {' '}
              · {pointer.which + 1} of {pointer.of}, Tab
            </span>
          )}
        </p>
      )}
      {picking && <p className="text-coral-text">{picking.what}</p>}
    </div>
  );
}
