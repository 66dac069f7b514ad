'use client';

import { useId } from 'react';

import type { Strip } from '@/core/bend';
import { evaluate, type Figure, type Round } from '@/core/figure';
import { remembered } from '@/core/remembered';
import type { Work } from '@/core/derive';
import { layersOf } from '@/core/scene';
import { isLaid, laneHeight, laneRound, laneStrip, laneView, shownFigure } from '@/state';
import { BackgroundDefs, backgroundFill, FrameLines, LayerCopies, placeOfView } from '@/ui/common';
import { useEditorState, useRestState, useWork } from '@/ui/desk';
import { PaneCanvas } from '@/ui/pane';

const scenes = remembered((round: Round) =>
  remembered(
    (work: Work) => (figure: Figure) =>
      layersOf(evaluate({ ...figure, underlay: null, rounds: [round] }, new Map(), work), 'abut'),
  ),
);

/** The ends of a strip's unit and its middle line. */
function Edges({ strip }: { readonly strip: Strip }) {
  const { left, right, top, bottom } = strip;
  return (
    <rect
      x={left}
      y={top}
      width={right - left}
      height={bottom - top}
      fill="none"
      stroke="var(--brass)"
      strokeOpacity={0.9}
      vectorEffect="non-scaling-stroke"
    />
  );
}

/** How far guide lines go beyond a lane, in strips. */
const FAR = 20;

/** The lane of the Bench: the strip at hand as it lies straight, edited by all tools; below it stands bent. */
export function Lane() {
  const work = useWork();
  const state = useRestState();
  const id = useId().replace(/[^\w-]/g, '');
  const laid = useEditorState(isLaid);
  const round = laneRound(state);
  const strip = laneStrip(state);
  if (!round || !strip) return null;
  const { page } = shownFigure(state);
  const view = laneView(state);
  const layers = scenes(round)(work)(shownFigure(state));
  const { left, right, top, bottom } = strip.bend.strip;
  const long = right - left;
  // Where one pane has all the room the other is a small picture in its corner.
  const room = state.wide === 'bench' ? 'right-[140px]' : 'right-2 max-[1100px]:right-[140px]';
  const beside = strip.bend.units > 1 || strip.bend.span.num === strip.bend.span.den ? [-long, long] : [];
  return (
    <div
      data-testid="lane"
      className={`absolute ${room} left-2 top-[38px] overflow-hidden rounded-ui border ${laid ? 'border-coral' : 'border-line-strong'}`}
      style={{ height: laneHeight(state) - 8 }}
    >
      <PaneCanvas
        pane="lane"
        label={`Lane: ${strip.name} as it lies straight`}
        slabs={[
          {
            key: 'strip',
            svg: (
              <>
                <defs>
                  <BackgroundDefs page={page} id={`${id}-page`} />
                  <g id={`${id}-strip`}>
                    {layers.map((layer, k) => (
                      <LayerCopies key={k} layer={layer} id={`${id}-${k}`} outline={state.outlines} />
                    ))}
                  </g>
                </defs>
                <rect
                  width="100%"
                  height="100%"
                  fill={state.outlines ? 'var(--field)' : backgroundFill(page, `${id}-page`, 'url(#checks)')}
                />
                <g transform={placeOfView(view)}>
                  {beside.map((x) => (
                    <use key={x} href={`#${id}-strip`} x={x} opacity={0.25} />
                  ))}
                  <use href={`#${id}-strip`} />
                  <Edges strip={strip.bend.strip} />
                  <FrameLines frame={round.frame} reach={FAR * Math.max(long, bottom - top)} />
                </g>
              </>
            ),
          },
        ]}
      />
      <span className="pointer-events-none absolute top-1 left-1.5 rounded-[6px] bg-field/85 px-1 text-[12px] text-muted">
        {strip.name} · straight
      </span>
    </div>
  );
}
