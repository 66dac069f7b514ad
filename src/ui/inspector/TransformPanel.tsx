'use client';

import { useEditor, useEditorState, useWork } from '@/ui/desk';

import { fromPolar, nodesOfContours, ORIGIN, type Point } from '@/core/curve';
import { transformShapes } from '@/core/figure/commands';
import { type Round, seenBox, type Shape } from '@/core/figure';
import { closureOf, type Transform, transformProblem } from '@/core/maker';
import { degreesOf, turn, type Turn } from '@/core/number';
import { printNumber } from '@/core/format';
import { act, newId, select, shownFigure, type TransformOptions } from '@/state';
import {
  AngleField,
  Button,
  CountField,
  LengthField,
  Row,
  Section,
  Segmented,
  ShareField,
  TurnField,
} from '@/ui/common';

const KINDS: readonly { value: Transform['kind']; label: string }[] = [
  { value: 'move', label: 'Move' },
  { value: 'rotate', label: 'Rotate' },
  { value: 'scale', label: 'Scale' },
  { value: 'shear', label: 'Shear' },
  { value: 'reflect', label: 'Reflect' },
];

/** What a step angle leads to, in words. */
function closureWords(step: Turn): string {
  const closure = closureOf(step);
  if (!closure) return 'A step of 0° stays where it is.';
  const { copies, rounds, fit, left } = closure;
  const size = `${printNumber(Math.abs(degreesOf(step)), 4)}°`;
  if (rounds === 1) return `${copies} copies of ${size} close, exactly.`;
  const over = `${fit} fit into one turn and leave ${printNumber(left, 4)}°`;
  return copies > 720
    ? `${size}: ${over}.`
    : `${size} closes after ${copies} copies and ${rounds} turns; ${over}.`;
}

interface Props {
  readonly round: Round;
  readonly shapes: readonly Shape[];
  /** They are worked on as they lie straight in a strip. */
  readonly straight: boolean;
}

interface FieldProps {
  readonly options: TransformOptions;
  readonly set: (part: Partial<TransformOptions>) => void;
}

/** What the options come to. @param about what is turned, scaled or reflected about */
function transformOf(about: Point, { kind, polar, by, angle, scale, line }: TransformOptions): Transform {
  switch (kind) {
    case 'move':
      return { kind, by: polar ? fromPolar(by.x, by.y) : by };
    case 'rotate':
    case 'shear':
      return { kind, by: angle, about };
    case 'scale':
      return { kind, x: scale.x / 100, y: scale.y / 100, about };
    case 'reflect':
      return { kind, direction: line, about };
  }
}

/** The one node that is selected of the one shape that is; undefined of several. */
function pivotNode(shapes: readonly Shape[], [index]: Iterable<number>): Point | undefined {
  const [only, another] = shapes;
  return only?.form.kind === 'path' && !another && index !== undefined
    ? nodesOfContours(only.form.contours)[index]
    : undefined;
}

/** Changes of place, direction, size and form by numbers, about any pivot, in place or as copies. */
export function TransformPanel({ round, shapes, straight }: Props) {
  const work = useWork();
  const editor = useEditor();
  const nodes = useEditorState((state) => state.selection.nodes);
  const options = useEditorState((state) => state.transform);
  const spot = useEditorState((state) => state.pivot) ?? ORIGIN;
  const set = (part: Partial<TransformOptions>): void =>
    editor.setState((state) => ({ transform: { ...state.transform, ...part } }));
  const { kind, pivot, times } = options;
  const ids = new Set(shapes.map(({ id }) => id));
  const box = seenBox(round, work, ids);
  const node = pivotNode(shapes, nodes);
  const about: Point = {
    centre: ORIGIN,
    middle: { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 },
    node: node ?? ORIGIN,
    point: spot,
  }[pivot];
  const transform = transformOf(about, options);
  const problem = transformProblem(transform);
  const apply = (copy: boolean): void => {
    const figure = shownFigure(editor.getState());
    const how = { copy, times, newId, straight };
    const done = transformShapes(figure, round.id, ids, transform, how, work);
    act(editor, copy ? 'Transform a copy' : 'Transform', () => done.figure);
    select(editor, round.id, done.ids);
  };
  const off = round.locked || shapes.some((shape) => shape.locked) || problem !== null;

  return (
    <Section title="Transform" note={shapes.length === 1 ? shapes[0]?.name : `${shapes.length} shapes`}>
      <Segmented label="Transform by" value={kind} choices={KINDS} onChange={(next) => set({ kind: next })} />
      {kind === 'move' && <MoveFields options={options} set={set} />}
      {(kind === 'rotate' || kind === 'shear') && (
        <TurnField
          label="Transform angle"
          caption="Angle"
          value={options.angle}
          onChange={(angle) => set({ angle })}
        />
      )}
      {kind === 'rotate' && <p className="text-[12px] leading-4 text-muted">{closureWords(options.angle)}</p>}
      {kind === 'scale' && <ScaleFields options={options} set={set} />}
      {kind === 'reflect' && <LineFields options={options} set={set} fold={round.rule.fold} />}
      {kind !== 'move' && (
        <PivotFields options={options} set={set} spot={spot} hasNode={node !== undefined} />
      )}
      <CountField
        label="Times"
        caption="Times"
        value={times}
        least={1}
        most={720}
        onChange={(next) => set({ times: next })}
      />
      {problem && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          {problem.sentence}
        </p>
      )}
      <div className="flex gap-1.5 pt-1">
        <Button className="flex-1" disabled={off} onClick={() => apply(false)}>
          Apply
        </Button>
        <Button tone="main" className="flex-1" disabled={off} onClick={() => apply(true)}>
          {times === 1 ? 'Make a copy' : `Make ${times} copies`}
        </Button>
      </div>
    </Section>
  );
}

