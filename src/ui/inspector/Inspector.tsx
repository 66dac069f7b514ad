'use client';

import { memo } from 'react';

import type { Round, Shape } from '@/core/figure';
import {
  activeRound,
  type EditorState,
  isLaid,
  isOverRounds,
  type Level,
  measuredRound,
  selectedShapes,
  shapesOfParts,
  shownFigure,
  shownLevel,
  type Stage,
} from '@/state';
import { PanelState, plural, useCalmState, useEditor } from '@/ui/desk';
import { MotifDock } from '@/ui/motif';
import { ArrangePanel } from './ArrangePanel';
import { AxisPanel } from './AxisPanel';
import { BendPanel } from './BendPanel';
import { ColourPanel } from './ColourPanel';
import { CombinePanel } from './CombinePanel';
import { FitPanel } from './FitPanel';
import { FramePanel } from './FramePanel';
import { HalfPanel } from './HalfPanel';
import { Levels } from './Levels';
import { MergePanel } from './MergePanel';
import { NodePanel } from './NodePanel';
import { PagePanel } from './PagePanel';
import { SlidersPanel } from './SlidersPanel';
import { PlaceSizePanel } from './PlaceSizePanel';
import { RoundHeader } from './RoundHeader';
import { SeveralPanel } from './SeveralPanel';
import { ShapePanel } from './ShapePanel';
import { FormTrialsPanel } from '@/ui/trial';
import { firstNumber } from '@/core/trial';
import { isBuilt } from '@/core/maker';
import { nameOfSelected, ShapesHeader } from './ShapesHeader';
import { SnapPanel } from './SnapPanel';
import { ToolPanel } from './ToolPanel';
import { TransformPanel } from './TransformPanel';
import { TurnPanel } from './TurnPanel';
import { UnderlayPanel } from './UnderlayPanel';
import { UsePanel } from './UsePanel';
import { WedgePanel } from './WedgePanel';

/** The sections for the stage and the selection. They follow a little behind the panes, and at once what is done in them. */
export function Inspector() {
  const { state, hands } = useCalmState();
  return (
    <aside
      aria-label="Inspector"
      className="isolate flex min-h-0 min-w-0 flex-col border-l border-line bg-shell"
      {...hands}
    >
      <PanelState value={state}>
        <Sections state={state} />
      </PanelState>
    </aside>
  );
}

/** Stages in which the motif's list stands at the foot; in others what is worked on is listed otherwise. */
const WITH_MOTIF: readonly Stage[] = ['setout', 'draw', 'turn', 'merge'];

const Sections = memo(function Sections({ state }: { readonly state: EditorState }) {
  const editor = useEditor();
  const { page } = shownFigure(state);
  const round = activeRound(state);
  if (!round) return null;
  const chosen = selectedShapes(state);
  const level = shownLevel(state);
  const { stage } = state;

  return (
    <>
      <Levels
        level={level}
        names={{
          page: 'Page',
          round: `${round.name} ×${round.rule.fold}`,
          shapes: isOverRounds(state)
            ? plural(shapesOfParts(state).length, 'shape', 'shapes')
            : chosen.length > 0
              ? nameOfSelected(round, chosen)
              : null,
        }}
        note={{
          page: 'Size, unit, background and underlay',
          round: 'The round that is worked on',
          shapes: chosen.length > 0 ? 'What is selected' : 'Nothing is selected',
        }}
        onLevel={(next) => editor.setState({ level: next })}
      />
      <div key={level} role="tabpanel" className="min-h-0 flex-1 overflow-y-auto overscroll-contain">
        {level === 'page' && (
          <>
            <PagePanel page={page} />
            <SlidersPanel />
            <UnderlayPanel />
          </>
        )}
        {level === 'round' && (
          <>
            <RoundHeader round={round} />
            <RoundSections stage={stage} round={round} chosen={chosen} />
          </>
        )}
        {level === 'shapes' && isOverRounds(state) && <SeveralPanel state={state} />}
        {level === 'shapes' && !isOverRounds(state) && (
          <>
            <ShapesHeader round={round} shapes={chosen} />
            <ShapeSections state={state} round={round} shapes={chosen} />
          </>
        )}
      </div>
      {WITH_MOTIF.includes(stage) && level !== ('page' satisfies Level) && <MotifDock round={round} />}
    </>
  );
});

interface RoundProps {
  readonly stage: Stage;
  readonly round: Round;
  readonly chosen: readonly Shape[];
}

/** What a stage does with a round. */
function RoundSections({ stage, round, chosen }: RoundProps) {
  switch (stage) {
    case 'setout':
      return (
        <>
          <ToolPanel chosen={chosen} />
          <FramePanel round={round} />
          <SnapPanel />
        </>
      );
    case 'draw':
      return (
        <>
          <ToolPanel chosen={chosen} />
          <HalfPanel round={round} />
          <FitPanel round={round} shapes={round.shapes} />
          <WedgePanel round={round} />
          <SnapPanel />
        </>
      );
    case 'turn':
      return <TurnPanel round={round} />;
    case 'merge':
      return <MergePanel round={round} />;
    case 'colour':
      return <ColourPanel round={round} />;
    case 'proof':
      return null;
  }
}

interface ShapeProps {
  readonly state: EditorState;
  readonly round: Round;
  readonly shapes: readonly Shape[];
}

/** What is done with selected shapes: in Colour their paint first, in Merge what they become together. */
function ShapeSections({ state, round, shapes }: ShapeProps) {
  const { stage, tool, selection } = state;
  const [shape, another] = shapes;
  const single = shape && !another ? shape : null;
  if (stage === 'colour') return <ColourPanel round={round} />;
  const combine = (
    <CombinePanel key={`combine ${shapes.map(({ id }) => id).join(' ')}`} round={round} shapes={shapes} />
  );
  return (
    <>
      <ToolPanel chosen={shapes} />
      {round.half && stage === 'draw' && <HalfPanel round={round} />}
      {stage === 'merge' && combine}
      {single && tool === 'nodes' && selection.nodes.size > 0 && <NodePanel round={round} shape={single} />}
      <UsePanel round={round} shapes={shapes} />
      {single && <ShapePanel key={single.id} round={round} shape={single} />}
      <PlaceSizePanel round={measuredRound(state, round)} shapes={shapes} straight={isLaid(state)} />
      <BendPanel round={round} shapes={shapes} />
      <AxisPanel round={round} shapes={shapes} />
      <TransformPanel round={measuredRound(state, round)} shapes={shapes} straight={isLaid(state)} />
      <ArrangePanel round={round} shapes={shapes} />
      <FitPanel round={round} shapes={shapes} />
      {stage !== 'merge' && combine}
      {stage === 'draw' && <WedgePanel round={round} shapes={shapes} />}
      {single && isBuilt(single.form) && (
        <FormTrialsPanel first={`${single.id} ${firstNumber(single.form)}`} />
      )}
      <SnapPanel />
    </>
  );
}
