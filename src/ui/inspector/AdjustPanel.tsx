'use client';

import { useCallback, useDeferredValue, useMemo, useState } from 'react';

import {
  type ColourScope,
  coloursOfFigure,
  type Figure,
  recoloured,
  type Round,
  swapColour,
} from '@/core/figure';
import type { Colour } from '@/core/scene';
import { adjustedColour, type Adjustment, NO_ADJUSTMENT } from '@/core/paint';
import { act, commit, type EditorState, preview, shownFigure } from '@/state';
import { Row, Section, Segmented } from '@/ui/common';
import { useEditor, usePanelState } from '@/ui/desk';
import { Swatch } from '@/ui/colour';

const SLIDERS: readonly { key: keyof Adjustment; less: string; more: string; most: number; step: number }[] =
  [
    { key: 'light', less: 'Darker', more: 'Lighter', most: 1, step: 0.02 },
    { key: 'warm', less: 'Cooler', more: 'Warmer', most: 1, step: 0.02 },
    { key: 'strength', less: 'Muted', more: 'Stronger', most: 1, step: 0.02 },
    { key: 'hue', less: 'Hue −', more: 'Hue +', most: 180, step: 2 },
  ];

type Of = ColourScope['of'];

function scopeOf(of: Of, state: EditorState, round: Round): ColourScope {
  if (of === 'figure') return { of };
  if (of === 'round') return { of, roundId: round.id };
  return { of, roundId: round.id, shapeIds: state.selection.shapeIds };
}

/** The figure as the last step left it: what a slider starts from. */
const before = (state: EditorState): Figure => shownFigure({ ...state, live: null });

const MOST_SWATCHES = 32;

/** Lightens, warms, strengthens colours and turns their hue; swaps one colour for another wherever it is. */
export function AdjustPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const state = usePanelState();
  const figure = shownFigure(state);
  const some = state.selection.shapeIds.size > 0 && !round.merge;
  const [asked, setAsked] = useState<Of>('round');
  const of = asked === 'shapes' && !some ? 'round' : asked;
  const [now, setNow] = useState(NO_ADJUSTMENT);
  const show = (part: Partial<Adjustment>): void => {
    const next = { ...now, ...part };
    setNow(next);
    preview(
      editor,
      recoloured(before(state), scopeOf(of, state, round), (colour) => adjustedColour(colour, next)),
    );
  };
  const take = (): void => {
    if (now === NO_ADJUSTMENT) return;
    setNow(NO_ADJUSTMENT);
    commit(editor, 'Adjust colours', shownFigure(editor.getState()));
  };
  const settled = useDeferredValue(figure);
  const used = useMemo(() => coloursOfFigure(settled).slice(0, MOST_SWATCHES), [settled]);
  const swap = useCallback(
    (from: Colour, to: Colour, key: string | null) =>
      act(editor, 'Swap colour', (each) => swapColour(each, from, to), key),
    [editor],
  );
  const off = round.locked && of !== 'figure';
  return (
    <Section title="Adjust">
      <Row caption="Colours of">
        <Segmented
          label="Adjust colours of"
          value={of}
          choices={[
            ...(some ? [{ value: 'shapes' as const, label: 'Selection' }] : []),
            { value: 'round', label: 'Round' },
            { value: 'figure', label: 'Figure' },
          ]}
          onChange={setAsked}
        />
      </Row>
      {SLIDERS.map(({ key, less, more, most, step }) => (
        <div key={key} className="flex items-center gap-2 text-[12px] text-muted">
          <span className="w-[48px] shrink-0">{less}</span>
          <input
            type="range"
            aria-label={`${less} or ${more.toLowerCase()}`}
            className="h-6 min-w-0 flex-1 accent-(--kelp)"
            min={-most}
            max={most}
            step={step}
            value={now[key]}
            disabled={off}
            onChange={(event) => show({ [key]: event.target.valueAsNumber })}
            onPointerUp={take}
            onKeyUp={take}
            onBlur={take}
          />
          <span className="w-[54px] shrink-0 text-right">{more}</span>
        </div>
      ))}
      <span className="pt-1.5 text-[12px] text-muted">Colours in use: choose one to swap it everywhere</span>
      <div className="grid grid-cols-8 gap-[7px]">
        {used.map(({ colour, uses }, k) => (
          <Swatch
            key={k}
            round
            colour={colour}
            label={`Swap ${colour}, used ${uses} times`}
            title={`${colour}, ${uses} ×`}
            words="Becomes, wherever it is:"
            field="Swap to"
            palette={figure.palette}
            onChange={swap}
          />
        ))}
      </div>
    </Section>
  );
}
