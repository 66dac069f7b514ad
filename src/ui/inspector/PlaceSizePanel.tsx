'use client';

import { aboveZero, zeroOrMore } from '@/core/finding';
import { Link2, Unlink2 } from 'lucide-react';
import { useState } from 'react';

import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { fromPolar, type Point, polarOf, subtract } from '@/core/curve';
import { moveShapes, transformShapes } from '@/core/figure/commands';
import { type Round, seenBox, type Shape } from '@/core/figure';
import { act, actAndSelect, newId, shownFigure } from '@/state';
import { AngleField, IconButton, LengthField, Section } from '@/ui/common';
import { canStretch } from '@/ui/tools';

const positive = aboveZero('A size');

/** Where the box round what is selected is, and how large: numbers that move it and scale it about its middle. */
export function PlaceSizePanel({
  round,
  shapes,
  straight,
}: {
  readonly round: Round;
  readonly shapes: readonly Shape[];
  /** They are worked on as they lie straight in a strip. */
  readonly straight: boolean;
}) {
  const work = useWork();
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const [linked, setLinked] = useState(true);
  const ids = new Set(shapes.map(({ id }) => id));
  const box = seenBox(round, work, ids);
  const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const polar = polarOf(middle);
  const off = round.locked || shapes.some(({ locked }) => locked);
  const isEven = !canStretch(shapes);
  const together = linked || isEven;
  const moveTo = (to: Point): void =>
    act(
      editor,
      'Move',
      (figure) => moveShapes(figure, round.id, ids, subtract(to, middle), { straight }),
      `place:${[...ids].join(' ')}`,
    );
  const scale = (x: number, y: number): void =>
    actAndSelect(editor, 'Scale', round.id, (figure, reading) => {
      const t = { kind: 'scale' as const, x, y, about: middle };
      return transformShapes(figure, round.id, ids, t, { copy: false, times: 1, newId, straight }, reading);
    });
  const one = { in: unit, unit: '', disabled: off };
  return (
    <Section title="Place and size" note={`about its middle, ${unit}`}>
      <div className="grid grid-cols-2 gap-1.5">
        <LengthField
          {...one}
          label="Middle x"
          inside="x"
          value={middle.x}
          onChange={(x) => moveTo({ ...middle, x })}
        />
        <LengthField
          {...one}
          label="Middle up"
          inside="y, up"
          value={-middle.y}
          onChange={(y) => moveTo({ ...middle, y: -y })}
        />
        <LengthField
          {...one}
          label="Middle from the centre"
          inside="r"
          value={polar.r}
          refuse={zeroOrMore('A distance')}
          onChange={(r) => moveTo(fromPolar(r, polar.degrees))}
        />
        <AngleField
          label="Middle’s direction"
          inside="θ"
          disabled={off}
          value={polar.degrees}
          onChange={(degrees) => moveTo(fromPolar(polar.r, degrees))}
        />
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_30px_minmax(0,1fr)] items-start gap-1">
        <LengthField
          {...one}
          label="Box width"
          inside="w"
          disabled={off || width === 0}
          value={width}
          refuse={positive}
          onChange={(next) => scale(next / width, together ? next / width : 1)}
        />
        <IconButton
          label={together ? 'Width and height go together' : 'Width and height by themselves'}
          on={together}
          disabled={isEven}
          onClick={() => setLinked(!linked)}
        >
          {together ? <Link2 size={15} strokeWidth={1.7} /> : <Unlink2 size={15} strokeWidth={1.7} />}
        </IconButton>
        <LengthField
          {...one}
          label="Box height"
          inside="h"
          disabled={off || height === 0}
          value={height}
          refuse={positive}
          onChange={(next) => scale(together ? next / height : 1, next / height)}
        />
      </div>
    </Section>
  );
}
