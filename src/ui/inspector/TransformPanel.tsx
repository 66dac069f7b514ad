'use client';

import { useWork } from '@/ui/editor/useWork';

import { nodesOfContours } from '@/core/curve/contours';
import { fromPolar, ORIGIN, type Point } from '@/core/curve/point';
import { transformShapes } from '@/core/figure/commands';
import type { Round, Shape } from '@/core/figure/model';
import { seenBox } from '@/core/figure/seen';
import { closureOf, transformProblem, type Transform } from '@/core/maker/transform';
import { degreesOf, turn, type Turn } from '@/core/number/turn';
import { printNumber } from '@/core/format/pathData';
import { act, select, shownFigure } from '@/state/editor';
import type { TransformOptions } from '@/state/editorState';
import { newId } from '@/state/ids';
import { Button } from '../common/Button';
import { AngleField, CountField, LengthField, ShareField, TurnField } from '../common/NumberField';
import { Row, Section } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditor, useEditorState } from '../editor/EditorContext';

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

/** Changes of place, direction, size and form by numbers, about any pivot, in place or as copies. */
export function TransformPanel({ round, shapes, straight }: Props) {
  const work = useWork();
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const nodes = useEditorState((state) => state.selection.nodes);
  const options = useEditorState((state) => state.transform);
  const { kind, polar, by, angle, scale, line, pivot, times } = options;
  const set = (part: Partial<TransformOptions>): void =>
    editor.setState((state) => ({ transform: { ...state.transform, ...part } }));
  const spot = useEditorState((state) => state.pivot) ?? ORIGIN;
  const setSpot = (at: Point | null): void => editor.setState({ pivot: at });
  const picking = useEditorState((state) => state.picking !== null);
  const [only] = shapes;
  const box = seenBox(round, work, new Set(shapes.map(({ id }) => id)));
  const [index] = nodes;
  const node =
    shapes.length === 1 && only?.form.kind === 'path' && index !== undefined
      ? nodesOfContours(only.form.contours)[index]
      : undefined;

  const about: Point = {
    centre: ORIGIN,
    middle: { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 },
    node: node ?? ORIGIN,
    point: spot,
  }[pivot];

  const transform = (): Transform => {
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
  };
  const apply = (copy: boolean): void => {
    const t = transform();
    const ids = new Set(shapes.map(({ id }) => id));
    const done = transformShapes(
      shownFigure(editor.getState()),
      round.id,
      ids,
      t,
      { copy, times, newId, straight },
      work,
    );
    act(editor, copy ? 'Transform a copy' : 'Transform', () => done.figure);
    select(editor, round.id, done.ids);
  };
  const problem = transformProblem(transform());
  const locked = round.locked || shapes.some((shape) => shape.locked);

  return (
    <Section title="Transform" note={shapes.length === 1 ? only?.name : `${shapes.length} shapes`}>
      <Segmented label="Transform by" value={kind} choices={KINDS} onChange={(next) => set({ kind: next })} />
      {kind === 'move' && (
        <>
          <Row caption="Given as">
            <Segmented
              label="Move given as"
              value={polar ? 'polar' : 'flat'}
              choices={[
                { value: 'flat', label: 'Δx, Δy' },
                { value: 'polar', label: 'Way, angle' },
              ]}
              onChange={(value) => {
                set({ polar: value === 'polar', by: { x: 0, y: 0 } });
              }}
            />
          </Row>
          {polar ? (
            <>
              <LengthField
                label="Way"
                caption="Way"
                value={by.x}
                in={unit}
                onChange={(x) => set({ by: { ...by, x } })}
              />
              <AngleField
                label="Towards"
                caption="Towards"
                value={by.y}
                onChange={(y) => set({ by: { ...by, y } })}
              />
            </>
          ) : (
            <>
              <LengthField
                label="Move Δx"
                caption="Δx"
                value={by.x}
                in={unit}
                onChange={(x) => set({ by: { ...by, x } })}
              />
              <LengthField
                label="Move Δy"
                caption="Δy, up"
                value={-by.y}
                in={unit}
                onChange={(y) => set({ by: { ...by, y: -y } })}
              />
            </>
          )}
        </>
      )}
      {(kind === 'rotate' || kind === 'shear') && (
        <TurnField
          label="Transform angle"
          caption="Angle"
          value={angle}
          onChange={(next) => set({ angle: next })}
        />
      )}
      {kind === 'rotate' && <p className="text-[12px] leading-4 text-muted">{closureWords(angle)}</p>}
      {kind === 'scale' && (
        <>
          <ShareField
            label="Scale across"
            caption="Across"
            unit="%"
            step={5}
            value={scale.x}
            least={-10000}
            most={10000}
            onChange={(x) => set({ scale: scale.x === scale.y ? { x, y: x } : { ...scale, x } })}
          />
          <ShareField
            label="Scale up"
            caption="Up"
            unit="%"
            step={5}
            value={scale.y}
            least={-10000}
            most={10000}
            onChange={(y) => set({ scale: { ...scale, y } })}
          />
        </>
      )}
      {kind === 'reflect' && (
        <>
          <TurnField
            label="Line at"
            caption="Line at"
            value={line}
            onChange={(next) => set({ line: next })}
          />
          <div className="flex gap-1.5">
            <Button className="flex-1" onClick={() => set({ line: turn(0) })}>
              Axis
            </Button>
            <Button className="flex-1" onClick={() => set({ line: turn(1, 2 * round.rule.fold) })}>
              Right ray
            </Button>
          </div>
        </>
      )}
      {kind !== 'move' && (
        <Row caption="About">
          <Segmented
            label="Pivot"
            value={pivot === 'node' && !node ? 'centre' : pivot}
            choices={[
              { value: 'centre', label: 'Centre' },
              { value: 'middle', label: 'Middle' },
              ...(node ? [{ value: 'node' as const, label: 'Node' }] : []),
              { value: 'point', label: 'Point' },
            ]}
            onChange={(next) => {
              set({ pivot: next });
              setSpot(next === 'point' ? spot : null);
            }}
          />
        </Row>
      )}
      {kind !== 'move' && pivot === 'point' && (
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
            onClick={() =>
              editor.setState({ picking: { what: 'click what to turn about', take: (p) => setSpot(p) } })
            }
          >
            {picking ? 'Click in Bench or Whole …' : 'Click the point'}
          </Button>
        </>
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
        <Button className="flex-1" disabled={locked || problem !== null} onClick={() => apply(false)}>
          Apply
        </Button>
        <Button
          tone="main"
          className="flex-1"
          disabled={locked || problem !== null}
          onClick={() => apply(true)}
        >
          {times === 1 ? 'Make a copy' : `Make ${times} copies`}
        </Button>
      </div>
    </Section>
  );
}
