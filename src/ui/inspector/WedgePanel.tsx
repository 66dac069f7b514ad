'use client';

import { useWork } from '@/ui/editor/useWork';
import type { Round } from '@/core/figure/model';
import { seenPaths } from '@/core/figure/seen';
import { printNumber } from '@/core/format/pathData';
import { pastRays } from '@/core/symmetry/wedge';
import { setEdge, trimToWedge } from '@/core/figure/commands';
import { act, actOnRound, select, shownFigure } from '@/state/editor';
import { newId } from '@/state/ids';
import { Button } from '../common/Button';
import { Fact, Section } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditor, useEditorState } from '../editor/EditorContext';

const EDGES = [
  { value: 'overlap', label: 'Overlap' },
  { value: 'trim', label: 'Trim' },
  { value: 'warn', label: 'Warn' },
] as const;
const EDGE_STEPS = {
  overlap: 'Let overlap at the rays',
  trim: 'Trim at the rays',
  warn: 'Warn at the rays',
} as const;

/** Under this, in the figure's unit, a line on the ray does not count as past it. */
const NOTHING = 1e-6;

/** Whether the motif stays in its wedge, and by how much it does not. */
export function WedgePanel({ round }: { readonly round: Round }) {
  const work = useWork();
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { fold, mirror } = round.rule;
  const paths = seenPaths(round, work);
  const { left, right } = pastRays(paths, round.rule);
  const most = Math.max(left, right);
  const both = Math.min(left, right) > NOTHING;
  const trim = (): void => {
    const free = round.shapes.filter(({ visible, locked }) => visible && !locked);
    const ids = new Set(free.map(({ id }) => id));
    const done = trimToWedge(shownFigure(editor.getState()), round.id, ids, newId, work);
    act(editor, 'Cut at the rays', () => done.figure);
    select(editor, round.id, done.ids);
  };
  const words = (): string => {
    if (paths.length === 0) return 'The motif is empty.';
    if (fold < 3) return 'A wedge of half a turn or more: nothing can cross its rays by accident.';
    if (most <= NOTHING) return 'The motif stays inside its wedge.';
    const side = both ? 'both rays' : left > right ? 'the left ray' : 'the right ray';
    return `The motif crosses ${side}: neighbours overlap.`;
  };
  return (
    <Section title="Edge of the wedge">
      <Fact caption="Wedge">{printNumber(360 / fold, 4)}°</Fact>
      {mirror && <Fact caption="Half, axis to ray">{printNumber(180 / fold, 4)}°</Fact>}
      {most > NOTHING && (
        <Fact caption="Past the ray">
          <span className="text-coral-text">
            {printNumber(most, 3)} {unit}
          </span>
        </Fact>
      )}
      <p className="text-[12px] leading-4 text-muted">{words()}</p>
      {fold > 2 && (
        <Segmented
          label="What is past the rays"
          value={round.edge ?? 'overlap'}
          disabled={round.locked}
          choices={EDGES}
          onChange={(edge) => actOnRound(editor, EDGE_STEPS[edge], (f, id) => setEdge(f, id, edge))}
        />
      )}
      {most > NOTHING && (
        <Button
          disabled={round.locked}
          onClick={trim}
          title="Cuts the shapes themselves, so that they no longer reach past the rays"
        >
          Cut the shapes at the rays
        </Button>
      )}
    </Section>
  );
}
