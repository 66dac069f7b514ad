'use client';

import { ChevronDown } from 'lucide-react';

import type { Round } from '@/core/figure/model';
import { useFolded } from '../common/folded';
import { MotifList } from './MotifList';

/** The list of the motif at the panel's foot, where it stays whatever stands above it. */
export function MotifDock({ round }: { readonly round: Round }) {
  const [isFolded, toggle] = useFolded('Motif');
  const count = round.shapes.length;
  const { fold, mirror } = round.rule;
  return (
    <section
      aria-label="Motif"
      className="flex max-h-[40%] shrink-0 flex-col border-t border-line-strong bg-shell"
    >
      <div className="flex min-h-[34px] shrink-0 items-center justify-between gap-2 px-4">
        <h3 className="-ml-2.5 flex items-center font-semibold">
          <button
            type="button"
            aria-expanded={!isFolded}
            aria-label={isFolded ? 'Unfold' : 'Fold'}
            className="inline-flex size-[22px] items-center justify-center rounded-[6px] text-muted hover:bg-line/60 hover:text-ink"
            onClick={toggle}
          >
            <ChevronDown
              size={14}
              strokeWidth={1.9}
              aria-hidden
              className={isFolded ? '-rotate-90' : undefined}
            />
          </button>
          <span className="cursor-default" onClick={toggle}>
            Motif
          </span>
        </h3>
        <span className="text-[12px] text-muted">
          {count === 1 ? '1 shape' : `${count} shapes`}, {fold}-fold{mirror ? ', mirrored' : ''}
        </span>
      </div>
      {!isFolded && (
        <div className="min-h-[64px] overflow-y-auto overscroll-contain pb-2">
          <MotifList key={round.id} round={round} />
        </div>
      )}
    </section>
  );
}
