'use client';

import type { Finding } from '@/core/finding';
import { useId, useState, type KeyboardEvent } from 'react';

import {
  degreesOf,
  type LengthUnit,
  readCount,
  type Reading,
  readLength,
  readList,
  readShare,
  readTurn,
  type Turn,
  turnFromDegrees,
} from '@/core/number';
import { steady } from './steady';
import { useLeaveField } from './useLeaveField';
import { printNumber } from '@/core/format';

type Refuse<T> = (value: T) => Finding | null;

interface Base {
  readonly label: string;
  /** Shown at the field's end. */
  readonly unit?: string;
  /** By how much an arrow key steps. */
  readonly step?: number;
  readonly disabled?: boolean;
  /** Shown before the field; without it the label is for screen readers alone. */
  readonly caption?: string;
  /** Shown in the field instead, where there is little room. */
  readonly inside?: string;
}

interface FieldProps<T> extends Base {
  /** Null where it stands for several that differ. */
  readonly shown: string | null;
  readonly read: (text: string) => Reading<T>;
  readonly stepped: (text: string, by: number) => Reading<T>;
  /** Why a value is not taken; null where it is. */
  readonly refuse?: Refuse<T> | undefined;
  readonly onChange: (value: T) => void;
}

function DrawnField<T>(props: FieldProps<T>) {
  const { label, caption, inside, unit, step = 1, read, stepped, refuse, onChange, disabled } = props;
  const shown = props.shown ?? '';
  const differ = props.shown === null;
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const take = (reading: Reading<T>): boolean => {
    const refusal = reading.ok ? (refuse?.(reading.value)?.sentence ?? null) : reading.message;
    setProblem(refusal);
    if (!reading.ok || refusal !== null) return false;
    onChange(reading.value);
    return true;
  };

  const { isLeaving, leave } = useLeaveField();
  /** Takes what was typed. @returns false where it is refused */
  const enter = (): boolean => {
    if (text === null || isLeaving()) return true;
    if (text !== shown && !take(read(text))) return false;
    setText(null);
    setProblem(null);
    return true;
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'Enter') {
      const field = event.currentTarget;
      if (enter()) leave(field);
      if (document.activeElement === field) field.select();
    } else if (event.key === 'Escape') {
      setText(null);
      setProblem(null);
      leave(event.currentTarget);
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      // There is no one number to step from.
      if (differ && text === null) return;
      const factor = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
      if (take(stepped(text ?? shown, (event.key === 'ArrowUp' ? 1 : -1) * step * factor))) setText(null);
    }
    event.stopPropagation();
  };

  return (
    <div className={caption ? 'flex items-start gap-2' : 'min-w-0'}>
      {caption && (
        <label htmlFor={id} className="w-[84px] shrink-0 pt-[6px] text-muted">
          {caption}
        </label>
      )}
      <div className="min-w-0 flex-1">
        <div
          className={`flex h-[30px] items-center rounded-ui border bg-field focus-within:outline-2 focus-within:outline-kelp ${problem ? 'border-coral' : 'border-line-strong'} ${disabled ? 'opacity-50' : ''}`}
        >
          {inside && (
            <label htmlFor={id} className="shrink-0 pl-2.5 text-[12px] text-muted">
              {inside}
            </label>
          )}
          <input
            id={id}
            aria-label={label}
            aria-invalid={problem !== null}
            aria-describedby={problem ? `${id}-problem` : undefined}
            className={`w-full min-w-0 bg-transparent px-2.5 font-mono text-[12px] outline-none ${inside ? 'text-right' : ''}`}
            value={text ?? shown}
            placeholder={differ ? 'several' : undefined}
            disabled={disabled}
            autoComplete="off"
            spellCheck={false}
            onChange={(event) => setText(event.target.value)}
            onFocus={(event) => event.target.select()}
            onBlur={() => void enter()}
            onKeyDown={onKeyDown}
          />
          {unit && <span className="pr-2.5 text-[12px] whitespace-nowrap text-muted">{unit}</span>}
        </div>
        {problem && (
          <p id={`${id}-problem`} role="alert" className="pt-1 text-[12px] leading-4 text-coral-text">
            {problem}
          </p>
        )}
      </div>
    </div>
  );
}

