'use client';

import { memo } from 'react';

import type { Underlay } from '@/core/figure';
import { degreesOf, negateTurn } from '@/core/number';
import type { ScenePage } from '@/core/scene';
import { alongTurn, halfWedge, type Wedge } from '@/core/symmetry';
import { pictureAddress, type Stage } from '@/state';
import { BackgroundDefs, backgroundFill, wedgeData } from '@/ui/common';
import type { GroundInks } from './ground';

/** The wedge and its rings. */
export const Frame = memo(function Frame({
  wedge,
  radius,
  step,
  inks,
}: {
  readonly wedge: Wedge;
  readonly radius: number;
  readonly step: number;
  readonly inks: GroundInks;
}) {
  const half = halfWedge(wedge);
  const sight = Math.min(Math.PI, ((degreesOf(half) + 9) * Math.PI) / 180);
  const rings: number[] = [];
  for (let k = 1; k * step <= radius * 1.001; k += 1) rings.push(k * step);
  return (
    <g fill="none" vectorEffect="non-scaling-stroke">
      <path d={wedgeData(wedge, radius)} fill={inks.wedge} />
      {rings.map((r) => {
        const [x, y] = [r * Math.sin(sight), -r * Math.cos(sight)];
        const large = sight > Math.PI / 2 ? 1 : 0;
        const d =
          sight >= Math.PI ? wedgeData({ fold: 1 }, r) : `M${-x} ${y}A${r} ${r} 0 ${large} 1 ${x} ${y}`;
        return <path key={r} d={d} stroke={inks.rings} vectorEffect="non-scaling-stroke" />;
      })}
    </g>
  );
});

/** The page under the motif, with its edge. */
export const Ground = memo(function Ground({
  page,
  inks,
}: {
  readonly page: ScenePage;
  readonly inks: GroundInks;
}) {
  const { width, height, centre } = page;
  return (
    <>
      <BackgroundDefs page={page} id="bench-page" />
      <rect
        data-testid="bench-page"
        x={-width / 2 - centre.x}
        y={-height / 2 - centre.y}
        width={width}
        height={height}
        fill={backgroundFill(page, 'bench-page', 'url(#checks)')}
        stroke={inks.lines}
        strokeOpacity={0.45}
        strokeDasharray="2 4"
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
});

/** The picture to trace from. */
export function UnderlayImage({ underlay }: { readonly underlay: Underlay }) {
  const { picture, width, height, strength, at, rotation } = underlay;
  return (
    <image
      data-testid="underlay"
      href={pictureAddress(picture)}
      x={-width / 2}
      y={-height / 2}
      width={width}
      height={height}
      preserveAspectRatio="none"
      opacity={strength}
      transform={`translate(${at.x} ${at.y}) rotate(${degreesOf(rotation)})`}
    />
  );
}

/** The wedge's rays and its axis. */
export const Rays = memo(function Rays({
  wedge,
  radius,
  inks,
}: {
  readonly wedge: Wedge;
  readonly radius: number;
  readonly inks: GroundInks;
}) {
  const half = halfWedge(wedge);
  const ends = wedge.fold > 1 ? [alongTurn(half, radius), alongTurn(negateTurn(half), radius)] : [];
  return (
    <g fill="none" strokeWidth={1.4}>
      {ends.map((end) => (
        <line
          key={end.x}
          x1={0}
          y1={0}
          x2={end.x}
          y2={end.y}
          stroke={inks.rays}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <line
        x1={0}
        y1={0}
        x2={0}
        y2={-radius * 1.03}
        stroke="var(--coral)"
        strokeDasharray="6 4"
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
});

/** How wide a letter of a label is, and how high its plate, in pixels. */
const LETTER = 6.7;
const PLATE = 16;

/** The wedge's half beside the end of a ray, on a plate of its own. */
export function RayLabel({
  words,
  x,
  y,
  isLeft,
}: {
  readonly words: string;
  readonly x: number;
  readonly y: number;
  /** It ends at `x` instead of beginning there. */
  readonly isLeft: boolean;
}) {
  const wide = words.length * LETTER + 8;
  const left = isLeft ? x - wide : x;
  return (
    <g>
      <rect
        x={left}
        y={y - PLATE / 2}
        width={wide}
        height={PLATE}
        rx={4}
        fill="var(--field)"
        fillOpacity={0.86}
      />
      <text x={left + 4} y={y + 4} className="fill-brass-text font-mono text-[11px]">
        {words}
      </text>
    </g>
  );
}

const DRAW_FIRST = ['Nothing is drawn yet:', 'draw a motif in Draw, key 2.'];

/** What is said on an empty Bench, of what the stage has. */
const EMPTY_HINTS: Record<Stage, readonly string[]> = {
  setout: ['Set out a frame at the right, or choose a maker below', 'and drag up along the axis.'],
  draw: ['Choose Petal below', 'and drag up along the axis,', 'or take a motif from the drawer, key O.'],
  turn: DRAW_FIRST,
  merge: DRAW_FIRST,
  colour: DRAW_FIRST,
  proof: DRAW_FIRST,
};

/** What to do first, about a point of the screen. */
export function EmptyHint({
  stage,
  at,
  inks,
  ground,
}: {
  readonly stage: Stage;
  readonly at: { readonly x: number; readonly y: number };
  readonly inks: GroundInks;
  /** The colour that it stands on. */
  readonly ground: string;
}) {
  return (
    <text
      x={at.x}
      y={at.y}
      textAnchor="middle"
      className="text-[13px]"
      fill={inks.lines}
      stroke={ground}
      strokeWidth={6}
      paintOrder="stroke"
    >
      {EMPTY_HINTS[stage].map((words, k) => (
        <tspan key={words} x={at.x} dy={18 * k}>
          {words}
        </tspan>
      ))}
    </text>
  );
}
