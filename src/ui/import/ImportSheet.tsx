'use client';

import { useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';

import type { Point } from '@/core/curve';
import { addMotif, addRound, addToPalette } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import {
  type Drawing,
  figureOfDrawing,
  motifOfDrawing,
  shapesOfNodes,
  type TakenBy,
} from '@/core/format/drawing';
import {
  act,
  actAndSelect,
  activeRound,
  benchRadius,
  type Editor,
  type Importing,
  newId,
  select,
  shownFigure,
  workOf,
} from '@/state';
import { Button, ChoiceRow, Sheet } from '@/ui/common';
import { layPicture, useEditor, useEditorState } from '@/ui/desk';
import { DrawingFacts } from './DrawingFacts';
import { Refused } from './OpenSheet';
import { ReadingProgress } from './ReadingProgress';
import { DifferingMarks } from './ReadRounds';
import { TakenAsRows } from './TakenAsRows';
import { useDrawing } from './useDrawing';
import { useTakenAs } from './useTakenAs';

interface Way {
  readonly by: TakenBy;
  readonly to: Point;
  /** Its colours go to the figure's palette too. */
  readonly colours: boolean;
}

/** Puts a drawing as a group into the round that is worked on, in its true size, and selects it. */
function take(editor: Editor, { name }: Importing, drawing: Drawing, { by, to, colours }: Way): void {
  const state = editor.getState();
  const round = activeRound(state);
  if (!round) return;
  if (round.locked) {
    toast.error(`${round.name} is locked: unlock it to put something into it.`);
    return;
  }
  const { unit } = shownFigure(state).page;
  const own = colours ? figureOfDrawing(drawing, name, newId) : null;
  actAndSelect(editor, `Import ${name}`, round.id, (figure) => {
    const taken = motifOfDrawing(drawing, { name, unit, by, to }, newId);
    if (!taken.ok) return taken;
    const { shapes, groups } = taken.value.motif;
    const palette = own?.ok ? own.value.figure.palette : [];
    const coloured = palette.reduce(addToPalette, figure);
    return { figure: addMotif(coloured, round.id, shapes, groups), ids: shapes.map(({ id }) => id) };
  });
}

/** Puts rounds that were read of a drawing over the round that is worked on, about the centre. */
function takeRounds(editor: Editor, { name }: Importing, { rounds }: Figure): void {
  const { selection } = editor.getState();
  const [first] = rounds;
  act(editor, `Import ${name} as rounds`, (figure) =>
    rounds.reduceRight((all, round) => addRound(all, round, selection.roundId), figure),
  );
  if (first) select(editor, first.id);
}

/** In the middle of the wedge. */
const inWedge = (editor: Editor): Point => {
  const state = editor.getState();
  return { x: 0, y: -benchRadius(shownFigure(state), workOf(state)) / 2 };
};

/** Artwork from a file or the clipboard, on its way into the figure. */
export function ImportSheet() {
  const editor = useEditor();
  const importing = useEditorState((state) => state.importing);
  const reading = useDrawing(importing?.text ?? null);
  const close = (): void => editor.setState({ importing: null });
  // What was pasted and is taken whole needs no question.
  const isPlain =
    importing?.from === 'paste' &&
    reading.kind === 'read' &&
    reading.drawing.left.length === 0 &&
    shapesOfNodes(reading.drawing.nodes).length > 0;
  useEffect(() => {
    const isThere = importing !== null && editor.getState().importing === importing;
    if (!isThere || reading.kind !== 'read' || !isPlain) return;
    editor.setState({ importing: null });
    take(editor, importing, reading.drawing, { by: 'middle', to: inWedge(editor), colours: false });
  }, [editor, importing, reading, isPlain]);
  return (
    <Sheet
      title={importing ? `Take ${importing.name}` : 'Take'}
      open={importing !== null && reading.kind !== 'quiet' && !isPlain}
      onClose={close}
      wide
    >
      {reading.kind === 'reading' && <ReadingProgress share={reading.share} onStop={close} />}
      {reading.kind === 'failed' && <Refused sentence={reading.sentence} onClose={close} />}
      {reading.kind === 'read' && importing && (
        <Choice importing={importing} drawing={reading.drawing} onClose={close} />
      )}
    </Sheet>
  );
}

type Where = 'wedge' | 'centre' | 'point';

interface PutProps {
  readonly by: TakenBy;
  readonly setBy: (by: TakenBy) => void;
  readonly where: Where;
  readonly setWhere: (where: Where) => void;
  readonly colours: boolean;
  readonly setColours: (colours: boolean) => void;
}

/** Where artwork goes that becomes a part of the motif. */
function PutRows({ by, setBy, where, setWhere, colours, setColours }: PutProps) {
  return (
    <div className="flex flex-col gap-2">
      <ChoiceRow
        label="Held by"
        value={by}
        choices={[
          { value: 'middle', label: 'Its middle' },
          { value: 'page', label: 'Page’s middle' },
          { value: 'origin', label: 'Its own 0, 0' },
        ]}
        onChange={setBy}
      />
      <ChoiceRow
        label="Put"
        value={where}
        choices={[
          { value: 'wedge', label: 'In the wedge' },
          { value: 'centre', label: 'On the centre' },
          { value: 'point', label: 'Where I click' },
        ]}
        onChange={setWhere}
      />
      <ChoiceRow
        label="Its colours"
        value={colours ? 'keep' : 'leave'}
        choices={[
          { value: 'leave', label: 'In it alone' },
          { value: 'keep', label: 'To the palette too' },
        ]}
        onChange={(value) => setColours(value === 'keep')}
      />
    </div>
  );
}

interface ChoiceProps {
  readonly importing: Importing;
  readonly drawing: Drawing;
  readonly onClose: () => void;
}

function Choice({ importing, drawing, onClose }: ChoiceProps) {
  const editor = useEditor();
  const [by, setBy] = useState<TakenBy>('middle');
  const [where, setWhere] = useState<Where>('wedge');
  const [colours, setColours] = useState(false);
  const made = useMemo(() => figureOfDrawing(drawing, importing.name, newId), [drawing, importing.name]);
  const taken = useMemo(
    () => motifOfDrawing(drawing, { name: '', unit: 'px', by: 'page', to: { x: 0, y: 0 } }, newId),
    [drawing],
  );
  const { unit } = useEditorState((state) => shownFigure(state).page);
  // Rounds have the figure's own unit.
  const own = useMemo(() => ({ ...drawing, unit }), [drawing, unit]);
  const state = useTakenAs(own, importing.name, null);
  const rebuilt = state.as === 'rounds' ? state.rebuilt : null;
  const { file } = importing;
  const problem = made.ok ? (taken.ok ? null : taken.finding) : made.finding;
  if (!made.ok || !taken.ok)
    return <Refused sentence={problem?.sentence ?? 'Nothing can be taken.'} onClose={onClose} />;
  const go = (): void => {
    onClose();
    if (rebuilt) {
      takeRounds(editor, importing, rebuilt.figure);
      return;
    }
    if (where !== 'point') {
      take(editor, importing, drawing, {
        by,
        to: where === 'wedge' ? inWedge(editor) : { x: 0, y: 0 },
        colours,
      });
      return;
    }
    editor.setState({
      picking: {
        what: `click where ${importing.name} goes`,
        take: (to) => take(editor, importing, drawing, { by, to, colours }),
      },
    });
  };
  return (
    <div className="flex flex-col gap-3">
      <DrawingFacts
        drawing={drawing}
        figure={rebuilt?.figure ?? made.value.figure}
        left={rebuilt?.left ?? taken.value.left}
        isRead={rebuilt !== null}
        marks={
          rebuilt &&
          rebuilt.told.differing.length > 0 && <DifferingMarks figure={rebuilt.figure} told={rebuilt.told} />
        }
      />
      <TakenAsRows drawing={own} state={state} />
      {state.as === 'drawn' && (
        <PutRows
          by={by}
          setBy={setBy}
          where={where}
          setWhere={setWhere}
          colours={colours}
          setColours={setColours}
        />
      )}
      <div className="flex flex-wrap justify-end gap-2">
        {file && (
          <Button
            className="mr-auto"
            title="A picture under the Bench to trace from, never exported"
            onClick={() => {
              onClose();
              void layPicture(editor, file);
            }}
          >
            As an underlay
          </Button>
        )}
        <Button onClick={onClose}>Cancel</Button>
        <Button tone="main" disabled={!state.isThere} onClick={go}>
          {taken.value.left.length > 0 ? 'Take without these' : 'Take it'}
        </Button>
      </div>
    </div>
  );
}
