'use client';

import { extractColorsFromImageData } from 'extract-colors';
import { Download, FolderOpen, Image, Palette as PaletteIcon, Shapes, SwatchBook } from 'lucide-react';
import { useCallback, useMemo, useRef } from 'react';
import { toast } from 'sonner';

import { changeSwatch, nameColour, removeSwatch, setPalette } from '@/core/figure/commands';
import { coloursOfFigure, LIMITS } from '@/core/figure';
import { readTokens, tokensOf } from '@/core/format';
import { calledColour, type ColourNames, HARMONIES, harmonyOf, STOCK_PALETTES } from '@/core/paint';
import type { Colour } from '@/core/scene';
import { act, shownFigure } from '@/state';
import { DotsMenu, download, Section } from '@/ui/common';
import { useEditor, useEditorState, usePanelState } from '@/ui/desk';
import { Swatch } from '@/ui/colour';

/** Pixels that a picture is read at. */
const READ_PIXELS = 64_000;
const MOST_OF_PICTURE = 12;

/** The colours that stand out in a picture. */
async function coloursOfPicture(file: File): Promise<Colour[]> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, Math.sqrt(READ_PIXELS / (picture.width * picture.height)));
  const [width, height] = [picture.width, picture.height].map((side) =>
    Math.max(1, Math.round(side * scale)),
  ) as [number, number];
  const context = new OffscreenCanvas(width, height).getContext('2d');
  if (!context) throw new Error('no canvas');
  context.drawImage(picture, 0, 0, width, height);
  picture.close();
  const found = extractColorsFromImageData(context.getImageData(0, 0, width, height), { distance: 0.12 });
  return found
    .sort((a, b) => b.area - a.area)
    .slice(0, MOST_OF_PICTURE)
    .map(({ hex }) => hex.toLowerCase());
}

/** A file chosen by hand. */
function useFile(accept: string, take: (file: File) => void) {
  const input = useRef<HTMLInputElement>(null);
  return {
    open: () => input.current?.click(),
    element: (
      <input
        ref={input}
        type="file"
        accept={accept}
        className="hidden"
        aria-hidden
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) take(file);
        }}
      />
    ),
  };
}

const NO_COLOURS: readonly Colour[] = [];
const NO_NAMES: ColourNames = {};

/** The figure's colours at hand: changed here they change wherever they are used. */
export function PalettePanel({ base }: { readonly base: Colour | null }) {
  const editor = useEditor();
  const palette = useEditorState((state) => shownFigure(state).palette);
  const names = useEditorState((state) => shownFigure(state).colourNames ?? NO_NAMES);
  const change = useCallback(
    (from: Colour, to: Colour, key: string | null) =>
      act(editor, 'Change swatch', (each) => changeSwatch(each, from, to), key),
    [editor],
  );
  const remove = useMemo(
    () => ({
      label: 'Take out of the palette',
      onClick: (colour: Colour) => act(editor, 'Remove swatch', (each) => removeSwatch(each, colour)),
    }),
    [editor],
  );
  const naming = useMemo(
    () => ({
      names,
      onChange: (colour: Colour, name: string) =>
        act(editor, name === '' ? 'Take a name away' : `Name ${name}`, (each) =>
          nameColour(each, colour, name),
        ),
    }),
    [editor, names],
  );
  return (
    <Section title="Palette" note={<PaletteMenu base={base} />}>
      <div className="grid grid-cols-8 gap-[7px]">
        {palette.map((colour, k) => (
          <Swatch
            key={k}
            colour={colour}
            label={`Swatch ${k + 1}, ${calledColour(colour, names)}`}
            title={`${calledColour(colour, names)}: change it wherever it is used`}
            words="Changed here, the colour changes wherever it is used."
            field="Swatch"
            palette={NO_COLOURS}
            onChange={change}
            naming={naming}
            remove={remove}
          />
        ))}
      </div>
      {palette.length === 0 && (
        <p className="text-[12px] leading-4 text-muted">
          Empty: keep a colour with +, or choose a palette from the dots. {LIMITS.palette} at most.
        </p>
      )}
    </Section>
  );
}

/** Other palettes: stock ones, of the figure, of a picture, harmonies, and tokens in and out. */
function PaletteMenu({ base }: { readonly base: Colour | null }) {
  const editor = useEditor();
  const figure = shownFigure(usePanelState());
  const { palette, colourNames: names = NO_NAMES } = figure;
  const replace = (label: string, colours: readonly Colour[], called?: ColourNames): void =>
    act(editor, label, (each) => setPalette(each, colours, called));
  const picture = useFile('image/png,image/jpeg,image/webp', (file) => {
    coloursOfPicture(file).then(
      (colours) =>
        colours.length > 0
          ? replace('Palette from a picture', colours)
          : toast.error('Nothing in this picture stands out as a colour.'),
      () => toast.error('This picture could not be read. Take a PNG, JPEG or WebP.'),
    );
  });
  const tokens = useFile('application/json,.json', (file) => {
    file.text().then(
      (text) => {
        const read = readTokens(text);
        if (!read.ok) toast.error(`${read.finding.sentence} The palette stays as it is.`);
        else replace(`Palette ${read.value.name}`, read.value.colours, read.value.names);
      },
      () => toast.error('This file could not be read. The palette stays as it is.'),
    );
  });
  const save = (): void => {
    const address = URL.createObjectURL(
      new Blob([tokensOf({ name: figure.name, colours: palette, names })], { type: 'application/json' }),
    );
    download(address, `${figure.name}.tokens.json`);
    setTimeout(() => URL.revokeObjectURL(address), 10_000);
  };
  return (
    <span className="-my-2 inline-flex items-center">
      <DotsMenu
        label="More for the palette"
        entries={[
          ...STOCK_PALETTES.map(({ name, colours }) => ({
            label: name,
            icon: SwatchBook,
            onClick: () => replace(`Palette ${name}`, colours),
          })),
          {
            label: 'From this figure',
            icon: Shapes,
            apart: true,
            onClick: () =>
              replace(
                'Palette from the figure',
                coloursOfFigure(figure).map(({ colour }) => colour),
              ),
          },
          { label: 'From a picture …', icon: Image, onClick: picture.open },
          ...Object.entries(HARMONIES).map(([name, steps]) => ({
            label: `${name} of the fill`,
            icon: PaletteIcon,
            disabled: base === null,
            onClick: () => base && replace(name, [...new Set([...palette, ...harmonyOf(base, steps)])]),
          })),
          { label: 'Open tokens …', icon: FolderOpen, apart: true, onClick: tokens.open },
          { label: 'Save as tokens', icon: Download, disabled: palette.length === 0, onClick: save },
        ]}
      />
      {picture.element}
      {tokens.element}
    </span>
  );
}
