'use client';

import { useCallback } from 'react';

import {
  type ColourScope,
  coloursOfShapes,
  intoPalette,
  recoloured,
  type Round,
  type Shape,
} from '@/core/figure';
import type { Colour } from '@/core/scene';
import { act, shownFigure } from '@/state';
import { Button, Section } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { Swatch } from '@/ui/colour';

const MOST_SWATCHES = 32;

/** What placed figures are painted with: they have no fill of their own, but each of their colours can be another one. */
export function PlacedColours({
  round,
  shapes,
}: {
  readonly round: Round;
  readonly shapes: readonly Shape[];
}) {
  const editor = useEditor();
  const palette = useEditorState((state) => shownFigure(state).palette);
  const colours = coloursOfShapes(shapes);
  const change = useCallback(
    (label: string, to: (colour: Colour) => Colour, key: string | null): void => {
      const { shapeIds } = editor.getState().selection;
      const scope: ColourScope = { of: 'shapes', roundId: round.id, shapeIds };
      act(editor, label, (figure) => recoloured(figure, scope, to), key);
    },
    [editor, round.id],
  );
  const swap = useCallback(
    (from: Colour, to: Colour, key: string | null) =>
      change('Recolour the placed figure', (colour) => (colour === from ? to : colour), key),
    [change],
  );
  return (
    <Section
      title="Colours of it"
      note={shapes.length === 1 ? shapes[0]?.name : `${shapes.length} placed figures`}
    >
      <p className="text-[12px] leading-4 text-muted">
        A placed figure keeps its own paints. Choose a colour to change it here alone.
      </p>
      <div className="grid grid-cols-8 gap-[7px]">
        {colours.slice(0, MOST_SWATCHES).map((colour, k) => (
          <Swatch
            key={k}
            colour={colour}
            label={`Recolour ${colour}`}
            title={colour}
            words="Becomes, in this placed figure:"
            field="Recolour to"
            palette={palette}
            onChange={swap}
          />
        ))}
      </div>
      <Button
        disabled={round.locked || palette.length === 0}
        title="From dark to light, in the colours of this figure’s palette"
        onClick={() => change('Recolour in the palette', intoPalette(colours, palette), null)}
      >
        In this figure’s palette
      </Button>
    </Section>
  );
}
