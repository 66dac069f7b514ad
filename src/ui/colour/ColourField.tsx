'use client';

import { Ban, Pipette, Plus } from 'lucide-react';
import { useState } from 'react';

import { calledColour, readColour } from '@/core/paint';
import type { Colour } from '@/core/scene';
import { shownFigure } from '@/state';
import { CHECKS, ColourPicker, Popup, useLeaveField } from '@/ui/common';
import { useEditorState } from '@/ui/desk';

interface Props {
  readonly label: string;
  readonly value: Colour | null;
  /** What is selected has different colours. */
  readonly mixed: boolean;
  readonly palette: readonly Colour[];
  /** Steps with one key become one step of undo. */
  readonly onChange: (colour: Colour | null, key: string | null) => void;
  /** Keeps a colour in the palette; without it there is nothing to keep it in. */
  readonly onKeep?: (colour: Colour) => void;
  /** False where there has to be a colour. */
  readonly mayBeNone?: boolean;
}

const SWATCH = 'relative size-[30px] shrink-0 rounded-ui border';
const CHIP = 'relative aspect-square w-full rounded-[7px] border';

const ring = (on: boolean): string =>
  on ? 'border-ink outline-2 outline-offset-1 outline-ink' : 'border-line-strong hover:border-edge';

/** A colour: swatches of the palette, a picker, or any CSS colour typed. */
export function ColourField({ label, value, mixed, palette, onChange, onKeep, mayBeNone = true }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <div role="group" aria-label={label} className="flex flex-col gap-2">
      {(mayBeNone || palette.length > 0) && (
        <Swatches
          label={label}
          value={mixed ? undefined : value}
          palette={palette}
          mayBeNone={mayBeNone}
          onChange={onChange}
        />
      )}
      <div className="flex gap-1.5">
        <Picker label={label} value={value} mixed={mixed} onChange={onChange} />
        <TypedColour
          label={label}
          value={value}
          mixed={mixed}
          problem={problem}
          onProblem={setProblem}
          onChange={onChange}
        />
        {onKeep && (
          <button
            type="button"
            aria-label={`Keep ${label.toLowerCase()} in the palette`}
            title="Keep in the palette"
            disabled={value === null || mixed || palette.includes(value)}
            className={`${SWATCH} inline-flex items-center justify-center border-line-strong bg-field hover:border-edge disabled:opacity-35`}
            onClick={() => value && onKeep(value)}
          >
            <Plus size={15} strokeWidth={1.7} aria-hidden />
          </button>
        )}
      </div>
      {problem && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          {problem}
        </p>
      )}
    </div>
  );
}

interface SwatchesProps extends Pick<Props, 'label' | 'palette' | 'onChange'> {
  /** The colour that is on; undefined where there are several. */
  readonly value: Colour | null | undefined;
  readonly mayBeNone: boolean;
}

function Swatches({ label, value, palette, mayBeNone, onChange }: SwatchesProps) {
  const names = useEditorState((state) => shownFigure(state).colourNames);
  return (
    <div className="grid grid-cols-8 gap-[7px]">
      {mayBeNone && (
        <button
          type="button"
          aria-label={`${label}: none`}
          aria-pressed={value === null}
          title="None"
          className={`${CHIP} inline-flex items-center justify-center bg-field text-muted ${ring(value === null)}`}
          onClick={() => onChange(null, null)}
        >
          <Ban size={15} strokeWidth={1.7} aria-hidden />
        </button>
      )}
      {palette.map((colour) => (
        <button
          key={colour}
          type="button"
          aria-label={`${label}: ${calledColour(colour, names)}`}
          aria-pressed={value === colour}
          title={calledColour(colour, names)}
          className={`${CHIP} ${ring(value === colour)}`}
          style={{ background: colour }}
          onClick={() => onChange(colour, null)}
        />
      ))}
    </div>
  );
}

type ValueProps = Pick<Props, 'label' | 'value' | 'mixed' | 'onChange'>;

function Picker({ label, value, mixed, onChange }: ValueProps) {
  return (
    <Popup
      button={{
        'aria-label': `${label}: pick a colour`,
        title: 'Pick a colour',
        className: `${SWATCH} inline-flex items-center justify-center overflow-hidden border-line-strong`,
        style: { background: CHECKS },
        children: (
          <>
            <span
              className="absolute inset-0"
              style={{ background: mixed ? 'transparent' : (value ?? 'transparent') }}
            />
            <Pipette
              size={14}
              strokeWidth={1.7}
              aria-hidden
              className="relative rounded-full bg-field/80 p-px text-ink"
            />
          </>
        ),
      }}
      anchor="left start"
    >
      <ColourPicker
        label={label}
        value={value ?? '#1f8a76'}
        onChange={(colour) => onChange(colour, `picker:${label}`)}
      />
    </Popup>
  );
}

interface TypedProps extends ValueProps {
  readonly problem: string | null;
  readonly onProblem: (problem: string | null) => void;
}

function TypedColour({ label, value, mixed, problem, onProblem, onChange }: TypedProps) {
  const [text, setText] = useState<string | null>(null);
  const { isLeaving, leave } = useLeaveField();
  /** Takes what was typed; false where it is no colour. */
  const take = (): boolean => {
    if (text === null || isLeaving()) return true;
    const colour = readColour(text);
    if (!colour) {
      onProblem(`“${text.trim()}” is no colour: type one like #1f8a76, teal or oklch(0.6 0.1 180).`);
      return false;
    }
    setText(null);
    onProblem(null);
    onChange(colour, null);
    return true;
  };
  return (
    <input
      aria-label={`${label} colour`}
      aria-invalid={problem !== null}
      className={`h-[30px] min-w-0 flex-1 rounded-ui border bg-field px-2.5 font-mono text-[12px] ${problem ? 'border-coral' : 'border-line-strong'}`}
      value={text ?? (mixed ? '' : (value ?? ''))}
      placeholder={mixed ? 'several' : 'none'}
      autoComplete="off"
      spellCheck={false}
      onChange={(event) => setText(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={() => void take()}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter' && take()) leave(event.currentTarget);
        if (event.key === 'Escape') {
          setText(null);
          onProblem(null);
          leave(event.currentTarget);
        }
      }}
    />
  );
}
