'use client';

import { type Result, zeroOrMore } from '@/core/finding';
import {
  type Contour,
  fromPolar,
  movedNode,
  NODE_KINDS,
  type NodeKind,
  nodesOfContours,
  onLine,
  type PathNode,
  placeOfNode,
  type Point,
  polarOf,
  roundedCorner,
  splitAtNode,
  subtract,
  withReflection,
} from '@/core/curve';
import {
  alignNodes,
  type NodeLine,
  placeNodes,
  removeHandles,
  removeNodes,
  replaceContour,
  setClosed,
  setNodeKind,
  spreadNodes,
} from '@/core/figure/commands';
import { turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { act, newId, selectNodes, shownFigure } from '@/state';
import { toast } from 'sonner';
import type { Round, Shape, RoundId, ShapeId } from '@/core/figure';
import { AngleField, Button, LengthField, Row, Section, Segmented } from '@/ui/common';
import { HandleFields } from './HandleFields';
import { common, useEditor, useEditorState } from '@/ui/desk';
import { usePageLength } from './usePageLength';

const NAMES: Record<NodeKind, string> = {
  corner: 'Corner',
  smooth: 'Smooth',
  even: 'Even',
  mirrored: 'Mirrored',
};

const NODE_LINES: readonly (readonly [NodeLine, string, string])[] = [
  ['x', 'x', 'All at the x of the first'],
  ['y', 'y', 'All at the height of the first'],
  ['r', 'r', 'All at the radius of the first'],
  ['θ', 'θ', 'All at the angle of the first'],
];

interface Props {
  readonly round: Round;
  readonly shape: Shape;
}

/** What the fields of selected nodes work on. */
interface Chosen {
  readonly roundId: RoundId;
  readonly shapeId: ShapeId;
  /** Their indices among all of the shape. */
  readonly indices: ReadonlySet<number>;
  readonly nodes: readonly PathNode[];
  readonly locked: boolean;
}

/** The selected nodes of a path: where they are, how they join. A number that is typed is given to each of them. */
export function NodePanel({ round, shape }: Props) {
  const editor = useEditor();
  const indices = useEditorState((state) => state.selection.nodes);
  // Kept while nodes come and go, as several corners are often rounded by one radius.
  const [radius, setRadius] = usePageLength(1);
  if (shape.form.kind !== 'path') return null;
  const { contours } = shape.form;
  const all = nodesOfContours(contours);
  const inOrder = [...indices].sort((a, b) => a - b);
  const [index = 0, another] = inOrder;
  const node = all[index];
  const place = placeOfNode(contours, index);
  const contour = place && contours[place.contour];
  if (!node || !contour) return null;
  const isOne = another === undefined;
  const ref = { roundId: round.id, shapeId: shape.id };
  const locked = round.locked || shape.locked;
  const chosen: Chosen = { ...ref, indices, nodes: inOrder.flatMap((k) => all[k] ?? []), locked };
  const replace = <T,>(result: Result<T>, label: string, change: (value: T) => Contour[]): void => {
    if (!result.ok) {
      toast.error(result.finding.sentence);
      return;
    }
    act(editor, label, (figure) => replaceContour(figure, ref, index, change(result.value), newId));
    selectNodes(editor, []);
  };

  return (
    <Section
      title={isOne ? 'Selected node' : 'Selected nodes'}
      note={isOne ? `${index + 1} of ${all.length}` : `${indices.size} of ${all.length}`}
    >
      <PlaceFields chosen={chosen} />
      {isOne && <HandleFields nodeRef={ref} index={index} node={node} locked={locked} />}
      <JoinChoice chosen={chosen} />
      <LineButtons chosen={chosen} fold={round.rule.fold} />
      {isOne && (
        <CornerFields
          locked={locked}
          closed={contour.closed}
          radius={radius}
          onRadius={setRadius}
          onRound={() =>
            replace(
              roundedCorner(contour.nodes, place.node, radius, contour.closed),
              'Round corner',
              (nodes) => [{ closed: contour.closed, nodes }],
            )
          }
          onCut={() => replace(splitAtNode(contour, place.node), 'Cut path', (paths) => paths)}
        />
      )}
      <PathButtons
        chosen={chosen}
        closed={contour.closed}
        onReflect={() => replace(withReflection(contour, 1e-6), 'Join reflection', (path) => [path])}
      />
    </Section>
  );
}

/** Where the nodes are: of each the one number that is typed, its handles go along. */
function PlaceFields({ chosen }: { readonly chosen: Chosen }) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { nodes, indices, locked: disabled } = chosen;
  const putEach = (change: (p: Point) => Point): void =>
    act(
      editor,
      nodes.length === 1 ? 'Move node' : 'Move nodes',
      (figure) =>
        placeNodes(figure, chosen, indices, (each) => movedNode(each, subtract(change(each), each))),
      'node',
    );
  return (
    <>
      <LengthField
        label="Distance r"
        caption="Distance r"
        value={common(nodes, (p) => polarOf(p).r)}
        in={unit}
        disabled={disabled}
        refuse={zeroOrMore('A distance')}
        onChange={(r) => putEach((p) => fromPolar(r, polarOf(p).degrees))}
      />
      <AngleField
        label="Angle θ"
        caption="Angle θ"
        value={common(nodes, (p) => polarOf(p).degrees)}
        disabled={disabled}
        onChange={(degrees) => putEach((p) => fromPolar(polarOf(p).r, degrees))}
      />
      <LengthField
        label="Across x"
        caption="Across x"
        value={common(nodes, ({ x }) => x)}
        in={unit}
        disabled={disabled}
        onChange={(x) => putEach(({ y }) => ({ x, y }))}
      />
      <LengthField
        label="Up y"
        caption="Up y"
        value={common(nodes, ({ y }) => -y)}
        in={unit}
        disabled={disabled}
        onChange={(y) => putEach(({ x }) => ({ x, y: -y }))}
      />
    </>
  );
}

