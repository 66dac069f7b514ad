'use client';

import type { Round } from '@/core/figure';
import { FoldTitle, useFolded } from '@/ui/common';
import { ImportButton } from '@/ui/import';
import { MotifList } from './MotifList';

/** The list of the motif at the panel's foot, where it stays whatever stands above it. */
export function MotifDock({ round }: { readonly round: Round }) {
  const [isFolded, toggle] = useFolded('Motif');
  const count = round.shapes.length;
  const { fold, mirror } = round.rule;
  return (
    <section
      aria-label="Motif"
      className="isolate flex max-h-[40%] shrink-0 flex-col border-t border-line-strong bg-shell"
    >
      <div className="flex min-h-[34px] shrink-0 items-center justify-between gap-2 px-4">
        <FoldTitle title="Motif" isFolded={isFolded} onToggle={toggle} />
        <span className="ml-auto truncate text-[12px] text-muted">
          {count === 1 ? '1 shape' : `${count} shapes`}, {fold}-fold{mirror ? ', mirrored' : ''}
        </span>
        <ImportButton disabled={round.locked} />
      </div>
      {!isFolded && (
        <div className="min-h-[64px] overflow-y-auto overscroll-contain pb-2">
          <MotifList key={round.id} round={round} />
        </div>
      )}
    </section>
  );
}
