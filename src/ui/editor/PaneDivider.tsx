'use client';

import { useDrag } from '@use-gesture/react';
import { useRef, type KeyboardEvent } from 'react';

import { keptIn, useKept } from '@/ui/common';

/** Widths that a person gave the Bench and the panel, in pixels; none where they are as they come. */
interface PaneWidths {
  readonly bench?: number;
  readonly panel?: number;
}

type DividedPane = keyof PaneWidths;

const isWidth = (value: unknown): value is number =>
  typeof value === 'number' && Number.isFinite(value) && value > 0;

const WIDTHS = keptIn<PaneWidths>('panes', {}, (value) => {
  if (typeof value !== 'object' || value === null) return null;
  const { bench, panel } = value as Record<string, unknown>;
  return { ...(isWidth(bench) && { bench }), ...(isWidth(panel) && { panel }) };
});

export const usePaneWidths = (): PaneWidths => useKept(WIDTHS);

/** Between what they stay, in pixels. */
const PANE_LIMITS: Record<DividedPane, { readonly least: number; readonly most: number }> = {
  bench: { least: 300, most: 1600 },
  panel: { least: 270, most: 460 },
};

const STEP = 20;

interface Props {
  /** Which pane it makes wider or narrower. */
  readonly pane: DividedPane;
  readonly label: string;
  /** The side of it on which the divider is. */
  readonly side: 'left' | 'right';
}

/** A border between panes that can be dragged, or moved by arrow keys; a double click puts it where it was at first. */
export function PaneDivider({ pane, label, side }: Props) {
  const widths = usePaneWidths();
  const element = useRef<HTMLDivElement>(null);
  const { least, most } = PANE_LIMITS[pane];
  const sign = side === 'right' ? 1 : -1;
  const widthNow = (): number => element.current?.parentElement?.getBoundingClientRect().width ?? least;
  const put = (width: number): void =>
    WIDTHS.set({ ...WIDTHS.get(), [pane]: Math.round(Math.min(most, Math.max(least, width))) });
  const bind = useDrag(
    ({ movement: [x], memo = widthNow() }: { movement: [number, number]; memo?: number }) => {
      if (x !== 0) put(memo + sign * x);
      return memo;
    },
  );
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: -STEP, ArrowRight: STEP }[event.key];
    if (by === undefined) return;
    put(widthNow() + sign * by);
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      ref={element}
      {...bind()}
      role="separator"
      aria-orientation="vertical"
      aria-label={label}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={widths[pane] ?? least}
      tabIndex={0}
      title={`${label}: drag, or double-click for the first width`}
      onKeyDown={onKeyDown}
      onDoubleClick={() => {
        const { [pane]: _, ...rest } = WIDTHS.get();
        WIDTHS.set(rest);
      }}
      className={`group/divider absolute inset-y-0 z-20 w-[9px] cursor-col-resize touch-none outline-none max-[1100px]:hidden ${side === 'right' ? '-right-[4px]' : '-left-[4px]'}`}
    >
      <span className="absolute inset-y-0 left-[4px] w-px bg-line group-hover/divider:bg-edge group-focus-visible/divider:w-[2px] group-focus-visible/divider:bg-kelp" />
      <span className="absolute top-1/2 left-[2px] h-[44px] w-[5px] -translate-y-1/2 rounded-full bg-line-strong group-hover/divider:bg-edge" />
    </div>
  );
}
