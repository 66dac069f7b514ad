'use client';

import type { Result } from '@/core/finding';
import { nodesOfContours, placeOfNode, type Contour } from '@/core/curve/contours';
import { movedNode, NODE_KINDS, type NodeKind } from '@/core/curve/nodes';
import { fromPolar, polarOf, subtract, type Point } from '@/core/curve/point';
import { onLine, roundedCorner, splitAtNode, withReflection } from '@/core/curve/nodeOps';
import {
  alignNodes,
  placeNodes,
  removeHandles,
  removeNodes,
  replaceContour,
  setClosed,
  setNodeKind,
  spreadNodes,
  type NodeLine,
} from '@/core/figure/commands';
import { turn } from '@/core/number/turn';
import { alongTurn } from '@/core/symmetry/wedge';
import { newId } from '@/state/ids';
import { toast } from 'sonner';
import type { Round, Shape } from '@/core/figure/model';
import { act, selectNodes, shownFigure } from '@/state/editor';
import { Button } from '../common/Button';
import { AngleField, LengthField } from '../common/NumberField';
import { Row, Section } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { HandleFields } from './HandleFields';
import { common } from './words';
import { useEditor, useEditorState } from '../editor/EditorContext';
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

/** The selected nodes of a path: where they are, how they join. A number that is typed is given to each of them. */
export function NodePanel({ round, shape }: Props) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const chosen = useEditorState((state) => state.selection.nodes);
  const [radius, setRadius] = usePageLength(1);
  if (shape.form.kind !== 'path') return null;
  const { contours } = shape.form;
  const nodes = nodesOfContours(contours);
  const indices = [...chosen].sort((a, b) => a - b);
  const [index = 0] = indices;
  const node = nodes[index];
  if (!node) return null;
  const ref = { roundId: round.id, shapeId: shape.id };
  const all = indices.flatMap((k) => nodes[k] ?? []);
  const kinds = new Set(all.map(({ kind }) => kind));
  /** Gives each of the nodes one number of its place; its handles go along. */
  const putEach = (change: (p: Point) => Point): void =>
    act(
      editor,
      all.length === 1 ? 'Move node' : 'Move nodes',
      (figure) => placeNodes(figure, ref, chosen, (each) => movedNode(each, subtract(change(each), each))),
      'node',
    );
  const locked = round.locked || shape.locked;
  const place = placeOfNode(contours, index);
  const contour = place && contours[place.contour];
  if (!contour) return null;
  const { closed } = contour;
  const take = <T,>(result: Result<T>, label: string, change: (value: T) => Contour[]): void => {
    if (!result.ok) {
      toast.error(result.finding.sentence);
      return;
    }
    act(editor, label, (figure) => replaceContour(figure, ref, index, change(result.value), newId));
    selectNodes(editor, []);
  };
  const putOn = (name: string, direction: Point): void =>
    act(editor, `Nodes on the ${name}`, (figure) =>
      placeNodes(figure, ref, chosen, (each) => onLine(each, direction)),
    );
  const lineUp = (along: NodeLine): void =>
    act(editor, 'Nodes in line', (figure) => alignNodes(figure, ref, chosen, along));
  const roundCorner = (): void =>
    take(roundedCorner(contour.nodes, place.node, radius, closed), 'Round corner', (made) => [
      { closed, nodes: made },
    ]);
  const cut = (): void => take(splitAtNode(contour, place.node), 'Cut path', (paths) => paths);
  const drop = (keepForm: boolean): void => {
    act(editor, 'Delete nodes', (figure) => removeNodes(figure, ref, chosen, keepForm));
    selectNodes(editor, []);
  };
  const reflect = (): void => take(withReflection(contour, 1e-6), 'Join reflection', (path) => [path]);

  return (
    <Section
      title={indices.length === 1 ? 'Selected node' : 'Selected nodes'}
      note={indices.length === 1 ? `${index + 1} of ${nodes.length}` : `${indices.length} of ${nodes.length}`}
    >
      <LengthField
        label="Distance r"
        caption="Distance r"
        value={common(all, (p) => polarOf(p).r)}
        in={unit}
        disabled={locked}
        refuse={(r) => (r >= 0 ? null : 'A distance is not below 0.')}
        onChange={(r) => putEach((p) => fromPolar(r, polarOf(p).degrees))}
      />
      <AngleField
        label="Angle θ"
        caption="Angle θ"
        value={common(all, (p) => polarOf(p).degrees)}
        disabled={locked}
        onChange={(degrees) => putEach((p) => fromPolar(polarOf(p).r, degrees))}
      />
      <LengthField
        label="Across x"
        caption="Across x"
        value={common(all, ({ x }) => x)}
        in={unit}
        disabled={locked}
        onChange={(x) => putEach(({ y }) => ({ x, y }))}
      />
      <LengthField
        label="Up y"
        caption="Up y"
        value={common(all, ({ y }) => -y)}
        in={unit}
        disabled={locked}
        onChange={(y) => putEach(({ x }) => ({ x, y: -y }))}
      />
      {indices.length === 1 && <HandleFields nodeRef={ref} index={index} node={node} locked={locked} />}
      <Segmented
        label="Joins as"
        value={kinds.size === 1 ? node.kind : null}
        choices={NODE_KINDS.map((kind) => ({ value: kind, label: NAMES[kind] }))}
        disabled={locked}
        onChange={(kind) =>
          act(editor, `Node as ${NAMES[kind].toLowerCase()}`, (figure) =>
            setNodeKind(figure, ref, chosen, kind),
          )
        }
      />
      <Row caption="Put">
        <div className="grid flex-1 grid-cols-2 gap-1.5">
          <Button disabled={locked} onClick={() => putOn('axis', { x: 0, y: -1 })}>
            On axis
          </Button>
          <Button
            disabled={locked || round.rule.fold < 2}
            onClick={() => putOn('ray', alongTurn(turn(node.x < 0 ? -1 : 1, 2 * round.rule.fold), 1))}
          >
            On ray
          </Button>
        </div>
      </Row>
      {indices.length > 1 && (
        <Row caption="In line">
          <div className="grid flex-1 grid-cols-4 gap-1.5">
            {NODE_LINES.map(([along, name, title]) => (
              <Button
                key={along}
                title={title}
                className="px-0"
                disabled={locked}
                onClick={() => lineUp(along)}
              >
                {name}
              </Button>
            ))}
          </div>
        </Row>
      )}
      {indices.length > 2 && (
        <Button
          disabled={locked}
          title="Even steps along the way from the first of them to the last"
          onClick={() => act(editor, 'Spread nodes', (figure) => spreadNodes(figure, ref, chosen))}
        >
          Spread evenly, first to last
        </Button>
      )}
      {indices.length === 1 && (
        <>
          <LengthField
            label="Corner radius"
            caption="Round by"
            value={radius}
            in={unit}
            disabled={locked}
            refuse={(value) => (value >= 0 ? null : 'A radius is not below 0.')}
            onChange={setRadius}
          />
          <div className="grid grid-cols-2 gap-1.5">
            <Button disabled={locked || radius === 0} onClick={roundCorner}>
              Round corner
            </Button>
            <Button disabled={locked} onClick={cut}>
              {closed ? 'Open here' : 'Cut here'}
            </Button>
          </div>
        </>
      )}
      <div className="grid grid-cols-2 gap-1.5">
        <Button
          disabled={locked}
          onClick={() =>
            act(editor, 'Close or open path', (figure) => setClosed(figure, ref, chosen, !closed))
          }
        >
          {closed ? 'Open path' : 'Close path'}
        </Button>
        <Button
          disabled={locked || closed}
          onClick={reflect}
          title="Joins a half that ends on the axis to its mirror image"
        >
          Join reflection
        </Button>
      </div>
      <Button
        disabled={locked}
        onClick={() => act(editor, 'Remove handles', (figure) => removeHandles(figure, ref, chosen))}
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
    </Section>
  );
}
