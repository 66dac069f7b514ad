'use client';

import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { type Edge, edgeOf, type Round, seenPaths, type Shape } from '@/core/figure';
import { printNumber } from '@/core/format';
import { pastRays } from '@/core/symmetry';
import { setEdge, setShapeEdge, trimToWedge } from '@/core/figure/commands';
import { act, actOnRound, newId, select, shownFigure } from '@/state';
import { Button, Fact, Section, Segmented } from '@/ui/common';

const EDGES: readonly { value: Edge; label: string }[] = [
  { value: 'overlap', label: 'May cross' },
  { value: 'trim', label: 'Trimmed' },
  { value: 'warn', label: 'Must not' },
];
const EDGE_STEPS: Record<Edge, string> = {
  overlap: 'Let cross the rays',
  trim: 'Trim at the rays',
  warn: 'Warn at the rays',
};

/** Under this, in the figure's unit, a line on the ray does not count as past it. */
const NOTHING = 1e-6;

interface Props {
  readonly round: Round;
  /** What is selected, which may be held otherwise than the round; none where the round is meant. */
  readonly shapes?: readonly Shape[];
}

/** Whether the motif, or what is selected of it, stays in its wedge, and by how much it does not. */
export function WedgePanel({ round, shapes = [] }: Props) {
  const work = useWork();
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { fold, mirror } = round.rule;
  const ids = new Set(shapes.map(({ id }) => id));
  const ofShapes = shapes.length > 0;
  const paths = seenPaths(round, work, ofShapes ? ids : undefined);
  const { left, right } = pastRays(paths, round.rule);
  const edges = new Set((ofShapes ? shapes : [{}]).map((shape) => edgeOf(round, shape)));
  const [first = 'overlap', other] = edges;
  const edge = other ? null : first;
  const most = Math.max(left, right);
  const both = Math.min(left, right) > NOTHING;
  const trim = (): void => {
    const free = (ofShapes ? shapes : round.shapes).filter(({ visible, locked }) => visible && !locked);
    const cut = new Set(free.map(({ id }) => id));
    const done = trimToWedge(shownFigure(editor.getState()), round.id, cut, newId, work);
    act(editor, 'Cut at the rays', () => done.figure);
    select(editor, round.id, done.ids);
  };
  const words = (): string => {
    const what = ofShapes ? 'What is selected' : 'The motif';
    if (paths.length === 0) return 'The motif is empty.';
    if (fold < 3) return 'A wedge of half a turn or more: nothing can cross its rays by accident.';
    if (most <= NOTHING) return `${what} stays inside ${ofShapes ? 'the' : 'its'} wedge.`;
    const side = both ? 'both rays' : left > right ? 'the left ray' : 'the right ray';
    return `${what} crosses ${side}: neighbours overlap.`;
  };
  return (
    <Section title="Edge of the wedge" note={ofShapes ? undefined : 'of the round'}>
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
          value={edge}
          disabled={round.locked}
          choices={EDGES}
          onChange={(next) =>
            actOnRound(editor, EDGE_STEPS[next], (f, id) =>
              ofShapes ? setShapeEdge(f, id, ids, next) : setEdge(f, id, next),
            )
          }
        />
      )}
      {shapes.some((shape) => shape.edge) && (
        <Button
          disabled={round.locked}
          onClick={() =>
            actOnRound(editor, 'As the round at the rays', (f, id) => setShapeEdge(f, id, ids, null))
          }
        >
          As the round has it
        </Button>
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
