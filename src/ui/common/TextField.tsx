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
}

/** Text that is taken on Enter or on leaving the field; Esc and empty text leave it as it was. */
export function TextField({ label, value, onChange, onDone, className = '', autoFocus = false }: Props) {
  const [text, setText] = useState<string | null>(null);
  const { isLeaving, leave } = useLeaveField();
  const finish = (take: boolean): void => {
    if (isLeaving()) return;
    if (take && text !== null && text.trim() !== '' && text !== value) onChange(text.trim());
    setText(null);
    onDone?.();
  };
  return (
    <input
      aria-label={label}
      title={label}
      className={`min-w-0 rounded-[6px] border border-transparent bg-transparent px-1.5 hover:border-line-strong focus:border-kelp focus:bg-field focus:outline-none ${className}`}
      value={text ?? value}
      maxLength={120}
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
