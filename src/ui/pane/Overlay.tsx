'use client';

import { useDrawnState, useWork } from '@/ui/desk';
import type { Work } from '@/core/derive';
import { Fragment } from 'react';

import { type Affine, applyTo, boundsOfPaths, type Path, pathOfNodes } from '@/core/curve';
import { pathData, screenData } from '@/core/format';
import { handlesOfShape, resolvedMotif, type Round, type Shape, straightOf } from '@/core/figure';
import {
  activeRound,
  bentIds,
  chosenHandle,
  type EditorState,
  type PaneId,
  partMap,
  selectedShapes,
  shownFigure,
  toScreen,
  type View,
} from '@/state';
import {
  gradientRun,
  heldStrip,
  type HeldStrip,
  liesIn,
  placementIn,
  selectionBox,
  underlayBox,
  viewOf,
} from '@/ui/tools';
import { pathsOfForm } from '@/core/maker';
import { placementMap } from '@/core/symmetry';
import { Arms, PathNodes, Square, type Project } from './NodeMarks';
import { BoxHandles, CrossHair, GradientLine, Measured, PickedMarks, Pivot } from './overlayMarks';

/** Of a placed figure the box alone is shown: all its lines would cover what it draws. */
function boxData({ form }: Shape, work: Work): string {
  const { left, right, top, bottom } = boundsOfPaths(pathsOfForm(form, work));
  return `M${left} ${top}H${right}V${bottom}H${left}Z`;
}

/** From a motif to a pane's pixels, as SVG says it. */
const viewTransform = ({ x, y, scale }: View, { a, b, c, d, e, f }: Affine): string =>
  `translate(${x} ${y}) scale(${scale}) matrix(${a} ${b} ${c} ${d} ${e} ${f})`;

/** The line that says that a shape is selected. */
const SelectedOutline = ({ shape, work }: { readonly shape: Shape; readonly work: Work }) => (
  <path
    d={shape.form.kind === 'drawing' ? boxData(shape, work) : screenData(pathsOfForm(shape.form, work))}
    stroke="var(--coral)"
    strokeWidth={1.5}
    vectorEffect="non-scaling-stroke"
  />
);

/** The outlines of selected shapes that lie in strips, as they are bent. */
function bentOutlines(round: Round, shapes: readonly Shape[], work: Work): Path[] {
  const ids = bentIds(round);
  const wanted = shapes.filter(({ id }) => ids.has(id));
  if (wanted.length === 0) return [];
  return resolvedMotif(round, work)
    .filter(({ shape }) => straightOf(wanted, shape.id) !== undefined)
    .flatMap(({ shape }) => pathsOfForm(shape.form, work));
}

/** The middle line of a selected strip, and its handles. */
function BendMarks({ held, project }: { readonly held: HeldStrip; readonly project: Project }) {
  return (
    <g data-testid="bend">
      {held.handles.map(({ id, point }) => (
        <Square key={id} at={project(point)} full={false} name={`bend ${id}`} />
      ))}
    </g>
  );
}

interface DraftProps {
  readonly draft: NonNullable<EditorState['draft']>;
  /** From the motif to the pane's pixels. */
  readonly transform: string;
  readonly project: Project;
}

/** A path that is being drawn, up to where its next node would be. */
function DraftPath({ draft, transform, project }: DraftProps) {
  return (
    <g>
      <path
        transform={transform}
        d={pathData(
          [
            pathOfNodes(
              draft.next ? [...draft.nodes, { ...draft.next, kind: 'corner' }] : draft.nodes,
              false,
            ),
          ],
          5,
        )}
        fill="none"
        stroke="var(--coral)"
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
      {draft.nodes.map((node, k) => (
        <Fragment key={k}>
          <Arms node={node} name={`draft-${k}`} project={project} />
          <Square at={project(node)} full={k === 0} name={`draft-${k}`} />
        </Fragment>
      ))}
    </g>
  );
}

