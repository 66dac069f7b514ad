'use client';

import { useEditor, useRestState, useWork } from '@/ui/desk';
import { NO_TURN } from '@/core/number';
import type { Scene } from '@/core/scene';
import { activeRound, benchRadius, type EditorState, type PaneId, sceneOf, shownFigure } from '@/state';
import { Tray } from '@/ui/bench';
import { SmallScene } from '@/ui/common';
import { FoldControl } from '@/ui/whole';

/** The motif upright on a page of its own, as the Bench has it: its centre at the foot. */
function motifScene(state: EditorState, radius: number): Scene {
  const scene = sceneOf(state);
  const round = activeRound(state);
  const side = radius * 1.06;
  return {
    ...scene,
    page: { ...scene.page, width: side, height: side, bleed: 0, centre: { x: 0, y: side / 2 } },
    layers: scene.layers
      .filter(({ roundId }) => roundId === round?.id)
      .map((layer) => ({ ...layer, copies: [{ turn: NO_TURN }] })),
  };
}

/**
 * What stays in sight of a pane that another one has the place of: a small live picture of it, which a click puts in that place; over Whole
 * the tools, over the Bench the fold.
 */
export function OtherPane({ pane, small = false }: { readonly pane: PaneId; readonly small?: boolean }) {
  const editor = useEditor();
  const state = useRestState();
  const work = useWork();
  const round = activeRound(state);
  const name = pane === 'whole' ? 'Whole' : 'Bench';
  const scene = pane === 'whole' ? sceneOf(state) : motifScene(state, benchRadius(shownFigure(state), work));
  return (
    <>
      <button
        type="button"
        aria-label={`Show ${name}`}
        title={`${name} (${pane === 'whole' ? 'M' : 'B'})`}
        className={`absolute z-10 flex flex-col gap-1 rounded-[10px] border border-line-strong bg-shell p-1.5 text-left shadow-ui hover:border-edge ${small ? 'right-2 bottom-2 w-[84px]' : 'top-[46px] right-3 w-[124px]'}`}
        onClick={() => editor.setState({ wide: pane })}
      >
        <SmallScene scene={scene} id={`other-${pane}`} />
        <span className="text-[12px] text-muted">{name}</span>
      </button>
      {pane === 'bench' && !small && <Tray />}
      {pane === 'whole' && !small && round && (
        <FoldControl
          name={round.name}
          rule={round.rule}
          locked={round.locked}
          place="top-0 right-3 max-[560px]:hidden"
        />
      )}
    </>
  );
}
