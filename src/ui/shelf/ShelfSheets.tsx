'use client';

import dynamic from 'next/dynamic';

import type { Figure } from '@/core/figure';
import type { FigureSummary, ShelfFacts } from '@/protocol';
import { Ask } from '@/ui/common';
import { LabelSheet } from './LabelSheet';

/** With the formats, and the engine, in them: read when they are first opened. */
const ExportManySheet = dynamic(() => import('./ExportManySheet').then((each) => each.ExportManySheet), {
  ssr: false,
});
const StartSheet = dynamic(() => import('./StartSheet').then((each) => each.StartSheet), { ssr: false });

/** What is asked or chosen before something is done with figures of the Shelf. */
export type ShelfSheet =
  | { readonly kind: 'label'; readonly ids: readonly string[] }
  | { readonly kind: 'export' | 'destroy'; readonly figures: readonly FigureSummary[] }
  | { readonly kind: 'empty' | 'start' };

interface Props {
  readonly sheet: ShelfSheet | null;
  readonly facts: ShelfFacts;
  /** The figures of ids, as far as they are known. */
  readonly figuresOf: (ids: readonly string[]) => readonly FigureSummary[];
  readonly onClose: () => void;
  readonly onLabel: (ids: readonly string[], label: string, on: boolean) => void;
  readonly onDestroy: (ids: readonly string[]) => void;
  readonly onEmpty: () => void;
  readonly onMake: (figure: Figure) => void;
}

const countOf = (count: number, only: string | undefined): string =>
  count === 1 && only !== undefined ? only : `${count} figures`;

/** The sheets of the Shelf, of which one at most is open. */
export function ShelfSheets({
  sheet,
  facts,
  figuresOf,
  onClose,
  onLabel,
  onDestroy,
  onEmpty,
  onMake,
}: Props) {
  const labelled = sheet?.kind === 'label' ? sheet.ids : [];
  const leaving = sheet?.kind === 'export' ? sheet.figures : [];
  const destroyed = sheet?.kind === 'destroy' ? sheet.figures : [];
  return (
    <>
      <LabelSheet
        figures={figuresOf(labelled)}
        facts={facts}
        onClose={onClose}
        onLabel={(label, on) => onLabel(labelled, label, on)}
      />
      {leaving.length > 0 && <ExportManySheet figures={leaving} onClose={onClose} />}
      <Ask
        title="Take away for good?"
        about={
          destroyed.length > 0
            ? `${countOf(destroyed.length, `“${destroyed[0]?.name}”`)} and all of the history will be gone.`
            : null
        }
        does="Take away for good"
        onDo={() => onDestroy(destroyed.map(({ id }) => id))}
        onClose={onClose}
      />
      <Ask
        title="Empty the Bin?"
        about={
          sheet?.kind === 'empty'
            ? `${countOf(facts.binned, 'One figure')} and all of the history will be gone.`
            : null
        }
        does="Empty the Bin"
        onDo={onEmpty}
        onClose={onClose}
      />
      {sheet?.kind === 'start' && <StartSheet open onClose={onClose} onMake={onMake} />}
    </>
  );
}