const Field = steady(DrawnField) as typeof DrawnField;

const plus = (reading: Reading<number>, by: number): Reading<number> =>
  reading.ok ? { ok: true, value: reading.value + by } : reading;

interface LengthProps extends Base {
  /** Null where it stands for several that differ. */
  readonly value: number | null;
  readonly in: LengthUnit;
  readonly refuse?: Refuse<number>;
  readonly onChange: (value: number) => void;
}

/** A length in the figure's unit, with arithmetic and other units understood. */
export function LengthField({ value, in: unit, ...rest }: LengthProps) {
  const read = (text: string) => readLength(text, unit);
  return (
    <Field
      unit={unit}
      {...rest}
      shown={value === null ? null : printNumber(value, 4)}
      read={read}
      stepped={(text, by) => plus(read(text), by)}
    />
  );
}

interface TurnProps extends Base {
  /** Null where it stands for several that differ. */
  readonly value: Turn | null;
  readonly refuse?: Refuse<Turn>;
  readonly onChange: (value: Turn) => void;
}

/** An angle in degrees, kept as an exact part of a turn: `360/7` is a seventh. */
export function TurnField({ value, ...rest }: TurnProps) {
  const stepped = (text: string, by: number): Reading<Turn> => {
    const reading = readTurn(text);
    return reading.ok ? { ok: true, value: turnFromDegrees(degreesOf(reading.value) + by) } : reading;
  };
  return (
    <Field
      unit="°"
      {...rest}
      shown={value === null ? null : printNumber(degreesOf(value), 4)}
      read={readTurn}
      stepped={stepped}
    />
  );
}

interface AngleProps extends Base {
  /** Null where it stands for several that differ. */
  readonly value: number | null;
  readonly onChange: (value: number) => void;
}

/** An angle in degrees as a plain number, for points. */
export function AngleField({ value, onChange, ...rest }: AngleProps) {
  return (
    <TurnField
      {...rest}
      value={value === null ? null : turnFromDegrees(value)}
      onChange={(t) => onChange(degreesOf(t))}
    />
  );
}

interface CountProps extends Base {
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly refuse?: Refuse<number>;
  readonly onChange: (value: number) => void;
}

/** A whole number between two bounds. */
export function CountField({ value, least, most, ...rest }: CountProps) {
  const stepped = (text: string, by: number): Reading<number> => {
    const reading = readCount(text, least, most);
    if (!reading.ok) return reading;
    return {
      ok: true,
      value: Math.min(most, Math.max(least, reading.value + Math.sign(by) * Math.ceil(Math.abs(by)))),
    };
  };
  return (
    <Field {...rest} shown={String(value)} read={(text) => readCount(text, least, most)} stepped={stepped} />
  );
}

/** A plain number between two bounds. */
export function ShareField({ value, least, most, ...rest }: CountProps) {
  const read = (text: string) => readShare(text, least, most);
  return (
    <Field
      step={0.1}
      {...rest}
      shown={printNumber(value, 5)}
      read={read}
      stepped={(text, by) => plus(read(text), by)}
    />
  );
}

interface ListProps extends Base {
  readonly value: readonly number[];
  readonly in: LengthUnit;
  readonly most: number;
  /** What 100 % stands for. */
  readonly share?: number;
  readonly refuse?: Refuse<readonly number[]>;
  readonly onChange: (value: readonly number[]) => void;
}

/** Numbers parted by commas or spaces; `10 to 50 by 10` and `5 × 12` stand for rows of them. */
export function ListField({ value, in: unit, most, share, ...rest }: ListProps) {
  const read = (text: string): Reading<readonly number[]> => readList(text, unit, most, share);
  const shown = value.map((each) => printNumber(each, 4)).join(', ');
  return <Field {...rest} shown={shown} read={read} stepped={(text) => read(text)} />;
}
