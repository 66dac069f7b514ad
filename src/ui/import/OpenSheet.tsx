'use client';

import { useMemo, useState } from 'react';

import type { Figure } from '@/core/figure';
import { type Drawing, figureOfDrawing, type FigureTaken, type TakenBy } from '@/core/format/drawing';
import { newId } from '@/state';
import { Button, ChoiceRow, Sheet } from '@/ui/common';
import { DrawingFacts } from './DrawingFacts';
import { ReadingProgress } from './ReadingProgress';
import { DifferingMarks } from './ReadRounds';
import { TakenAsRows } from './TakenAsRows';
import { useDrawing } from './useDrawing';
import { useTakenAs } from './useTakenAs';

export interface FileText {
  readonly name: string;
  readonly text: string;
}

interface Props {
  readonly file: FileText | null;
  readonly onClose: () => void;
  readonly onTake: (figure: Figure) => void;
}

/** An SVG file that becomes a figure of its own. */
export function OpenSheet({ file, onClose, onTake }: Props) {
  const reading = useDrawing(file?.text ?? null);
  return (
    <Sheet title={file ? `Open ${file.name}` : 'Open'} open={file !== null} onClose={onClose} wide>
      {reading.kind === 'reading' && <ReadingProgress share={reading.share} onStop={onClose} />}
      {reading.kind === 'failed' && <Refused sentence={reading.sentence} onClose={onClose} />}
      {reading.kind === 'read' && file && (
        <Choice drawing={reading.drawing} name={file.name} onClose={onClose} onTake={onTake} />
      )}
    </Sheet>
  );
}

export function Refused({ sentence, onClose }: { readonly sentence: string; readonly onClose: () => void }) {
  return (
    <div className="flex flex-col gap-3">
      <p role="alert" className="text-coral-text">
        {sentence}
      </p>
      <Button className="self-end" onClick={onClose}>
        Close
      </Button>
    </div>
  );
}

const CENTRES: readonly { readonly value: TakenBy; readonly label: string }[] = [
  { value: 'page', label: 'Page’s middle' },
  { value: 'middle', label: 'Artwork’s middle' },
  { value: 'origin', label: 'Its own 0, 0' },
];

function Choice({
  drawing,
  name,
  onClose,
  onTake,
}: {
  readonly drawing: Drawing;
  readonly name: string;
  readonly onClose: () => void;
  readonly onTake: (figure: Figure) => void;
}) {
  const [by, setBy] = useState<TakenBy>('page');
  const made = useMemo(() => figureOfDrawing(drawing, name, newId, by), [drawing, name, by]);
  if (!made.ok) return <Refused sentence={made.finding.sentence} onClose={onClose} />;
  return (
    <Made
      drawing={drawing}
      name={name}
      drawn={made.value}
      by={by}
      setBy={setBy}
      onClose={onClose}
      onTake={onTake}
    />
  );
}

interface MadeProps {
  readonly drawing: Drawing;
  readonly name: string;
  /** The figure of the drawing as it is. */
  readonly drawn: FigureTaken;
  readonly by: TakenBy;
  readonly setBy: (by: TakenBy) => void;
  readonly onClose: () => void;
  readonly onTake: (figure: Figure) => void;
}

function Made({ drawing, name, drawn, by, setBy, onClose, onTake }: MadeProps) {
  const state = useTakenAs(drawing, name, drawn.figure);
  const rebuilt = state.as === 'rounds' ? state.rebuilt : null;
  const { figure, left } = rebuilt ?? drawn;
  const isWritten = drawn.figure.rounds.some(({ rule }) => rule.fold > 1);
  const differing = rebuilt && rebuilt.told.differing.length > 0;
  return (
    <div className="flex flex-col gap-3">
      <DrawingFacts
        drawing={drawing}
        figure={figure}
        left={left}
        isRead={rebuilt !== null}
        marks={differing && <DifferingMarks figure={figure} told={rebuilt.told} />}
      />
      <TakenAsRows drawing={drawing} state={state} />
      {state.as === 'drawn' && isWritten && (
        <p className="text-[12px] leading-4 text-muted">
          Parts that are used again and again around a centre come as rounds, with their folds.
        </p>
      )}
      {state.as === 'drawn' && !isWritten && (
        <ChoiceRow label="Its centre" value={by} choices={CENTRES} onChange={setBy} />
      )}
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button tone="main" disabled={!state.isThere} onClick={() => onTake(figure)}>
          {left.length > 0 ? 'Open without these' : 'Open as a figure'}
        </Button>
      </div>
    </div>
  );
}