/** How the nodes' two sides meet. */
function JoinChoice({ chosen: { nodes, indices, locked, ...ref } }: { readonly chosen: Chosen }) {
  const editor = useEditor();
  const kinds = new Set(nodes.map(({ kind }) => kind));
  const [kind = null, another] = kinds;
  return (
    <Segmented
      label="Joins as"
      value={another === undefined ? kind : null}
      choices={NODE_KINDS.map((each) => ({ value: each, label: NAMES[each] }))}
      disabled={locked}
      onChange={(next) =>
        act(editor, `Node as ${NAMES[next].toLowerCase()}`, (figure) =>
          setNodeKind(figure, ref, indices, next),
        )
      }
    />
  );
}

/** Puts nodes on lines: the axis, a ray, one that goes through the first of them, evenly along the way. */
function LineButtons({
  chosen: { nodes, indices, locked, ...ref },
  fold,
}: {
  readonly chosen: Chosen;
  readonly fold: number;
}) {
  const editor = useEditor();
  const putOn = (name: string, direction: Point): void =>
    act(editor, `Nodes on the ${name}`, (figure) =>
      placeNodes(figure, ref, indices, (each) => onLine(each, direction)),
    );
  const isLeft = (nodes[0]?.x ?? 0) < 0;
  return (
    <>
      <Row caption="Put">
        <div className="grid flex-1 grid-cols-2 gap-1.5">
          <Button disabled={locked} onClick={() => putOn('axis', { x: 0, y: -1 })}>
            On axis
          </Button>
          <Button
            disabled={locked || fold < 2}
            onClick={() => putOn('ray', alongTurn(turn(isLeft ? -1 : 1, 2 * fold), 1))}
          >
            On ray
          </Button>
        </div>
      </Row>
      {nodes.length > 1 && (
        <Row caption="In line">
          <div className="grid flex-1 grid-cols-4 gap-1.5">
            {NODE_LINES.map(([along, name, title]) => (
              <Button
                key={along}
                title={title}
                className="px-0"
                disabled={locked}
                onClick={() =>
                  act(editor, 'Nodes in line', (figure) => alignNodes(figure, ref, indices, along))
                }
              >
                {name}
              </Button>
            ))}
          </div>
        </Row>
      )}
      {nodes.length > 2 && (
        <Button
          disabled={locked}
          title="Even steps along the way from the first of them to the last"
          onClick={() => act(editor, 'Spread nodes', (figure) => spreadNodes(figure, ref, indices))}
        >
          Spread evenly, first to last
        </Button>
      )}
    </>
  );
}

interface CornerProps {
  readonly locked: boolean;
  readonly closed: boolean;
  readonly radius: number;
  readonly onRadius: (radius: number) => void;
  readonly onRound: () => void;
  readonly onCut: () => void;
}

/** What is done at one node: its corner rounded, the path cut there. */
function CornerFields({ locked, closed, radius, onRadius, onRound, onCut }: CornerProps) {
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  return (
    <>
      <LengthField
        label="Corner radius"
        caption="Round by"
        value={radius}
        in={unit}
        disabled={locked}
        refuse={zeroOrMore('A radius')}
        onChange={onRadius}
      />
      <div className="grid grid-cols-2 gap-1.5">
        <Button disabled={locked || radius === 0} onClick={onRound}>
          Round corner
        </Button>
        <Button disabled={locked} onClick={onCut}>
          {closed ? 'Open here' : 'Cut here'}
        </Button>
      </div>
    </>
  );
}

/** What is done to the path of the nodes, and to them as a whole. */
function PathButtons({
  chosen: { indices, locked, nodes: _, ...ref },
  closed,
  onReflect,
}: {
  readonly chosen: Chosen;
  readonly closed: boolean;
  readonly onReflect: () => void;
}) {
  const editor = useEditor();
  const drop = (keepForm: boolean): void => {
    act(editor, 'Delete nodes', (figure) => removeNodes(figure, ref, indices, keepForm));
    selectNodes(editor, []);
  };
  return (
    <>
      <div className="grid grid-cols-2 gap-1.5">
        <Button
          disabled={locked}
          onClick={() =>
            act(editor, 'Close or open path', (figure) => setClosed(figure, ref, indices, !closed))
          }
        >
          {closed ? 'Open path' : 'Close path'}
        </Button>
        <Button
          disabled={locked || closed}
          onClick={onReflect}
          title="Joins a half that ends on the axis to its mirror image"
        >
          Join reflection
        </Button>
      </div>
      <Button
        disabled={locked}
        onClick={() => act(editor, 'Remove handles', (figure) => removeHandles(figure, ref, indices))}
      >
        No handles
      </Button>
      <Row caption="Delete">
        <div className="grid flex-1 grid-cols-2 gap-1.5">
          <Button disabled={locked} aria-label="Delete nodes" onClick={() => drop(false)}>
            Plainly
          </Button>
          <Button
            disabled={locked}
            aria-label="Delete nodes, keep the form"
            title="The path keeps its form as near as one curve can"
            onClick={() => drop(true)}
          >
            Keep form
          </Button>
        </div>
      </Row>
    </>
  );
}
