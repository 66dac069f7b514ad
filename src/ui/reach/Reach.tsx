'use client';

import { useEditor, usePictureState, useWork } from '@/ui/desk';
import { Plus } from 'lucide-react';
import { memo, type RefObject, useLayoutEffect, useRef } from 'react';

import { reachOfRound } from '@/core/figure/commands';
import { ringStepFor } from '@/core/symmetry';
import { printNumber } from '@/core/format';
import { activeRound, benchRadius, benchView, newId, shownFigure, startRound } from '@/state';
import { Button, useSameView } from '@/ui/common';
import { ReachBar } from './ReachBar';

const RULER = 34;
const WIDTH = 112;
/** What is left free beside the first bar and the last. */
const EDGE = 4;
/** From bar to bar: five that are as near as can be fill the width, more of them are scrolled. */
const WIDEST = 22;
const NEAREST = 13;
/** What is left free below for folds and buttons. */
const FOOT = 84;
/** Pixels from tick to tick that still tell apart, and from label to label. */
const TICK = 9;
const LABEL = 42;

interface RulerProps {
  /** Where the centre is, in pixels from the top. */
  readonly y: number;
  readonly scale: number;
  /** How far out the ruler goes, in the figure's unit. */
  readonly most: number;
  /** Where the ruler ends below, in pixels from the top. */
  readonly bottom: number;
}

/** The scale of distances from the centre. */
const Ruler = memo(function Ruler({ y, scale, most, bottom }: RulerProps) {
  const tick = ringStepFor((TICK * 10) / scale, 10);
  const label = ringStepFor((LABEL * 10) / scale, 10);
  const marks = (step: number): number[] => {
    const found: number[] = [];
    const first = Math.max(0, Math.ceil((y - bottom) / (scale * step)));
    for (let k = first; k * step <= most && k < first + 400; k += 1) found.push(k * step);
    return found;
  };
  return (
    <>
      <line
        x1={RULER}
        x2={RULER}
        y1={y - most * scale}
        y2={Math.min(y, bottom)}
        stroke="var(--line-strong)"
      />
      {marks(tick).map((r) => (
        <line
          key={r}
          x1={RULER - 4}
          x2={RULER}
          y1={y - r * scale}
          y2={y - r * scale}
          stroke="var(--line-strong)"
        />
      ))}
      {marks(label).map((r) => (
        <g key={r}>
          <line x1={RULER - 8} x2={RULER} y1={y - r * scale} y2={y - r * scale} stroke="var(--edge)" />
          <text
            x={RULER - 11}
            y={y - r * scale + 4}
            textAnchor="end"
            className="fill-muted font-mono text-[11px]"
          >
            {printNumber(r, 3)}
          </text>
        </g>
      ))}
    </>
  );
});

/** What brings another round. */
const NewRounds = memo(function NewRounds() {
  const editor = useEditor();
  return (
    <div className="absolute inset-x-2 bottom-3 flex">
      <Button
        className="min-w-0 flex-1 gap-1 rounded-r-none px-1!"
        title="A round in front, of the same fold"
        onClick={() => startRound(editor, newId())}
      >
        <Plus size={14} strokeWidth={1.9} aria-hidden className="shrink-0" /> Round
      </Button>
      <Button
        className="w-[28px] shrink-0 rounded-l-none border-l-0 px-0! font-mono text-[12px]"
        aria-label="Round that stands once"
        title="A round in front that stands once: a ground, a sheet, a hub"
        onClick={() => startRound(editor, newId(), 1)}
      >
        ×1
      </Button>
    </div>
  );
});

/** Over so many pixels bars fade out where there are more of them. */
const FADE = 16;

/** Has bars fade out at an edge beyond which there are more. */
function fadeWhereMore(element: HTMLElement): void {
  const { scrollLeft, clientWidth, scrollWidth } = element;
  const [isLeft, isRight] = [scrollLeft > 1, scrollLeft + clientWidth < scrollWidth - 1];
  const at = (isMore: boolean): string => (isMore ? 'transparent' : 'black');
  element.style.maskImage =
    isLeft || isRight
      ? `linear-gradient(to right, ${at(isLeft)}, black ${FADE}px, black calc(100% - ${FADE}px), ${at(isRight)})`
      : '';
}

/** Keeps a bar in view as another one is chosen, or bars come and go. @returns the ref of what scrolls */
function useBarInView(index: number, pitch: number, count: number): RefObject<HTMLDivElement | null> {
  const scrolled = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const element = scrolled.current;
    if (!element) return;
    if (index >= 0) {
      const [from, to] = [index * pitch, (index + 1) * pitch + 2 * EDGE];
      const { scrollLeft, clientWidth } = element;
      // By whole bars: a number at the edge is there or it is not.
      const least = Math.ceil(Math.max(0, to - clientWidth) / pitch) * pitch;
      element.scrollLeft = Math.min(from, Math.max(scrollLeft, least));
    }
    fadeWhereMore(element);
  }, [index, pitch, count]);
  return scrolled;
}

/** The strip that shows how far from the centre each round reaches, at the Bench's own scale. */
export function Reach() {
  const work = useWork();
  const state = usePictureState();
  const figure = shownFigure(state);
  const view = useSameView(benchView(state));
  const height = state.sizes.bench.height;
  const top = 46;
  const most = Math.min((view.y - top) / view.scale, benchRadius(figure, work) * 1.2);
  const room = WIDTH - RULER - 5;
  const pitch = Math.min(WIDEST, Math.max(NEAREST, (room - 2 * EDGE) / Math.max(1, figure.rounds.length)));

  const active = activeRound(state)?.id;
  const scrolled = useBarInView(
    figure.rounds.findIndex(({ id }) => id === active),
    pitch,
    figure.rounds.length,
  );

  return (
    <section aria-label="Reach" className="relative overflow-hidden border-r border-line bg-shell">
      <header className="pointer-events-none absolute inset-x-0 top-0 z-10 flex h-[38px] items-center gap-2 bg-shell px-3">
        <h2 className="font-semibold">Reach</h2>
        <span className="text-[12px] text-muted">{figure.page.unit}</span>
      </header>
      <svg className="absolute inset-0 size-full" aria-hidden="true">
        <Ruler y={view.y} scale={view.scale} most={most} bottom={height - FOOT} />
      </svg>
      <div
        ref={scrolled}
        className="absolute inset-y-0 right-0 overflow-x-auto overflow-y-hidden"
        style={{ left: RULER + 4 }}
        onScroll={({ currentTarget }) => fadeWhereMore(currentTarget)}
      >
        <div
          className="relative h-full"
          style={{ width: Math.max(room, pitch * figure.rounds.length + 2 * EDGE) }}
        >
          {figure.rounds.map((round, k) => (
            <ReachBar
              key={round.id}
              round={round}
              index={k}
              inner={reachOfRound(round, work)?.inner ?? null}
              outer={reachOfRound(round, work)?.outer ?? null}
              view={view}
              left={EDGE + k * pitch}
              pitch={pitch}
              top={top}
              bottom={Math.min(view.y, height - FOOT)}
            />
          ))}
        </div>
      </div>
      <span
        className="absolute left-2 font-mono text-[11px] text-muted"
        style={{ top: Math.min(view.y, height - FOOT) + 9 }}
      >
        fold
      </span>
      <NewRounds />
    </section>
  );
}
