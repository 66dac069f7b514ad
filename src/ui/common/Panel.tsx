'use client';

import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { useId, useLayoutEffect, type ReactNode } from 'react';

import { useFolded } from './folded';
import { steady } from './steady';

interface SectionProps {
  readonly title: string;
  /** Small text at the right of the title. */
  readonly note?: ReactNode;
  /** What it is folded by, where its title changes. */
  readonly fold?: string;
  readonly children: ReactNode;
}

/** The title of a part of the panel, with the button that folds it. */
export const FoldTitle = steady(function FoldTitle({
  title,
  isFolded,
  onToggle,
}: {
  readonly title: string;
  readonly isFolded: boolean;
  readonly onToggle: () => void;
}) {
  const id = useId();
  const words = isFolded ? 'Unfold' : 'Fold';
  return (
    <h3 className="-ml-2.5 flex min-w-0 items-center font-semibold">
      <button
        type="button"
        aria-expanded={!isFolded}
        aria-label={words}
        aria-describedby={id}
        title={words}
        className="inline-flex size-[22px] shrink-0 items-center justify-center rounded-[6px] text-muted hover:bg-line/60 hover:text-ink"
        onClick={onToggle}
      >
        <ChevronDown
          size={14}
          strokeWidth={1.9}
          aria-hidden
          className={isFolded ? '-rotate-90' : undefined}
        />
      </button>
      <span id={id} className="cursor-default truncate" onClick={onToggle}>
        {title}
      </span>
    </h3>
  );
});

/** One part of the inspector; folded it is a title alone, and stays so until it is unfolded. */
export function Section({ title, note, fold = title, children }: SectionProps) {
  const [isFolded, toggle] = useFolded(fold);
  return (
    <section
      className={`isolate border-b border-line px-4 pt-3 ${isFolded ? 'pb-2' : 'pb-4'}`}
      aria-label={title}
    >
      <div className="mb-1.5 flex min-h-[24px] items-center justify-between gap-2">
        <FoldTitle title={title} isFolded={isFolded} onToggle={toggle} />
        {note && <span className="min-w-0 truncate text-[12px] text-muted">{note}</span>}
      </div>
      {!isFolded && <div className="flex flex-col gap-1.5">{children}</div>}
    </section>
  );
}

/** A caption and what belongs to it, on one line. */
export function Row({ caption, children }: { readonly caption: string; readonly children: ReactNode }) {
  return (
    <div className="flex min-h-[30px] items-center gap-2">
      <span className="w-[84px] shrink-0 text-muted">{caption}</span>
      <div className="flex min-w-0 flex-1 items-center gap-1.5">{children}</div>
    </div>
  );
}

/** A figure that a person would otherwise work out on paper. */
export function Fact({ caption, children }: { readonly caption: string; readonly children: ReactNode }) {
  return (
    <div className="flex min-h-[22px] items-baseline justify-between gap-3">
      <span className="text-muted">{caption}</span>
      <span className="text-right font-mono text-[12px]">{children}</span>
    </div>
  );
}

interface SheetProps {
  readonly title: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly wide?: boolean;
  /** As wide as there is room, for what is shown in it. */
  readonly full?: boolean;
}

/** A dialog that ends gives the focus back within this time, in milliseconds. */
const GIVING_BACK = 100;

/**
 * Where nothing had the focus before a dialog, nothing has it after: else it goes to the field that was typed in last, and the next key
 * that is meant for a tool is typed into it.
 */
function useFocusAsBefore(open: boolean): void {
  useLayoutEffect(() => {
    if (!open || document.activeElement !== document.body) return undefined;
    return () => {
      const letGo = ({ target }: FocusEvent): void => {
        if (target instanceof HTMLElement && !target.closest('[role=dialog]')) target.blur();
      };
      document.addEventListener('focusin', letGo, { once: true });
      setTimeout(() => document.removeEventListener('focusin', letGo), GIVING_BACK);
    };
  }, [open]);
}

/** A dialog in the middle of the window. */
export function Sheet({ title, open, onClose, children, wide = false, full = false }: SheetProps) {
  useFocusAsBefore(open);
  return (
    <Dialog open={open} onClose={onClose} className="relative z-50">
      <DialogBackdrop className="fixed inset-0 bg-veil" />
      <div className="fixed inset-0 flex items-center justify-center overflow-y-auto p-4">
        <DialogPanel
          className={`w-full ${full ? 'max-w-[1060px]' : wide ? 'max-w-[620px]' : 'max-w-[420px]'} max-h-[calc(100dvh-32px)] overflow-y-auto rounded-[12px] border border-line bg-shell p-5 text-ink shadow-ui`}
        >
          <DialogTitle className="mb-3 font-title text-[18px] leading-6 font-semibold">{title}</DialogTitle>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
