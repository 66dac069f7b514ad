'use client';

import { memo } from 'react';

import { type ColourNames, MOST_COLOUR_NAME } from '@/core/paint';
import type { Colour } from '@/core/scene';
import { Button, Popup, TextField } from '@/ui/common';
import { ColourField } from './ColourField';

interface Props {
  readonly colour: Colour;
  readonly label: string;
  readonly title: string;
  /** Above the picker. */
  readonly words: string;
  readonly field: string;
  readonly round?: boolean;
  /** Colours offered in its place; keep the list the same while they are. */
  readonly palette: readonly Colour[];
  readonly onChange: (from: Colour, to: Colour, key: string | null) => void;
  /** Its name, and how it is given another; without it colours have none here. */
  readonly naming?: {
    readonly names: ColourNames;
    readonly onChange: (colour: Colour, name: string) => void;
  };
  /** Takes the colour away, where it can be. */
  readonly remove?: { readonly label: string; readonly onClick: (colour: Colour) => void };
}

/** A colour of several, which opens to be changed. What is handed in stays the same while nothing changes, as there may be many. */
export const Swatch = memo(function Swatch({
  colour,
  label,
  title,
  words,
  field,
  round = false,
  palette,
  onChange,
  naming,
  remove,
}: Props) {
  return (
    <Popup
      button={{
        'aria-label': label,
        title,
        className: `aspect-square w-full border border-line-strong hover:border-edge ${round ? 'rounded-full' : 'rounded-[7px]'}`,
        style: { background: colour },
      }}
      anchor="left start"
      className="flex w-[262px] flex-col gap-2"
    >
      <span className="text-[12px] leading-4 text-muted">{words}</span>
      {naming && (
        <TextField
          label="Name of the colour"
          className="h-[30px] border-line-strong bg-field placeholder:text-muted"
          placeholder="Name it, as “Client’s red”"
          value={naming.names[colour] ?? ''}
          mayBeEmpty
          most={MOST_COLOUR_NAME}
          onChange={(name) => naming.onChange(colour, name)}
        />
      )}
      <ColourField
        label={field}
        value={colour}
        mixed={false}
        palette={palette}
        onChange={(to, key) => {
          if (to && to !== colour) onChange(colour, to, key);
        }}
        mayBeNone={false}
      />
      {remove && <Button onClick={() => remove.onClick(colour)}>{remove.label}</Button>}
    </Popup>
  );
});
