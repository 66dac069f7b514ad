'use client';

import { useWork } from '@/ui/editor/useWork';
import type { Work } from '@/core/derive';
import { Fragment, memo } from 'react';

import { nodesOfContours } from '@/core/curve/contours';
import { applyTo } from '@/core/curve/affine';
import { boundsOfPaths } from '@/core/curve/bounds';
import { pathOfNodes, type HandleSide, type PathNode } from '@/core/curve/nodes';
import { polarOf, subtract, type Point } from '@/core/curve/point';
import { pathData, printNumber } from '@/core/format/pathData';
import type { Shape } from '@/core/figure/model';
import { handlesOfForm, pathsOfForm } from '@/core/maker/form';
import { placementMap } from '@/core/symmetry/rule';
import { activeRound, selectedShapes, shownFigure, type PaneId } from '@/state/editor';
import { chosenHandle } from '@/state/chosen';
import { toScreen } from '@/state/viewport';
import { useDrawnState, useEditorState } from '../editor/EditorContext';
import { screenData } from '@/core/format/screenData';
import { selectionBox } from './boxGrips';
import { gradientRun, type End, type GradientRun } from './gradientRun';
import { placementIn, viewOf } from './pointer';

type Project = (p: Point) => Point;

function Square({ at, full, name }: { readonly at: Point; readonly full: boolean; readonly name: string }) {
  return (
    <rect
      data-handle={name}
      x={at.x - 4.5}
      y={at.y - 4.5}
      width={9}
      height={9}
      rx={1.5}
      fill={full ? 'var(--kelp)' : 'var(--field)'}
      stroke="var(--kelp)"
      strokeWidth={1.6}
    />
  );
}

interface DotProps {
  readonly at: Point;
  readonly name: string;
  readonly held: boolean;
}

const Dot = ({ at, name, held }: DotProps) => (
  <circle
    data-handle={name}
    cx={at.x}
    cy={at.y}
    r={held ? 5.5 : 4}
    fill="var(--kelp)"
    stroke={held ? 'var(--coral)' : 'var(--field)'}
    strokeWidth={held ? 2 : 1}
  />
);

/** A node's handles, each with the line to it; the one that arrow keys move larger. */
function Arms({
  node,
  name,
  held,
  project,
}: {
  readonly node: PathNode;
  readonly name: string | number;
  readonly held?: HandleSide | null | undefined;
  readonly project: Project;
}) {
  const at = project(node);
  return (['in', 'out'] as const).map((side) => {
    const arm = node[side] && project(node[side]);
    if (!arm) return null;
    return (
      <g key={side}>
        <line x1={at.x} y1={at.y} x2={arm.x} y2={arm.y} stroke="var(--kelp)" strokeWidth={1} />
        <Dot at={arm} name={`${side}-${name}`} held={held === side} />
      </g>
    );
  });
}

interface NodesProps {
  readonly shape: Shape;
  readonly held: HandleSide | null;
  readonly chosen: ReadonlySet<number>;
  readonly project: Project;
}

interface MarkProps {
  readonly index: number;
  readonly x: number;
  readonly y: number;
  readonly corner: boolean;
  readonly full: boolean;
}

/** A node's mark. Of many nodes a drag moves a few: the others are not drawn again. */
const NodeMark = memo(function NodeMark({ index, x, y, corner, full }: MarkProps) {
  if (corner) return <Square at={{ x, y }} full={full} name={`node-${index}`} />;
  return (
    <circle
      data-handle={`node-${index}`}
      cx={x}
      cy={y}
      r={4.8}
      fill={full ? 'var(--kelp)' : 'var(--field)'}
      stroke="var(--kelp)"
      strokeWidth={1.6}
    />
  );
});