/** A box that is drawn to select by, in pixels of the pane. */
function DrawnBox({ from, to }: Pick<NonNullable<EditorState['box']>, 'from' | 'to'>) {
  return (
    <rect
      x={Math.min(from.x, to.x)}
      y={Math.min(from.y, to.y)}
      width={Math.abs(to.x - from.x)}
      height={Math.abs(to.y - from.y)}
      fill="var(--coral)"
      fillOpacity={0.08}
      stroke="var(--coral)"
      strokeDasharray="4 3"
    />
  );
}

/** What a pane shows over the artwork: the selection, its handles and nodes, what is being drawn. */
export function Overlay({ pane }: { readonly pane: PaneId }) {
  const work = useWork();
  const state = useDrawnState();
  if (state.quiet) return null;
  const view = viewOf(state, pane);
  const placement = placementMap(placementIn(state, pane));
  const project: Project = (p) => toScreen(view, applyTo(placement, p));
  const round = activeRound(state);
  const shapes = selectedShapes(state);
  const [only] = shapes;
  const isHeld =
    shapes.length === 1 && only && !only.locked && !round?.locked && liesIn(state, pane, only.id);
  const single = isHeld ? only : null;
  const outlined = shapes.filter(({ id }) => liesIn(state, pane, id));
  const bent = pane === 'lane' || !round ? [] : bentOutlines(round, shapes, work);
  const strip = heldStrip(state, pane);
  const editing =
    state.tool === 'select' || state.tool === 'nodes' || state.stage === 'draw' || state.stage === 'setout';
  const motifTransform = viewTransform(view, placement);
  const { draft, box, pointer } = state;
  const measured = state.tool === 'measure' || state.tool === 'slit' ? state.measured : null;
  const caught =
    pointer?.pane === pane && pointer.snapped.caught.length > 0 ? project(pointer.snapped.point) : null;

  const run = gradientRun(state, pane);

  return (
    <g pointerEvents="none">
      <g transform={motifTransform} fill="none">
        {outlined.map((shape) => (
          <SelectedOutline key={shape.id} shape={shape} work={work} />
        ))}
        {bent.length > 0 && (
          <path
            d={screenData(bent)}
            stroke="var(--coral)"
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        )}
      </g>
      {(pane === 'lane' ? [] : [...state.selection.others]).map(([id, { ids, placement: copy }]) => (
        <g key={id} transform={viewTransform(view, partMap(state, pane, copy))} fill="none">
          {shownFigure(state)
            .rounds.find((each) => each.id === id)
            ?.shapes.filter((shape) => ids.has(shape.id))
            .map((shape) => (
              <SelectedOutline key={shape.id} shape={shape} work={work} />
            ))}
        </g>
      ))}
      <BoxHandles own={selectionBox(state, pane)} name={`selection-box-${pane}`} project={project} />
      {strip && <BendMarks held={strip} project={project} />}
      <BoxHandles own={underlayBox(state, pane)} name="underlay-box" project={project} />
      {single && editing && single.form.kind !== 'path' && (
        <g>
          {handlesOfShape(single, work).map(({ id, point }) => (
            <Square key={id} at={project(point)} full={false} name={id} />
          ))}
        </g>
      )}
      {run && <GradientLine run={run} project={project} />}
      {single && state.tool === 'nodes' && (
        <PathNodes
          shape={single}
          chosen={state.selection.nodes}
          held={chosenHandle(state)?.side ?? null}
          project={project}
          transform={motifTransform}
        />
      )}
      {draft && <DraftPath draft={draft} transform={motifTransform} project={project} />}
      {state.pivot && shapes.length > 0 && state.stage === 'draw' && <Pivot at={project(state.pivot)} />}
      {pane === 'bench' && state.picking?.marks && (
        <PickedMarks marks={state.picking.marks} project={project} />
      )}
      {measured?.pane === pane && <Measured from={measured.from} to={measured.to} project={project} />}
      {pane === 'bench' && state.cross && <CrossHair at={project(state.cross)} />}
      {caught && (
        <circle cx={caught.x} cy={caught.y} r={6.5} fill="none" stroke="var(--brass)" strokeWidth={1.7} />
      )}
      {box?.pane === pane && <DrawnBox {...box} />}
    </g>
  );
}
