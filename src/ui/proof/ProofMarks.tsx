'use client';

import { memo } from 'react';

import { type Affine, applyTo, fromPolar, type Point, turnMap } from '@/core/curve';
import { negateTurn } from '@/core/number';
import type { Place } from '@/core/proof';
import { activeRound, type Lit, shownFigure } from '@/state';
import { useEditorState, useProof } from '@/ui/desk';

/** A mark is at least so large, in pixels, across. */
const LEAST_MARK = 18;

interface MarkProps {
  readonly place: Place;
  readonly map: Affine;
  readonly scale: number;
  readonly isChosen: boolean;
}

function PlaceMark({ place, map, scale, isChosen }: MarkProps) {
  const { x, y } = applyTo(map, place.at);
  const r = Math.max(LEAST_MARK, place.size * scale * 1.3) / 2 / scale;
  return (
    <g data-proof-mark={isChosen ? 'chosen' : ''}>
      <circle
        cx={x}
        cy={y}
        r={r}
        stroke="var(--field)"
        strokeWidth={isChosen ? 5 : 3.4}
        strokeOpacity={0.75}
      />
      <circle
        cx={x}
        cy={y}
        r={r}
        stroke="var(--coral)"
        strokeWidth={isChosen ? 2.6 : 1.5}
        fill="var(--coral)"
        fillOpacity={isChosen ? 0.18 : 0}
      />
      {isChosen && <circle cx={x} cy={y} r={r + 5 / scale} stroke="var(--coral)" strokeWidth={1.4} />}
    </g>
  );
}

const wedgeData = (from: number, to: number, reach: number): string => {
  const [a, b] = [fromPolar(reach, from), fromPolar(reach, to)];
  return `M0 0L${a.x} ${a.y}A${reach} ${reach} 0 0 1 ${b.x} ${b.y}Z`;
};

/** What a chart counts under the pointer. */
function LitMark({ lit, map, scale, reach }: { lit: Lit; map: Affine; scale: number; reach: number }) {
  if (lit.of === 'ring') {
    const middle = (lit.inner + lit.outer) / 2;
    return (
      <circle
        r={middle}
        stroke="var(--coral)"
        strokeOpacity={0.55}
        strokeWidth={Math.max(3, (lit.outer - lit.inner) * scale)}
      />
    );
  }
  if (lit.of === 'direction')
    return (
      <path d={wedgeData(lit.from, lit.to, reach)} fill="var(--coral)" fillOpacity={0.45} stroke="none" />
    );
  return (
    <g fill="var(--coral)" stroke="var(--field)" strokeWidth={1}>
      {lit.at.map((p: Point, k) => {
        const { x, y } = applyTo(map, p);
        return <circle key={k} cx={x} cy={y} r={4 / scale} />;
      })}
    </g>
  );
}

interface Props {
  /** Pixels per unit of the pane. */
  readonly scale: number;
  readonly pane: 'bench' | 'whole';
}

/** Where the chosen finding is, and what a chart counts under the pointer. */
export const ProofMarks = memo(function ProofMarks({ scale, pane }: Props) {
  const proof = useProof((state) => state.proof);
  const chosen = useProof((state) => state.chosen);
  const place = useProof((state) => state.place);
  const lit = useProof((state) => state.lit);
  const start = useEditorState((state) => activeRound(state)?.rule.start ?? null);
  const reach = useEditorState((state) => shownFigure(state).page.width);
  // The Bench shows the wedge of the round at hand upright.
  const map = turnMap(pane === 'bench' && start ? negateTurn(start) : { num: 0, den: 1 });
  const found = proof?.findings.find(({ key }) => key === chosen);
  return (
    <g fill="none" pointerEvents="none" className="[&_*]:[vector-effect:non-scaling-stroke]">
      {found?.where.map((each, k) => (
        <PlaceMark key={k} place={each} map={map} scale={scale} isChosen={k === place % found.where.length} />
      ))}
      {lit && <LitMark lit={lit} map={map} scale={scale} reach={reach} />}
    </g>
  );
});
