'use client';

import { useEffect, useState, type ReactNode } from 'react';

import { coloursOfFigure, evaluateWhole, type Figure } from '@/core/figure';
import { opaque } from '@/core/paint';
import { printNumber } from '@/core/format';
import { type Drawing, type LeftOut, shapesOfNodes } from '@/core/format/drawing';
import { svgOf } from '@/core/format/svg';
import { convertLength } from '@/core/number';
import { Fact, PAPER_CHECKS } from '@/ui/common';
import { plural } from '@/ui/desk';

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** A picture of what is taken, as the figure draws it. @param marks what is drawn over it */
export function Picture({ figure, marks }: { readonly figure: Figure; readonly marks?: ReactNode }) {
  const [drawn, setDrawn] = useState<string | null>(null);
  useEffect(() => {
    let isMine = true;
    void evaluateWhole(figure, { pause: breath }).then((scene) => {
      if (!isMine) return;
      const svg = svgOf(scene, { form: 'compact', decimals: 3, background: true });
      setDrawn(URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' })));
    });
    return () => {
      isMine = false;
    };
  }, [figure]);
  useEffect(() => () => (drawn === null ? undefined : URL.revokeObjectURL(drawn)), [drawn]);
  return (
    <div
      className={`flex shrink-0 items-center justify-center rounded-[10px] border border-line-strong p-2 ${marks ? 'size-[240px]' : 'size-[148px]'}`}
      style={{ background: PAPER_CHECKS }}
    >
      <div className="relative size-full">
        {/* eslint-disable-next-line @next/next/no-img-element -- a picture that is made here */}
        {drawn !== null && <img src={drawn} alt="What is taken" className="size-full object-contain" />}
        {marks}
      </div>
    </div>
  );
}

const sizeOf = ({ width, height, unit }: Drawing): string => {
  const side = (length: number): string => printNumber(convertLength(length, 'px', unit), 2);
  return `${side(width)} × ${side(height)} ${unit}`;
};

/** Colours that are shown. */
const MOST_COLOURS = 24;

/** How often each colour is painted with, whatever its opacity. */
function usesIn(figure: Figure): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { colour, uses } of coloursOfFigure(figure))
    counts.set(opaque(colour), (counts.get(opaque(colour)) ?? 0) + uses);
  return counts;
}

interface Props {
  readonly drawing: Drawing;
  readonly figure: Figure;
  readonly left: readonly LeftOut[];
  /** Drawn over the picture, which is larger then. */
  readonly marks?: ReactNode;
  /** What turns is told elsewhere. */
  readonly isRead?: boolean;
}

/** What a file draws: its picture, its size, its colours, and what of it is not taken. */
export function DrawingFacts({ drawing, figure, left, marks, isRead = false }: Props) {
  const shapes = shapesOfNodes(drawing.nodes).length;
  const uses = usesIn(figure);
  const turned = figure.rounds.filter(({ rule }) => rule.fold > 1);
  return (
    <>
      <div className="flex gap-4">
        <Picture figure={figure} marks={marks} />
        <div className="flex min-w-0 flex-1 flex-col gap-1.5">
          <Fact caption="Size">{sizeOf(drawing)}</Fact>
          <Fact caption="Draws">{plural(shapes, 'shape', 'shapes')}</Fact>
          {turned.length > 0 && !isRead && (
            <Fact caption="Turns">{turned.map(({ rule }) => `×${rule.fold}`).join(', ')}</Fact>
          )}
          <ul aria-label="Its colours" className="mt-1 flex flex-wrap gap-1">
            {figure.palette.slice(0, MOST_COLOURS).map((colour) => (
              <li key={colour} title={colour} className="flex w-[26px] flex-col items-center">
                <span
                  className="size-[20px] rounded-[5px] border border-line-strong"
                  style={{ background: colour }}
                />
                <span className="font-mono text-[10px] text-muted">{uses.get(opaque(colour)) ?? 0}</span>
              </li>
            ))}
          </ul>
        </div>
      </div>
      {left.length > 0 && (
        <p role="alert" className="text-[13px] leading-[18px] text-coral-text">
          Not taken: {left.map(({ what, count }) => `${count} × ${what}`).join(', ')}.
        </p>
      )}
    </>
  );
}
