import { memo } from 'react';

import { addTurns, degreesOf } from '@/core/number';
import { alongTurn, halfWedge, type TurnRule, turnsOf } from '@/core/symmetry';
import type { View } from '@/state';

interface Props {
  readonly rule: TurnRule;
  readonly view: View;
  /** In pixels. */
  readonly radius: number;
}

/** Beyond this many rays their ticks would run together. */
const MOST_TICKS = 180;

/** Where the protractor says its degrees; straight up the start handle stands. */
const LABELS = Array.from({ length: 11 }, (_, k) => 30 * (k + 1));

/** How wide the plate of a label is: what is round it and the sign of degrees, and each digit, in pixels. */
const WIDE = 13;
const LETTER = 6.7;

/** The protractor round the figure: a fine tick every five degrees, a strong one at each ray. */
export const Rim = memo(function Rim({ rule, view, radius }: Props) {
  const tick = (degrees: number, from: number, to: number) => {
    const angle = (degrees * Math.PI) / 180;
    const [x, y] = [Math.sin(angle), -Math.cos(angle)];
    return `M${x * from} ${y * from}L${x * to} ${y * to}`;
  };
  const fine = Array.from({ length: 72 }, (_, k) =>
    tick(k * 5, radius + 5, radius + (k % 6 === 0 ? 11 : 8)),
  ).join('');
  const half = halfWedge(rule);
  const rays = rule.fold > MOST_TICKS ? [] : turnsOf(rule).map((t) => addTurns(t, half));
  return (
    <g transform={`translate(${view.x} ${view.y})`} fill="none" pointerEvents="none">
      {LABELS.map((degrees) => {
        const angle = (degrees * Math.PI) / 180;
        const away = radius + 24;
        // No room beside the figure: half a number says nothing.
        if (Math.abs(away * Math.sin(angle)) + 14 > view.x) return null;
        const [x, y] = [away * Math.sin(angle), -away * Math.cos(angle)];
        const wide = WIDE + LETTER * String(degrees).length;
        // On a plate of its own, as below it may be any colour.
        return (
          <g key={degrees}>
            <rect
              x={x - wide / 2}
              y={y - 8}
              width={wide}
              height={16}
              rx={5}
              fill="var(--sand)"
              fillOpacity={0.88}
            />
            <text x={x} y={y + 3.5} textAnchor="middle" className="fill-ink font-mono text-[11px]">
              {degrees}°
            </text>
          </g>
        );
      })}
      <path d={fine} stroke="var(--edge)" strokeOpacity={0.7} strokeWidth={1} />
      {rule.fold > 1 && (
        <path
          d={rays.map((t) => tick(degreesOf(t), radius + 3, radius + 14)).join('')}
          stroke="var(--brass)"
          strokeWidth={1.8}
        />
      )}
    </g>
  );
});

/** Where the handle of the start angle stands, in pixels of the pane. */
export function startHandleAt(rule: TurnRule, view: View, radius: number): { x: number; y: number } {
  const at = alongTurn(rule.start, radius + 8);
  return { x: view.x + at.x, y: view.y + at.y };
}
