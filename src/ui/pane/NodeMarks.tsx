import { memo } from 'react';

import { type HandleSide, nodesOfContours, type PathNode, type Point } from '@/core/curve';
import type { Shape } from '@/core/figure';
import { SteadyBounds } from '@/ui/common';

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
  /** From the motif to the pane's pixels, as SVG says it. */
  readonly transform: string;
}

/** How wide marks of nodes are, with their edge and within it, and how their lines end: round, or square for a corner. */
const MARKS = {
  round: { edge: 11.2, inside: 8 },
  square: { edge: 10.6, inside: 7.4 },
} as const;

type MarkShape = keyof typeof MARKS;

const markShape = ({ kind }: PathNode): MarkShape => (kind === 'corner' ? 'square' : 'round');

/** A line of no length: its ends alone are drawn, as large at any zoom, so that a pane that zooms moves all of them by one number. */
const dot = ({ x, y }: Point): string => `M${x} ${y}h0`;

interface DotsProps {
  readonly name?: string;
  readonly d: string;
  readonly shape: MarkShape;
  readonly part: keyof (typeof MARKS)['round'];
}

/** Marks of nodes, or a part of them. */
const Dots = ({ name, d, shape, part }: DotsProps) => (
  <path
    data-handle={name}
    d={d}
    stroke={part === 'edge' ? 'var(--kelp)' : 'var(--field)'}
    strokeWidth={MARKS[shape][part]}
    strokeLinecap={shape}
    vectorEffect="non-scaling-stroke"
  />
);

/** A node with its place among those of a shape. */
interface Numbered {
  readonly node: PathNode;
  readonly index: number;
}

interface PlainProps {
  readonly nodes: readonly Numbered[];
}

const sameNodes = ({ nodes: a }: PlainProps, { nodes: b }: PlainProps): boolean =>
  a.length === b.length && a.every(({ node, index }, k) => node === b[k]?.node && index === b[k].index);

/** Nodes that are not chosen. Of many nodes a drag moves a few: while these stay they are not even looked at. */
const PlainNodes = memo(function PlainNodes({ nodes }: PlainProps) {
  const insides = (look: MarkShape): string =>
    nodes.flatMap(({ node }) => (markShape(node) === look ? [dot(node)] : [])).join('');
  return (
    <>
      {nodes.map(({ node, index }) => (
        <Dots key={index} name={`node-${index}`} d={dot(node)} shape={markShape(node)} part="edge" />
      ))}
      <Dots d={insides('round')} shape="round" part="inside" />
      <Dots d={insides('square')} shape="square" part="inside" />
    </>
  );
}, sameNodes);

/** A node that is chosen, with its handles. */
function ChosenNode({
  node,
  index,
  held,
  project,
}: Pick<NodesProps, 'held' | 'project'> & { readonly node: PathNode; readonly index: number }) {
  const at = project(node);
  return (
    <>
      <Arms node={node} name={index} held={held} project={project} />
      {node.kind === 'corner' ? (
        <Square at={at} full name={`node-${index}`} />
      ) : (
        <circle
          data-handle={`node-${index}`}
          cx={at.x}
          cy={at.y}
          r={4.8}
          fill="var(--kelp)"
          stroke="var(--kelp)"
          strokeWidth={1.6}
        />
      )}
    </>
  );
}

export function PathNodes({ shape, chosen, held, project, transform }: NodesProps) {
  if (shape.form.kind !== 'path') return null;
  const nodes = nodesOfContours(shape.form.contours).map((node, index): Numbered => ({ node, index }));
  return (
    <>
      <g transform={transform}>
        <PlainNodes nodes={nodes.filter(({ index }) => !chosen.has(index))} />
      </g>
      {/* What moves in a drag is painted apart from the nodes that stay. */}
      <SteadyBounds />
      {nodes.map(
        ({ node, index }) =>
          chosen.has(index) && (
            <ChosenNode key={index} node={node} index={index} held={held} project={project} />
          ),
      )}
    </>
  );
}
