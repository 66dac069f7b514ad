'use client';

import { zeroOrMore } from '@/core/finding';
import {
  anchorOf,
  groupsAround,
  holdsCentre,
  isLive,
  type Round,
  seenPaths,
  type Shape,
} from '@/core/figure';
import { type FitBy, fitNeighbours, fittedForm, neighbourGap, widenedForm } from '@/core/maker';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { useMemo, useState } from 'react';

import { setFold, withShapes } from '@/core/figure/commands';
import { areOwnMirror } from '@/core/curve';
import { printNumber } from '@/core/format';
import { act, shownFigure } from '@/state';
import { Button, Fact, LengthField, Row, Section, Segmented } from '@/ui/common';

/** Curves of a motif that is not its own reflection; more take longer to compare than a person waits. */
const MOST_SEGMENTS = 80;

interface Props {
  readonly round: Round;
  /** What is fitted: the selection, or the whole motif. */
  readonly shapes: readonly Shape[];
}

/** Solves for what makes neighbouring copies touch, or keep a gap. */
export function FitPanel({ round, shapes }: Props) {
  const work = useWork();
  const editor = useEditor();
  const { unit } = useEditorState((state) => shownFigure(state).page);
  const [gap, setGap] = useState(0);
  const [by, setBy] = useState<FitBy>('size');
  const [problem, setProblem] = useState<string | null>(null);
  // Where every second copy is a reflection, neighbours meet as reflections do.
  const rule = useMemo(
    () => (round.rule.alternate ? { ...round.rule, mirror: true } : round.rule),
    [round.rule],
  );
  const live = useEditorState((state) => state.live !== null);
  // Neighbours that are reflections of each other are compared at once; others curve by curve, which takes longer.
  const paths = useMemo(
    () => seenPaths(round, work, new Set(shapes.map(({ id }) => id))),
    [round, shapes, work],
  );
  const quick = useMemo(() => rule.mirror || areOwnMirror(paths, 1e-9), [paths, rule.mirror]);
  const tooMany = !quick && paths.reduce((sum, { segments }) => sum + segments.length, 0) > MOST_SEGMENTS;
  const now = useMemo(
    () => (live || tooMany ? null : neighbourGap(paths, rule)),
    [live, tooMany, paths, rule],
  );
  const [first] = shapes;
  if (!first || rule.fold < 3) return null;
  if (tooMany)
    return (
      <Section title="Fit neighbours">
        <p className="text-[12px] leading-4 text-muted">
          Select the shapes that are to meet their neighbours: the whole motif has too many curves to compare.
        </p>
      </Section>
    );
  // A width that is changed changes what is combined in no simple way.
  const isCombined = shapes.some((shape) => isLive(shape) || groupsAround(round, shape).some(isLive));
  const hasWidth = !isCombined && shapes.every(({ form }) => widenedForm(form, 1) !== null);
  const chosen = by === 'width' && !hasWidth ? 'size' : by;
  const fit = (): void => {
    const about = anchorOf(first);
    const result = fitNeighbours(
      shapes.map(({ form }) => form),
      paths,
      rule,
      chosen,
      gap,
      about,
      work,
    );
    setProblem(result.ok ? null : result.finding.sentence);
    if (!result.ok) return;
    const ids = new Set(shapes.map(({ id }) => id));
    act(editor, 'Fit neighbours', (figure) =>
      chosen === 'fold'
        ? setFold(figure, round.id, result.value)
        : withShapes(figure, round.id, ids, (shape) => ({
            ...shape,
            form: fittedForm(shape.form, chosen, result.value, about),
          })),
    );
  };
  // What touches to the last digits but two is said to touch.
  const touches = now !== null && Math.abs(now) < 1e-7;
  const size = now === null ? '…' : `${printNumber(Math.abs(now), 4)} ${unit}`;
  // Of what goes round the centre, as its copies do, no overlap is to be measured.
  const isHeld = holdsCentre(round, work);
  const overlaps = now !== null && now < 0 && !touches;
  return (
    <Section title="Fit neighbours" note={shapes.length === 1 ? first.name : 'the motif'}>
      <Fact caption={touches ? 'Neighbours' : overlaps ? 'Overlap' : 'Gap now'}>
        {touches ? 'touch' : now === null || (Number.isFinite(now) && !(overlaps && isHeld)) ? size : 'yes'}
      </Fact>
      <LengthField
        label="Gap to keep"
        caption="Gap"
        value={gap}
        in={unit}
        refuse={zeroOrMore('A gap')}
        onChange={setGap}
      />
      <Row caption="By changing">
        <Segmented
          label="By changing"
          value={chosen}
          choices={[
            { value: 'size', label: 'Size' },
            ...(hasWidth ? [{ value: 'width' as const, label: 'Width' }] : []),
            { value: 'distance', label: 'Place' },
            { value: 'fold', label: 'Fold' },
          ]}
          onChange={(value) => {
            setBy(value);
            setProblem(null);
          }}
        />
      </Row>
      {problem && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          {problem}
        </p>
      )}
      <Button disabled={round.locked} onClick={fit}>
        {gap === 0 ? 'Make them touch' : 'Keep this gap'}
      </Button>
    </Section>
  );
}
