'use client';

import { formProblem } from '@/core/maker/form';
import { petalCircles, petalExtent, type PetalForm, type PetalSize } from '@/core/maker/petal';
import { shownFigure } from '@/state/editor';
import { LengthField } from '../common/NumberField';
import { Row } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditorState } from '../editor/EditorContext';

interface Props {
  readonly form: PetalForm;
  readonly disabled: boolean;
  readonly onChange: (form: PetalForm) => void;
}

/** A petal's numbers, in the way it is made from. */
export function PetalFields({ form, disabled, onChange }: Props) {
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { size } = form;
  const field = (label: string, value: number, make: (value: number) => PetalSize) => (
    <LengthField
      key={label}
      label={label}
      caption={label}
      value={value}
      in={unit}
      disabled={disabled}
      refuse={(next) => formProblem({ ...form, size: make(next) })}
      onChange={(next) => onChange({ ...form, size: make(next) })}
    />
  );
  return (
    <>
      <Row caption="Made from">
        <Segmented
          label="Made from"
          value={size.by}
          disabled={disabled}
          choices={[
            { value: 'size', label: 'Its size' },
            { value: 'circles', label: 'Two circles' },
          ]}
          onChange={(by) =>
            onChange({
              ...form,
              size: by === 'size' ? { by, ...petalExtent(size) } : { by, ...petalCircles(size) },
            })
          }
        />
      </Row>
      {size.by === 'size'
        ? [
            field('Length', size.length, (length) => ({ ...size, length })),
            field('Width', size.width, (width) => ({ ...size, width })),
          ]
        : [
            field('Radius', size.radius, (radius) => ({ ...size, radius })),
            field('Apart', size.apart, (apart) => ({ ...size, apart })),
          ]}
    </>
  );
}
