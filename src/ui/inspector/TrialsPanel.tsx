'use client';

import { useMemo, useState } from 'react';

import { evaluate } from '@/core/figure/evaluate';
import { coloursOfFigure, inPalette } from '@/core/figure/recolour';
import type { Figure } from '@/core/figure/model';
import { trialPalettes, type Palette } from '@/core/paint/palettes';
import { act, shownFigure } from '@/state/editor';
import { mergeResults } from '@/state/merges';
import { BackgroundDefs, backgroundFill } from '../common/Background';
import { Button } from '../common/Button';
import { LayerCopies } from '../common/LayerCopies';
import { Section, Sheet } from '../common/Panel';
import { useEditor, useEditorState } from '../editor/EditorContext';

/** The figure in a palette, small. */
function Trial({
  figure,
  palette,
  onPick,
}: {
  readonly figure: Figure;
  readonly palette: Palette;
  readonly onPick: () => void;
}) {
  const merges = useEditorState((state) => state.merges);
  const scene = useMemo(
    () => evaluate(inPalette(figure, palette.colours), mergeResults(merges)),
    [figure, palette, merges],
  );
  const { width, height, centre } = scene.page;
  const [left, top] = [-width / 2 - centre.x, -height / 2 - centre.y];
  const id = `trial-${palette.name.replace(/\W+/g, '-')}`;
  return (
    <button
      type="button"
      onClick={onPick}
      className="flex flex-col gap-1.5 rounded-[10px] border border-line p-2 text-left hover:border-edge hover:bg-line/30"
    >
      <svg
        viewBox={`${left} ${top} ${width} ${height}`}
        className="aspect-square w-full rounded-[6px]"
        style={{ isolation: 'isolate' }}
        aria-hidden
      >
        <BackgroundDefs page={scene.page} id={`${id}-page`} />
        <rect
          x={left}
          y={top}
          width={width}
          height={height}
          fill={backgroundFill(scene.page, `${id}-page`, 'white')}
        />
        {scene.layers.map((layer, k) => (
          <LayerCopies key={k} layer={layer} id={`${id}-${k}`} outline={false} />
        ))}
      </svg>
      <span className="flex h-[8px] w-full overflow-hidden rounded-full">
        {palette.colours.map((colour, k) => (
          <span key={k} className="flex-1" style={{ background: colour }} />
        ))}
      </span>
      <span className="truncate text-[12px]">{palette.name}</span>
    </button>
  );
}

function Trials({ onDone }: { readonly onDone: () => void }) {
  const editor = useEditor();
  const figure = useEditorState(shownFigure);
  const own = coloursOfFigure(figure).map(({ colour }) => colour.slice(0, 7));
  const palettes = trialPalettes([...new Set(own)], own[1] ?? own[0] ?? '#1f8a76');
  return (
    <>
      <p className="mb-3 text-[12px] leading-4 text-muted">
        The same figure in other palettes: what was lighter stays lighter. Pick one, or leave it as it is.
      </p>
      <div className="grid max-h-[62vh] grid-cols-4 gap-2 overflow-y-auto" aria-label="Trials" role="group">
        {palettes.map((palette) => (
          <Trial
            key={palette.name}
            figure={figure}
            palette={palette}
            onPick={() => {
              act(editor, `Colours of ${palette.name}`, (each) => inPalette(each, palette.colours));
              onDone();
            }}
          />
        ))}
      </div>
      <div className="mt-4 flex justify-end">
        <Button onClick={onDone}>Leave it as it is</Button>
      </div>
    </>
  );
}

/** Variants of the figure side by side, made from palettes. */
export function TrialsPanel() {
  const [open, setOpen] = useState(false);
  return (
    <Section title="Trials">
      <Button onClick={() => setOpen(true)}>Try other palettes …</Button>
      <Sheet title="Trials" open={open} wide onClose={() => setOpen(false)}>
        <Trials onDone={() => setOpen(false)} />
      </Sheet>
    </Section>
  );
}
