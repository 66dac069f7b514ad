'use client';

import { useState } from 'react';

import type { TidyReport } from '@/core/curve';
import type { Round, Shape } from '@/core/figure';
import { tidyShapes } from '@/core/figure/commands';
import { aboveZero } from '@/core/finding';
import { commit, shownFigure } from '@/state';
import { Button, LengthField, Row, Segmented } from '@/ui/common';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { usePageLength } from './usePageLength';

const plural = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

/** What tidying did, in words. */
function wordsOf({ before, after, doubled, needless, closed, slivers, lines }: TidyReport): string {
  const parts = [
    lines > 0 && plural(lines, 'doubled line', 'doubled lines'),
    doubled > 0 && plural(doubled, 'doubled node', 'doubled nodes'),
    needless > 0 && plural(needless, 'needless node', 'needless nodes'),
    slivers > 0 && plural(slivers, 'sliver', 'slivers'),
  ].filter(Boolean);
  const gone = parts.length > 0 ? `Took away ${parts.join(', ')}` : '';
  const gaps = closed > 0 ? `closed ${plural(closed, 'gap', 'gaps')}` : '';
  const done = [gone, gaps].filter(Boolean).join(', ');
  return done === ''
    ? 'Nothing to tidy: no line or node is doubled or needless.'
    : `${done}: ${before} nodes before, ${after} after.`;
}

interface Props {
  readonly round: Round;
  readonly shapes: readonly Shape[];
}

/** Takes away what is doubled, needless or too small to be seen, and says what that was. */
export function TidyFields({ round, shapes }: Props) {
  const work = useWork();
  const editor = useEditor();
  const { unit } = useEditorState((state) => shownFigure(state).page);
  const [width, setWidth] = usePageLength(0.025);
  const [plain, setPlain] = useState(false);
  const [report, setReport] = useState<string | null>(null);
  const arePaths = shapes.every(({ form }) => form.kind === 'path');
  const hasPath = shapes.some(({ form }) => form.kind === 'path');

  const tidy = (): void => {
    const ids = new Set(shapes.map(({ id }) => id));
    const tidied = tidyShapes(shownFigure(editor.getState()), round.id, ids, width, plain, work);
    const { before, after, closed, lines } = tidied.report;
    setReport(wordsOf(tidied.report));
    if (before !== after || closed > 0 || lines > 0) commit(editor, 'Tidy', tidied.figure);
  };

  return (
    <>
      <LengthField
        label="Tidy below"
        caption="Tidy below"
        value={width}
        in={unit}
        refuse={aboveZero('What is tidied', 10)}
        onChange={setWidth}
      />
      {!arePaths && (
        <Row caption="Live ones">
          <Segmented
            label="Constructions with doubled lines"
            value={plain ? 'plain' : 'live'}
            choices={[
              { value: 'live', label: 'Stay live' },
              { value: 'plain', label: 'Tidy too' },
            ]}
            onChange={(next) => setPlain(next === 'plain')}
          />
        </Row>
      )}
      <Button
        disabled={round.locked || (!plain && !hasPath)}
        title="Takes away doubled lines, doubled and needless nodes and slivers, closes hairline gaps"
        onClick={tidy}
      >
        Tidy
      </Button>
      {report && (
        <p role="status" className="text-[12px] leading-4 text-muted">
          {report}
        </p>
      )}
    </>
  );
}
