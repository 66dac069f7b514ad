'use client';

import { sceneOf, shownFigure, toScreen, type View } from '@/state';
import { printNumber } from '@/core/format';
import { BackgroundDefs, backgroundFill, LayerCopies, placeOfView, Slabs, slabsOf } from '@/ui/common';
import { useProof, useRestState } from '@/ui/desk';

/** Across, in pixels. */
const SIDE = 148;

/** Of the lens so much is the place that it shows. */
const FILLED = 0.35;

/** It does not magnify less than so many times what the pane shows. */
const LEAST = 2;

/** Where the lens stands: beside the place, towards the side of the pane that has more room. */
function besideOf(
  at: { x: number; y: number },
  size: { width: number; height: number },
): { x: number; y: number } {
  const away = SIDE * 0.95;
  const x = at.x < size.width / 2 ? at.x + away : at.x - away;
  const y = at.y < size.height / 2 ? at.y + away : at.y - away;
  const inside = (value: number, most: number): number =>
    Math.min(Math.max(value, SIDE / 2 + 8), Math.max(SIDE / 2 + 8, most - SIDE / 2 - 8));
  return { x: inside(x, size.width), y: inside(y, size.height - 20) };
}

/** A round glass beside the place that is looked at, which shows it magnified. */
export function Lens({ view }: { readonly view: View }) {
  const state = useRestState();
  const found = useProof(({ proof, chosen }) => proof?.findings.find(({ key }) => key === chosen));
  const place = useProof((proof) => proof.place);
  const where = found?.where[place % Math.max(1, found.where.length)];
  if (!where || where.size <= 0) return null;
  const { page } = shownFigure(state);
  const scale = Math.max((SIDE * FILLED) / where.size, LEAST * view.scale);
  // What is large enough in the pane needs no glass.
  if (where.size * view.scale > SIDE * FILLED) return null;
  const at = toScreen(view, where.at);
  const size = state.sizes.whole;
  if (at.x < 0 || at.y < 0 || at.x > size.width || at.y > size.height) return null;
  const middle = besideOf(at, size);
  const own = { scale, x: SIDE / 2 - where.at.x * scale, y: SIDE / 2 - where.at.y * scale };
  const [left, top] = [-page.width / 2 - page.centre.x, -page.height / 2 - page.centre.y];
  const way = { x: middle.x - at.x, y: middle.y - at.y };
  const far = Math.hypot(way.x, way.y) || 1;
  return (
    <div aria-hidden="true" className="pointer-events-none absolute inset-0 overflow-hidden">
      <svg className="absolute inset-0 size-full">
        <line
          x1={at.x}
          y1={at.y}
          x2={middle.x - (way.x / far) * (SIDE / 2)}
          y2={middle.y - (way.y / far) * (SIDE / 2)}
          stroke="var(--coral)"
          strokeWidth={1.4}
        />
      </svg>
      <div
        className="absolute isolate overflow-hidden rounded-full border-2 border-coral bg-field shadow-ui"
        style={{ left: middle.x - SIDE / 2, top: middle.y - SIDE / 2, width: SIDE, height: SIDE }}
      >
        <Slabs
          slabs={[
            {
              key: 'page',
              svg: (
                <g transform={placeOfView(own)}>
                  <BackgroundDefs page={page} id="lens-page" />
                  <rect
                    x={left}
                    y={top}
                    width={page.width}
                    height={page.height}
                    fill={backgroundFill(page, 'lens-page', 'white')}
                  />
                </g>
              ),
            },
            ...slabsOf(
              'lens',
              sceneOf(state).layers,
              (layers) => ({
                layers,
                view: own,
                size: { width: SIDE, height: SIDE },
                outline: false,
                small: true,
              }),
              ({ layers, from }) => (
                <g transform={placeOfView(own)}>
                  {layers.map((layer, k) => (
                    <LayerCopies
                      key={`${layer.roundId}-${from + k}`}
                      layer={layer}
                      id={`lens-${from + k}`}
                      outline={false}
                      reveal={0}
                    />
                  ))}
                </g>
              ),
            ),
          ]}
        />
      </div>
      <span
        className="absolute rounded-[5px] bg-field px-1 font-mono text-[12px] text-coral-text"
        style={{ left: middle.x - SIDE / 2 + 30, top: middle.y + SIDE / 2 - 6 }}
      >
        {printNumber(scale / view.scale, 0)} ×, {printNumber(where.size, 3)} {page.unit}
      </span>
    </div>
  );
}