/** How far to move: across and up, or a way in a direction. */
function MoveFields({ options: { polar, by }, set }: FieldProps) {
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const put = (part: Partial<Point>): void => set({ by: { ...by, ...part } });
  return (
    <>
      <Row caption="Given as">
        <Segmented
          label="Move given as"
          value={polar ? 'polar' : 'flat'}
          choices={[
            { value: 'flat', label: 'Δx, Δy' },
            { value: 'polar', label: 'Way, angle' },
          ]}
          onChange={(value) => set({ polar: value === 'polar', by: ORIGIN })}
        />
      </Row>
      {polar ? (
        <>
          <LengthField label="Way" caption="Way" value={by.x} in={unit} onChange={(x) => put({ x })} />
          <AngleField label="Towards" caption="Towards" value={by.y} onChange={(y) => put({ y })} />
        </>
      ) : (
        <>
          <LengthField label="Move Δx" caption="Δx" value={by.x} in={unit} onChange={(x) => put({ x })} />
          <LengthField
            label="Move Δy"
            caption="Δy, up"
            value={-by.y}
            in={unit}
            onChange={(y) => put({ y: -y })}
          />
        </>
      )}
    </>
  );
}

/** How many times as wide and as high, in per cent; as long as both are the same they stay so. */
function ScaleFields({ options: { scale }, set }: FieldProps) {
  const shared = { unit: '%', step: 5, least: -10000, most: 10000 } as const;
  return (
    <>
      <ShareField
        label="Scale across"
        caption="Across"
        {...shared}
        value={scale.x}
        onChange={(x) => set({ scale: scale.x === scale.y ? { x, y: x } : { ...scale, x } })}
      />
      <ShareField
        label="Scale up"
        caption="Up"
        {...shared}
        value={scale.y}
        onChange={(y) => set({ scale: { ...scale, y } })}
      />
    </>
  );
}

/** In which line to reflect. */
function LineFields({ options: { line }, set, fold }: FieldProps & { readonly fold: number }) {
  return (
    <>
      <TurnField label="Line at" caption="Line at" value={line} onChange={(next) => set({ line: next })} />
      <div className="flex gap-1.5">
        <Button className="flex-1" onClick={() => set({ line: turn(0) })}>
          Axis
        </Button>
        <Button className="flex-1" onClick={() => set({ line: turn(1, 2 * fold) })}>
          Right ray
        </Button>
      </div>
    </>
  );
}

/** What to turn, scale or reflect about. */
function PivotFields({
  options: { pivot },
  set,
  spot,
  hasNode,
}: FieldProps & { readonly spot: Point; readonly hasNode: boolean }) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const picking = useEditorState((state) => state.picking !== null);
  const setSpot = (at: Point | null): void => editor.setState({ pivot: at });
  return (
    <>
      <Row caption="About">
        <Segmented
          label="Pivot"
          value={pivot === 'node' && !hasNode ? 'centre' : pivot}
          choices={[
            { value: 'centre', label: 'Centre' },
            { value: 'middle', label: 'Middle' },
            ...(hasNode ? [{ value: 'node' as const, label: 'Node' }] : []),
            { value: 'point', label: 'Point' },
          ]}
          onChange={(next) => {
            set({ pivot: next });
            setSpot(next === 'point' ? spot : null);
          }}
        />
      </Row>
      {pivot === 'point' && (
        <>
          <LengthField
            label="Pivot x"
            caption="x"
            value={spot.x}
            in={unit}
            onChange={(x) => setSpot({ ...spot, x })}
          />
          <LengthField
            label="Pivot y"
            caption="y, up"
            value={-spot.y}
            in={unit}
            onChange={(y) => setSpot({ ...spot, y: -y })}
          />
          <Button
            aria-pressed={picking}
            onClick={() => editor.setState({ picking: { what: 'click what to turn about', take: setSpot } })}
          >
            {picking ? 'Click in Bench or Whole …' : 'Click the point'}
          </Button>
        </>
      )}
    </>
  );
}
