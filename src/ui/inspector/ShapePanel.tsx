'use client';

import { aboveZero, zeroOrMore } from '@/core/finding';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import {
  boundsOfPaths,
  fromPolar,
  pathLength,
  type Point,
  polarOf,
  signedArea,
  subtract,
} from '@/core/curve';
import { alignStamps, findShape, makePlain, moveShapes, setForm } from '@/core/figure/commands';
import { anchorOf, liesWithInput, type Round, type Shape } from '@/core/figure';
import { type Form, isBuilt, makerOf, pathsOfForm } from '@/core/maker';
import { printNumber } from '@/core/format';
import { act, newId, shownFigure } from '@/state';
import { AngleField, Button, Fact, LengthField, Section, TurnField } from '@/ui/common';
import { BuiltFields } from './BuiltFields';
import { MadeOfFields } from './MadeOfFields';
import { DrawingFields } from './DrawingFields';
import { WordsFields } from './WordsFields';

interface Props {
  readonly round: Round;
  readonly shape: Shape;
}

const nameOfKind = (form: Form): string => (isBuilt(form) ? makerOf(form.kind).name : 'Path');

/** What the place of a shape is told by: its construction's origin, or the middle of a path. */
const originOf = (form: Form): string =>
  isBuilt(form) ? (makerOf(form.kind).originName ?? 'Origin') : 'Middle';

/** The numbers of the one selected shape. */
export function ShapePanel({ round, shape }: Props) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { form } = shape;
  const disabled = round.locked || shape.locked;
  const isLed = liesWithInput(shape);
  const ref = { roundId: round.id, shapeId: shape.id };
  const change = (next: Form): void =>
    act(
      editor,
      `Change ${shape.name}`,
      (figure) => alignStamps(setForm(figure, ref, next), ref),
      `form:${shape.id}`,
    );

  return (
    <Section title={nameOfKind(form)} fold="Numbers of a shape" note="its numbers">
      <PlaceFields round={round} shape={shape} disabled={disabled || isLed} />
      {form.kind === 'ellipse' && form.params.width === form.params.height && (
        <LengthField
          label="Diameter"
          caption="Diameter"
          value={form.params.width}
          in={unit}
          disabled={disabled}
          refuse={aboveZero('A diameter')}
          onChange={(diameter) => change({ ...form, params: { width: diameter, height: diameter } })}
        />
      )}
      {form.kind === 'words' && <WordsFields round={round} shape={{ ...shape, form }} disabled={disabled} />}
      <MadeOfFields round={round} shape={shape} disabled={disabled} />
      {isBuilt(form) && (
        <BuiltFields
          form={form}
          disabled={disabled}
          onChange={(next) => {
            // The next polygon has as many sides.
            if (next.kind === 'polygon') editor.setState({ lastSides: next.params.sides });
            change(next);
          }}
        />
      )}
      {form.kind === 'drawing' && (
        <DrawingFields
          form={form}
          disabled={disabled}
          current={() => {
            const now = findShape(shownFigure(editor.getState()), ref)?.form;
            return now?.kind === 'drawing' ? now : form;
          }}
          onChange={change}
        />
      )}
      {form.kind !== 'path' && (
        <TurnField
          label="Rotation"
          caption="Rotation"
          value={form.rotation}
          disabled={disabled || isLed}
          onChange={(rotation) => change({ ...form, rotation })}
        />
      )}
      <Sizes form={form} />
      {form.kind !== 'path' && (
        <Button
          disabled={disabled}
          onClick={() => {
            act(editor, 'Make plain', (figure, work) =>
              makePlain(figure, round.id, new Set([shape.id]), newId, work),
            );
            editor.setState({ tool: 'nodes' });
          }}
        >
          Make plain, to edit nodes
        </Button>
      )}
    </Section>
  );
}

/** Where a shape is: how far from the centre, and in which direction. */
function PlaceFields({ round, shape, disabled }: Props & { readonly disabled: boolean }) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const anchor = anchorOf(shape);
  const polar = polarOf(anchor);
  const moveTo = (to: Point): void =>
    act(
      editor,
      `Move ${shape.name}`,
      (figure) => moveShapes(figure, round.id, new Set([shape.id]), subtract(to, anchor)),
      `place:${shape.id}`,
    );
  const middle = originOf(shape.form);
  return (
    <>
      <LengthField
        label={`${middle} r`}
        caption={`${middle} r`}
        value={polar.r}
        in={unit}
        disabled={disabled}
        refuse={zeroOrMore('A distance')}
        onChange={(r) => moveTo(fromPolar(r, polar.degrees))}
      />
      <AngleField
        label={`${middle} θ`}
        caption={`${middle} θ`}
        value={polar.degrees}
        disabled={disabled}
        onChange={(degrees) => moveTo(fromPolar(polar.r, degrees))}
      />
    </>
  );
}

/** How large a shape is. */
function Sizes({ form }: { readonly form: Form }) {
  const work = useWork();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const paths = pathsOfForm(form, work);
  const closed = paths.filter((path) => path.closed);
  const box = boundsOfPaths(paths);
  const size = (value: number): string => `${printNumber(value, 3)} ${unit}`;
  return (
    <div className="pt-1">
      <Fact caption="Box">
        {printNumber(box.right - box.left, 3)} × {size(box.bottom - box.top)}
      </Fact>
      <Fact caption="Along the line">{size(paths.reduce((sum, path) => sum + pathLength(path), 0))}</Fact>
      {closed.length > 0 && (
        <Fact caption={closed.length === 1 ? 'Area' : `Areas of ${closed.length}`}>
          {`${printNumber(
            closed.reduce((sum, path) => sum + Math.abs(signedArea([path])), 0),
            3,
          )} ${unit}²`}
        </Fact>
      )}
    </div>
  );
}
