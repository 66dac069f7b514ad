'use client';

import { memo, useMemo } from 'react';

import { type KindFacts, kindsOf, refsOfGroup, type Round } from '@/core/figure';
import { printNumber } from '@/core/format';
import { cellsOfRound, chooseKinds, type Editor, LINES, mergeOf, WHOLE } from '@/state';
import { nameOfPaint } from '@/core/paint';
import type { Paint } from '@/core/scene';
import { PaintChip, Section } from '@/ui/common';
import { notYet, plural, useEditor, useEditorState, usePanelState } from '@/ui/desk';
import { DrawnRow, LinesRow } from './DrawnPanel';

/** More kinds than this are a list that nobody reads; the rest is reached by strokes. */
const MOST_ROWS = 120;

const percentOf = (share: number): string =>
  share > 0 && share < 0.0005 ? '< 0.1%' : `${printNumber(100 * share, 1)}%`;

/** The paints of kinds, those alike once. */
const paintsOf = (kinds: readonly KindFacts[]): Paint[] => [
  ...new Map(kinds.flatMap(({ paints }) => paints.map((paint) => [nameOfPaint(paint), paint]))).values(),
];

/** Chooses a kind alone, or one more or less. */
function pick(editor: Editor, name: string, more: boolean): void {
  const { kinds } = editor.getState().selection;
  // What is chosen as a whole is no list to add to.
  const now = new Set(more ? [...kinds].filter((each) => each !== WHOLE && each !== LINES) : []);
  if (kinds.has(name)) now.delete(name);
  else now.add(name);
  chooseKinds(editor, now);
}

const KindRow = memo(function KindRow({
  kind,
  number,
  on,
  lit,
}: {
  readonly kind: KindFacts;
  readonly number: number;
  readonly on: boolean;
  readonly lit: boolean;
}) {
  const editor = useEditor();
  return (
    <li>
      <button
        type="button"
        aria-pressed={on}
        className={`grid h-[28px] w-full grid-cols-[20px_minmax(0,1fr)_auto_56px] items-center gap-2.5 rounded-ui px-2 text-left ${on ? 'bg-coral-soft' : lit ? 'bg-line/60' : 'hover:bg-line/50'}`}
        onPointerEnter={() =>
          editor.setState({ lit: { refs: refsOfGroup(kind.group), kind: kind.group, own: [] } })
        }
        onClick={(event) => pick(editor, kind.name, event.shiftKey || event.ctrlKey || event.metaKey)}
      >
        <PaintChip paints={kind.paints} />
        <span className={`truncate ${on ? 'font-semibold' : ''}`}>
          {kind.group.fused ? 'Fused' : 'Kind'} {number}
          <span className="pl-1.5 text-[11px] text-muted">
            r {printNumber(kind.group.inner, 1)}–{printNumber(kind.group.outer, 1)}
          </span>
        </span>
        <span className="font-mono text-[12px] text-muted">×{kind.count}</span>
        <span className="text-right font-mono text-[12px]">{percentOf(kind.share)}</span>
      </button>
    </li>
  );
});

/** The kinds of cells from centre to rim: how many, how much of the area, and their paint. Pointed at, they light up; chosen, Fill and Stroke are theirs. */
export function KindsPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const state = usePanelState();
  const cells = cellsOfRound(state, round);
  const chosen = useEditorState((state) => state.selection.kinds);
  const lit = useEditorState((state) => state.lit?.kind ?? null);
  const merge = mergeOf(state, round);
  const kinds = useMemo(() => (cells && merge ? kindsOf(cells, merge) : null), [cells, merge]);
  if (!kinds)
    return (
      <Section title="Kinds" note={notYet(state, round)}>
        <p className="text-[12px] text-muted">The cells are not there.</p>
      </Section>
    );
  const count = kinds.reduce((sum, kind) => sum + kind.count, 0);
  return (
    <Section
      title="Kinds"
      note={`${plural(count, 'cell', 'cells')}, ${plural(kinds.length, 'kind', 'kinds')}`}
    >
      <ul className="-mx-2 flex" aria-label="All of them">
        <DrawnRow name={WHOLE} paints={paintsOf(kinds)} count={count}>
          All cells
        </DrawnRow>
      </ul>
      <div className="flex justify-between text-[12px] text-muted">
        <span>centre → rim</span>
        <span>of the area</span>
      </div>
      <ul
        className="-mx-2 flex max-h-[224px] flex-col overflow-y-auto"
        aria-label="Kinds from centre to rim"
        onPointerLeave={() => editor.setState({ lit: null })}
      >
        {kinds.slice(0, MOST_ROWS).map((kind, k) => (
          <KindRow
            key={kind.name}
            kind={kind}
            number={k + 1}
            on={chosen.has(WHOLE) || chosen.has(kind.name)}
            lit={lit === kind.group}
          />
        ))}
      </ul>
      {kinds.length > MOST_ROWS && (
        <p className="text-[12px] leading-4 text-muted">
          And {kinds.length - MOST_ROWS} more, which a stroke of paint reaches.
        </p>
      )}
      <LinesRow round={round} />
    </Section>
  );
}
