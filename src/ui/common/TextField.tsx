'use client';

import { useState } from 'react';

import { useLeaveField } from './useLeaveField';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly onDone?: () => void;
  readonly className?: string;
  readonly autoFocus?: boolean;
  /** Empty text is taken too. */
  readonly mayBeEmpty?: boolean;
  /** What stands in it while it is empty. */
  readonly placeholder?: string;
  /** In characters. */
  readonly most?: number;
}

/** Text that is taken on Enter or on leaving the field; Esc leaves it as it was, and so does empty text where there has to be some. */
export function TextField({
  label,
  value,
  onChange,
  onDone,
  className = '',
  autoFocus = false,
  mayBeEmpty = false,
  placeholder,
  most = 120,
}: Props) {
  const [text, setText] = useState<string | null>(null);
  const { isLeaving, leave } = useLeaveField();
  const finish = (take: boolean): void => {
    if (isLeaving()) return;
    const isText = text !== null && (mayBeEmpty || text.trim() !== '');
    if (take && isText && text !== value) onChange(text.trim());
    setText(null);
    onDone?.();
  };
  return (
    <input
      aria-label={label}
      title={label}
      className={`min-w-0 rounded-[6px] border border-transparent bg-transparent px-1.5 hover:border-line-strong focus:border-kelp focus:bg-field focus:outline-none ${className}`}
      value={text ?? value}
      maxLength={most}
      placeholder={placeholder}
      autoFocus={autoFocus}
      autoComplete="off"
      spellCheck={false}
      onChange={(event) => setText(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={() => finish(true)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') {
          finish(false);
          leave(event.currentTarget);
        }
      }}
    />
  );
}