function PathNodes({ shape, chosen, held, project }: NodesProps) {
  if (shape.form.kind !== 'path') return null;
  return nodesOfContours(shape.form.contours).map((node, k) => {
    const at = project(node);
    return (
      <Fragment key={k}>
        {chosen.has(k) && <Arms node={node} name={k} held={held} project={project} />}
        <NodeMark index={k} x={at.x} y={at.y} corner={node.kind === 'corner'} full={chosen.has(k)} />
      </Fragment>
    );
  });
}

/** The line that was measured, and its length and angle beside its middle. */
function Measured({
  from,
  to,
  project,
}: {
  readonly from: Point;
  readonly to: Point;
  readonly project: Project;
}) {
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const [a, b] = [project(from), project(to)];
  const { r, degrees } = polarOf(subtract(to, from));
  const apart = Math.abs(polarOf(to).degrees - polarOf(from).degrees);
  const words = `${printNumber(r, 3)} ${unit} at ${printNumber(degrees, 2)}°`;
  const more = `${printNumber(Math.min(apart, 360 - apart), 3)}° about the centre`;
  return (
    <g data-testid="measured">
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--ink)" strokeWidth={1.4} />
      {[a, b].map((end, k) => (
        <circle
          key={k}
          cx={end.x}
          cy={end.y}
          r={3}
          fill="var(--field)"
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
      ))}
      <text
        className="fill-ink font-mono text-[12px]"
        textAnchor="middle"
        stroke="var(--field)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        <tspan x={(a.x + b.x) / 2} y={(a.y + b.y) / 2 - 20}>
          {words}
        </tspan>
        <tspan x={(a.x + b.x) / 2} dy={15}>
          {more}
        </tspan>
      </text>
    </g>
  );
}

/** Of a placed figure the box alone is shown: all its lines would cover what it draws. */
function boxData({ form }: Shape, work: Work): string {
  const { left, right, top, bottom } = boundsOfPaths(pathsOfForm(form, work));
  return `M${left} ${top}H${right}V${bottom}H${left}Z`;
}

const lineData = (a: Point, b: Point): string => `M${a.x} ${a.y}L${b.x} ${b.y}`;

