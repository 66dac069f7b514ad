'use client';

import type { Colour } from '@/core/scene';
import { shownFigure } from '@/state';
import { Row } from '@/ui/common';
import { useEditorState } from '@/ui/desk';

interface Props {
  readonly label: string;
  readonly value: Colour | null;
  readonly disabled: boolean;
  readonly onChange: (colour: Colour | null) => void;
}

const CHIP = 'size-[26px] rounded-[7px] border';

/** A colour of the figure's palette that copies are tinted towards, or none. */
export function TintField({ label, value, disabled, onChange }: Props) {
  const palette = useEditorState((state) => shownFigure(state).palette);
  const ring = (on: boolean): string =>
    on ? 'border-ink outline-2 outline-offset-1 outline-ink' : 'border-line-strong hover:border-edge';
  return (
    <Row caption="Tint">
      <div role="group" aria-label={label} className="flex flex-1 flex-wrap gap-[5px]">
        <button
          type="button"
          aria-label={`${label}: none`}
          aria-pressed={value === null}
          disabled={disabled}
          className={`${CHIP} ${ring(value === null)} bg-field text-[11px] text-muted`}
          onClick={() => onChange(null)}
        >
          –
        </button>
        {palette.map((colour) => (
          <button
            key={colour}
            type="button"
            aria-label={`${label}: ${colour}`}
            aria-pressed={colour === value}
            disabled={disabled}
            className={`${CHIP} ${ring(colour === value)}`}
            style={{ background: colour }}
            onClick={() => onChange(colour)}
          />
        ))}
      </div>
    </Row>
  );
}
