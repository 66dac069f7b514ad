'use client';

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import type { CSSProperties, ReactNode } from 'react';

import { useFirstUse } from './useFirstUse';

interface Props {
  readonly button: {
    readonly 'aria-label': string;
    readonly title: string;
    readonly className: string;
    readonly style?: CSSProperties;
    readonly disabled?: boolean;
    /** Called each time that it is pressed. */
    readonly onClick?: () => void;
    readonly children?: ReactNode;
  };
  readonly anchor: 'left start' | 'top start';
  /** Of the panel, beside what all have. */
  readonly className?: string;
  /** In the panel. */
  readonly children: ReactNode;
}

/** A button that opens a small panel beside it. */
export function Popup({ button, anchor, className = '', children }: Props) {
  const { isUsed, use, pressOnce } = useFirstUse();
  if (!isUsed)
    return (
      <div className="relative">
        <button {...button} type="button" aria-expanded={false} onClick={use} />
      </div>
    );
  return (
    <Popover className="relative">
      <PopoverButton {...button} ref={pressOnce} />
      <PopoverPanel
        anchor={anchor}
        className={`z-40 rounded-[12px] border border-line-strong bg-shell p-3 shadow-ui [--anchor-gap:10px] ${className}`}
      >
        {children}
      </PopoverPanel>
    </Popover>
  );
}