/** The box round what is selected, with the handles that scale and turn it. */
function SelectionBox({ pane, project }: { readonly pane: PaneId; readonly project: Project }) {
  const own = selectionBox(useDrawnState(), pane);
  if (!own) return null;
  const corners = own.corners.map(project);
  const d = `M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;
  const stalk = project(own.stalk);
  const knob = own.grips.find(({ side }) => side === null);
  const at = knob && project(knob.at);
  return (
    <g data-testid={`selection-box-${pane}`}>
      <path d={d} fill="none" stroke="var(--coral)" strokeDasharray="3 3" />
      {at && <path d={lineData(stalk, at)} stroke="var(--coral)" strokeDasharray="3 3" />}
      {own.grips.map(({ name, at: place, side }) => {
        const { x, y } = project(place);
        const look = { fill: 'var(--field)', stroke: 'var(--coral)', strokeWidth: 1.5 };
        return side ? (
          <rect
            key={name}
            data-handle={`box ${name}`}
            x={x - 4}
            y={y - 4}
            width={8}
            height={8}
            rx={1.5}
            {...look}
          />
        ) : (
          <circle key={name} data-handle="box turn" cx={x} cy={y} r={4.5} {...look} />
        );
      })}
    </g>
  );
}

/** Where keys alone draw. */
function CrossHair({ at }: { readonly at: Point }) {
  const d = `M${at.x - 16} ${at.y}h12m8 0h12M${at.x} ${at.y - 16}v12m0 8v12`;
  return (
    <g data-testid="cross-hair" fill="none">
      <path d={d} stroke="var(--field)" strokeWidth={4} />
      <path d={d} stroke="var(--ink)" strokeWidth={1.6} />
    </g>
  );
}

/** The point that a transform is about. */
function Pivot({ at }: { readonly at: Point }) {
  return (
    <g data-testid="pivot" stroke="var(--coral)" strokeWidth={1.6} fill="none">
      <circle cx={at.x} cy={at.y} r={6} />
      <path d={`M${at.x - 10} ${at.y}h20M${at.x} ${at.y - 10}v20`} />
    </g>
  );
}

const END_NAMES: Record<End, string> = {
  from: 'gradient start',
  to: 'gradient end',
  across: 'gradient across',
};

/** Where a gradient begins and ends, to be dragged. */
function GradientLine({ run, project }: { readonly run: GradientRun; readonly project: Project }) {
  const { stops } = run.gradient;
  const ends = [...run.ends].map(([end, place]) => ({ end, at: project(place) }));
  const [start] = ends;
  if (!start) return null;
  // The start last, so that it lies over both lines.
  return (
    <g data-testid="gradient-line">
      {ends.slice(1).map(({ end, at }) => (
        <g key={end} strokeDasharray={end === 'across' ? '4 4' : undefined}>
          <path d={lineData(start.at, at)} stroke="var(--field)" strokeWidth={4} />
          <path d={lineData(start.at, at)} stroke="var(--ink)" strokeWidth={1.6} />
        </g>
      ))}
      {[...ends].reverse().map(({ end, at }) => (
        <g key={end}>
          <circle cx={at.x} cy={at.y} r={8} fill="var(--field)" stroke="var(--ink)" strokeWidth={1.6} />
          <circle
            data-handle={END_NAMES[end]}
            cx={at.x}
            cy={at.y}
            r={5.5}
            fill={(end === 'from' ? stops[0] : stops.at(-1))?.colour}
          />
        </g>
      ))}
    </g>
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
  const single = shapes.length === 1 && only && !only.locked && !round?.locked ? only : null;
  const editing =
    state.tool === 'select' || state.tool === 'nodes' || state.stage === 'draw' || state.stage === 'setout';
  const motifTransform = `translate(${view.x} ${view.y}) scale(${view.scale}) matrix(${placement.a} ${placement.b} ${placement.c} ${placement.d} 0 0)`;
  const { draft, box, pointer } = state;
  const measured = state.tool === 'measure' || state.tool === 'slit' ? state.measured : null;
  const caught =
    pointer?.pane === pane && pointer.snapped.caught.length > 0 ? project(pointer.snapped.point) : null;

  const run = gradientRun(state, pane);

  return (
    <g pointerEvents="none">
      <g transform={motifTransform} fill="none">
        {shapes.map((shape) => (
          <path
            key={shape.id}
            d={
              shape.form.kind === 'drawing' ? boxData(shape, work) : screenData(pathsOfForm(shape.form, work))
            }
            stroke="var(--coral)"
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </g>
      <SelectionBox pane={pane} project={project} />
      {single && editing && single.form.kind !== 'path' && (
        <g>
          {handlesOfForm(single.form, work).map(({ id, point }) => (
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
        />
      )}
      {draft && (
        <g>
          <path
            transform={motifTransform}
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
      )}
      {state.pivot && shapes.length > 0 && state.stage === 'draw' && <Pivot at={project(state.pivot)} />}
      {measured?.pane === pane && <Measured from={measured.from} to={measured.to} project={project} />}
      {pane === 'bench' && state.cross && <CrossHair at={project(state.cross)} />}
      {caught && (
        <circle cx={caught.x} cy={caught.y} r={6.5} fill="none" stroke="var(--brass)" strokeWidth={1.7} />
      )}
      {box?.pane === pane && (
        <rect
          x={Math.min(box.from.x, box.to.x)}
          y={Math.min(box.from.y, box.to.y)}
          width={Math.abs(box.to.x - box.from.x)}
          height={Math.abs(box.to.y - box.from.y)}
          fill="var(--coral)"
          fillOpacity={0.08}
          stroke="var(--coral)"
          strokeDasharray="4 3"
        />
      )}
    </g>
  );
}
