'use client';

import type { Point } from '@/core/curve';
import { firstColour, isGradient, mixedColour, withRun } from '@/core/paint';
import type { LengthUnit } from '@/core/number';
import type { Colour, Fill, Gradient, Spread } from '@/core/scene';
import { Segmented } from '@/ui/common';
import { ColourField } from './ColourField';
import { GradientEditor } from './GradientEditor';

interface Props {
  readonly label: string;
  readonly value: Fill | null;
  readonly mixed: boolean;
  readonly palette: readonly Colour[];
  readonly unit: LengthUnit;
  readonly endsOf: (kind: Gradient['kind'], spread: Spread) => [Point, Point];
  /** A gradient spread over something else; without it it is spread over `only`. */
  readonly respread?: (gradient: Gradient, spread: Spread) => Gradient;
  readonly only?: Spread;
  readonly onChange: (fill: Fill | null, key: string | null) => void;
  readonly onKeep: (colour: Colour) => void;
}

/** A fill: one colour, or a gradient with its stops. */
export function FillField({
  label,
  value,
  mixed,
  palette,
  unit,
  endsOf,
  respread,
  only,
  onChange,
  onKeep,
}: Props) {
  const kind = isGradient(value) ? value.kind : 'flat';
  const turnTo = (next: 'flat' | Gradient['kind']): void => {
    if (next === kind) return;
    if (next === 'flat') onChange(firstColour(value), null);
    else if (isGradient(value))
      onChange({ ...withRun(value, ...endsOf(next, value.spread)), kind: next }, null);
    else {
      const colour = value ?? palette[0] ?? '#1f8a76';
      const stops = [
        { at: 0, colour },
        { at: 1, colour: mixedColour(colour, '#ffffff', 0.75) },
      ];
      const spread = only ?? 'cell';
      const [from, to] = endsOf(next, spread);
      onChange({ kind: next, spread, from, to, stops }, null);
    }
  };
  return (
    <div className="flex flex-col gap-2.5">
      <Segmented
        label={`${label} is`}
        value={kind}
        choices={[
          { value: 'flat', label: 'Flat' },
          { value: 'linear', label: 'Linear' },
          { value: 'radial', label: 'Radial' },
        ]}
        onChange={turnTo}
      />
      {isGradient(value) ? (
        <GradientEditor
          label={label}
          value={value}
          palette={palette}
          unit={unit}
          endsOf={endsOf}
          {...(respread && { respread })}
          onChange={onChange}
          onKeep={onKeep}
        />
      ) : (
        <ColourField
          label={label}
          value={value}
          mixed={mixed}
          palette={palette}
          onChange={onChange}
          onKeep={onKeep}
        />
      )}
    </div>
  );
}
