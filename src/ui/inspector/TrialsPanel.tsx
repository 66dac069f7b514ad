'use client';

import { useEditor, usePanelState, useWork } from '@/ui/desk';
import { useEffect, useMemo, useState } from 'react';

import { boundedFigure, coloursOfFigure, evaluate, type Figure, inPalette } from '@/core/figure';
import { type Palette, trialPalettes } from '@/core/paint';
import { act, mergeResults, shownFigure } from '@/state';
import { Button, Section, Sheet, SmallScene } from '@/ui/common';

/** The figure in a palette, small. */
function Trial({
  figure,
  palette,
  ready,
  onPick,
}: {
  readonly figure: Figure;
  readonly palette: Palette;
  /** Its turn has come: a full figure takes a moment, and there are many. */
  readonly ready: boolean;
  readonly onPick: () => void;
}) {
  const work = useWork();
  const merges = usePanelState().merges;
  const scene = useMemo(
    () =>
      ready
        ? evaluate(boundedFigure(inPalette(figure, palette.colours), work), mergeResults(merges), work)
        : null,
    [figure, palette, merges, ready, work],
  );
  return (
    <button
      type="button"
      onClick={onPick}
      className="flex flex-col gap-1.5 rounded-[10px] border border-line p-2 text-left hover:border-edge hover:bg-line/30"
    >
      {scene ? (
        <SmallScene scene={scene} id={`trial-${palette.name.replace(/\W+/g, '-')}`} />
      ) : (
        <span className="aspect-square w-full rounded-[6px] bg-line/50" />
      )}
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
  // As it was when the sheet was opened: the one that is picked is not tried again in all palettes.
  const [figure] = useState(() => shownFigure(editor.getState()));
  const own = useMemo(() => coloursOfFigure(figure).map(({ colour }) => colour.slice(0, 7)), [figure]);
  const palettes = useMemo(() => trialPalettes([...new Set(own)], own[1] ?? own[0] ?? '#1f8a76'), [own]);
  // One after another, so that the page is never held for all of them.
  const [ready, setReady] = useState(1);
  useEffect(() => {
    if (ready >= palettes.length) return undefined;
    const next = setTimeout(() => setReady(ready + 1));
    return () => clearTimeout(next);
  }, [ready, palettes.length]);
  return (
    <>
      <p className="mb-3 text-[12px] leading-4 text-muted">
        The same figure in other palettes: what was lighter stays lighter. Pick one, or leave it as it is.
      </p>
      <div className="grid max-h-[62vh] grid-cols-4 gap-2 overflow-y-auto" aria-label="Trials" role="group">
        {palettes.map((palette, k) => (
          <Trial
            key={palette.name}
            ready={k < ready}
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
