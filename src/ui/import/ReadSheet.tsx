'use client';

import { useMemo, useState } from 'react';

import { drawingOfShapes, withRoundsOf } from '@/core/rebuild';
import { act, type RereadShapes, select, shownFigure, workOf } from '@/state';
import { Button, ProgressBar, Sheet } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { Picture } from './DrawingFacts';
import { DifferingMarks, FIRST_ASKED, isAnything, ReadRounds } from './ReadRounds';
import { useRebuilt } from './useRebuilt';

interface Props {
  readonly shapes: RereadShapes;
  readonly onClose: () => void;
}

function ReadShapes({ shapes, onClose }: Props) {
  const editor = useEditor();
  const [asked, setAsked] = useState(FIRST_ASKED);
  const drawing = useMemo(() => {
    const state = editor.getState();
    return drawingOfShapes(shownFigure(state), shapes.roundId, shapes.ids, workOf(state));
  }, [editor, shapes]);
  const { rebuilt, share, sentence } = useRebuilt(drawing, 'Shapes', asked);
  // Where they will be: about the figure's own centre, on its page.
  const figure = useMemo(
    () => rebuilt && { ...rebuilt.figure, page: shownFigure(editor.getState()).page },
    [rebuilt, editor],
  );
  const take = (): void => {
    if (!rebuilt) return;
    onClose();
    const { rounds } = rebuilt.figure;
    act(editor, 'Read the symmetry', (figure) => withRoundsOf(figure, shapes.roundId, shapes.ids, rounds));
    const [first] = rounds;
    if (first) select(editor, first.id);
  };
  return (
    <div className="flex flex-col gap-3">
      {sentence !== null && (
        <p role="alert" className="text-coral-text">
          {sentence}
        </p>
      )}
      {share !== null && <ProgressBar label="Reading their symmetry" share={share} />}
      {rebuilt && figure && (
        <>
          <Picture figure={figure} marks={<DifferingMarks figure={figure} told={rebuilt.told} />} />
          <ReadRounds told={rebuilt.told} unit={drawing.unit} asked={asked} onAsk={setAsked} />
        </>
      )}
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>Leave them as they are</Button>
        <Button tone="main" disabled={!rebuilt || share !== null || !isAnything(rebuilt.told)} onClick={take}>
          Make rounds of them
        </Button>
      </div>
    </div>
  );
}

/** Shapes that are here already, read as finished artwork is. */
export function ReadSheet() {
  const editor = useEditor();
  const shapes = useEditorState((state) => state.rereading);
  const close = (): void => editor.setState({ rereading: null });
  return (
    <Sheet title="Read the symmetry of what is selected" open={shapes !== null} onClose={close} wide>
      {shapes && <ReadShapes shapes={shapes} onClose={close} />}
    </Sheet>
  );
}
