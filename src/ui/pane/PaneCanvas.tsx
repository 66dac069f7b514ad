'use client';

import { useRef, type ReactNode } from 'react';

import type { PaneId } from '@/state';
import { type Slab, Slabs, SteadyBounds } from '@/ui/common';
import { useEditorState } from '@/ui/desk';
import { Overlay } from './Overlay';
import { TOOLS } from '@/ui/tools';
import { usePaneGestures, usePaneSize, ViewGestures } from './usePaneGestures';

interface Props {
  readonly pane: PaneId;
  readonly label: string;
  /** The artwork, back to front. */
  readonly slabs: readonly Slab[];
  /** How the artwork is moved to where the view has it, in CSS; see `useSettledView`. */
  readonly moved?: string;
  /** What is shown over the artwork and changes without it. */
  readonly over?: ReactNode;
}

/** A pane that shows the figure: zoom and pan about the pointer, and the tool at hand. */
export function PaneCanvas({ pane, label, slabs, moved, over }: Props) {
  const element = useRef<HTMLDivElement>(null);
  const panning = useEditorState((state) => state.panning);
  const tool = useEditorState((state) => state.tool);
  const { handlers, cancel } = usePaneGestures(element, pane);
  usePaneSize(element, pane);
  const cursor = panning ? 'cursor-grab' : TOOLS[tool].isArrow ? 'cursor-default' : 'cursor-crosshair';

  return (
    <div
      ref={element}
      role="application"
      aria-label={label}
      tabIndex={0}
      data-pane={pane}
      className={`absolute inset-0 touch-none overflow-hidden select-none outline-none focus-visible:outline-2 focus-visible:-outline-offset-2 ${cursor}`}
      {...handlers}
    >
      <ViewGestures element={element} pane={pane} cancel={cancel} />
      {/* The artwork is a layer of its own, so that what lights up over it does not have it painted again. */}
      <div
        className="pointer-events-none absolute inset-0 origin-top-left will-change-transform"
        style={moved ? { transform: moved } : undefined}
      >
        <Slabs slabs={slabs} />
      </div>
      {/* What is pressed is looked for from the front: it is found here, before thousands of copies are asked. */}
      <div className="absolute inset-0" />
      <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden="true">
        <SteadyBounds />
        {over}
        <Overlay pane={pane} />
      </svg>
    </div>
  );
}
