import { Fragment, memo } from 'react';

import { type HandleSide, nodesOfContours, type PathNode, type Point } from '@/core/curve';
import type { Shape } from '@/core/figure';

/** From motif coordinates to pixels of a pane. */
export type Project = (p: Point) => Point;

export function Square({
  at,
  full,
  name,
}: {
  readonly at: Point;
  readonly full: boolean;
  readonly name: string;
}) {
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
export function Arms({
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

export function PathNodes({ shape, chosen, held, project }: NodesProps) {
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
