'use client';

import { Eye, EyeOff, Lock, LockOpen } from 'lucide-react';

import { lockRound, renameRound, showRound } from '@/core/figure/commands';
import { memo, useDeferredValue } from 'react';

import { act, activeRound, selectedShapes, shownFigure, type EditorState } from '@/state/editor';
import { IconButton } from '../common/Button';
import { DotsMenu } from '../common/Menu';
import { TextField } from '../common/TextField';
import { useEditor } from '../editor/EditorContext';
import { roundActions } from '../reach/roundActions';
import { ArrangePanel } from './ArrangePanel';
import { ColourPanel } from './ColourPanel';
import { CombinePanel } from './CombinePanel';
import { FitPanel } from './FitPanel';
import { HalfPanel } from './HalfPanel';
import { FramePanel } from './FramePanel';
import { MergePanel } from './MergePanel';
import { NodePanel } from './NodePanel';
import { PagePanel } from './PagePanel';
import { ShapeList } from './ShapeList';
import { ShapePanel } from './ShapePanel';
import { SnapPanel } from './SnapPanel';
import { ToolPanel } from './ToolPanel';
import { TransformPanel } from './TransformPanel';
import { TurnPanel } from './TurnPanel';
import { UnderlayPanel } from './UnderlayPanel';
import { useCalmState } from './useCalmState';
import { WedgePanel } from './WedgePanel';

/** The sections for the stage and the selection. While something is dragged they follow a little behind the panes. */
export function Inspector() {
  return <Sections state={useDeferredValue(useCalmState())} />;
}

const Sections = memo(function Sections({ state }: { readonly state: EditorState }) {
  const editor = useEditor();
  const { rounds, page } = shownFigure(state);
  const round = activeRound(state);
  const { stage } = state;
  const chosen = selectedShapes(state);
  const [shape, another] = chosen;
  const single = shape && !another ? shape : null;
  if (!round) return <aside aria-label="Inspector" className="border-l border-line bg-shell" />;
  const index = rounds.indexOf(round);
  const count = round.shapes.length;
  const { fold, mirror } = round.rule;

  return (
    <aside
      aria-label="Inspector"
      className="min-w-0 overflow-y-auto overscroll-contain border-l border-line bg-shell"
    >
      <div className="border-b border-line px-4 pt-2.5 pb-3">
        <div className="flex items-center gap-0.5">
          <TextField
            label="Name of the round"
            value={round.name}
            className="-ml-1.5 h-[30px] flex-1 font-title text-[17px] font-semibold"
            onChange={(name) => act(editor, 'Rename round', (figure) => renameRound(figure, round.id, name))}
          />
          <IconButton
            label={round.visible ? 'Hide round' : 'Show round'}
            onClick={() =>
              act(editor, round.visible ? 'Hide round' : 'Show round', (f) =>
                showRound(f, round.id, !round.visible),
              )
            }
          >
            {round.visible ? <Eye size={16} strokeWidth={1.7} /> : <EyeOff size={16} strokeWidth={1.7} />}
          </IconButton>
          <IconButton
            label={round.locked ? 'Unlock round' : 'Lock round'}
            onClick={() =>
              act(editor, round.locked ? 'Unlock round' : 'Lock round', (f) =>
                lockRound(f, round.id, !round.locked),
              )
            }
          >
            {round.locked ? <Lock size={16} strokeWidth={1.7} /> : <LockOpen size={16} strokeWidth={1.7} />}
          </IconButton>
          <DotsMenu label={`More for ${round.name}`} entries={roundActions(editor, round)} />
        </div>
        <p className="flex justify-between gap-2 text-[12px] text-muted">
          <span>
            {count === 1 ? '1 shape' : `${count} shapes`}, {fold}-fold{mirror ? ', mirrored' : ''}
          </span>
          <span>
            round {index + 1} of {rounds.length}
          </span>
        </p>
      </div>
      {stage === 'setout' && (
        <>
          <ToolPanel chosen={chosen} />
          {single && <ShapePanel key={single.id} round={round} shape={single} />}
          <FramePanel round={round} />
          <UnderlayPanel />
          <PagePanel page={page} />
          <SnapPanel />
        </>
      )}
      {stage === 'draw' && (
        <>
          <ToolPanel chosen={chosen} />
          {(round.half ?? chosen.length === 0) && <HalfPanel round={round} />}
          {single && state.tool === 'nodes' && state.selection.nodes.size > 0 && (
            <NodePanel round={round} shape={single} />
          )}
          {single && <ShapePanel key={single.id} round={round} shape={single} />}
          {chosen.length > 0 && <TransformPanel round={round} shapes={chosen} />}
          <ArrangePanel round={round} shapes={chosen} />
          <FitPanel round={round} shapes={chosen.length > 0 ? chosen : round.shapes} />
          <ShapeList round={round} />
          {!round.half && chosen.length > 0 && <HalfPanel round={round} />}
          <SnapPanel />
          <WedgePanel round={round} />
        </>
      )}
      {stage === 'turn' && <TurnPanel round={round} />}
      {stage === 'merge' && (
        <>
          <CombinePanel
            key={`combine ${chosen.map(({ id }) => id).join(' ')}`}
            round={round}
            shapes={chosen}
          />
          <MergePanel round={round} />
          {single && <ShapePanel key={single.id} round={round} shape={single} />}
        </>
      )}
      {stage === 'colour' && <ColourPanel round={round} />}
    </aside>
  );
});
