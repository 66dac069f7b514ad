import { firstColour } from '@/core/paint';
import type { Paint } from '@/core/scene';
import { CHECKS, fillBackground } from './fillBackground';

/** What is painted so, small: its fill, ringed by its stroke; several paints side by side, and a sign for none. */
export function PaintChip({ paints }: { readonly paints: readonly Paint[] }) {
  return (
    <span
      aria-hidden
      className="relative flex size-[20px] overflow-hidden rounded-[6px] border border-line-strong"
      style={{ background: CHECKS }}
    >
      {paints.slice(0, 3).map((paint, k) => (
        <span
          key={k}
          className="h-full flex-1"
          style={{
            background: fillBackground(paint.fill),
            ...(paint.stroke && {
              boxShadow: `inset 0 0 0 2.5px ${firstColour(paint.stroke.colour) ?? 'transparent'}`,
            }),
          }}
        />
      ))}
    </span>
  );
}
