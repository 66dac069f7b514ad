'use client';

import type { OptionField, Options } from '@/core/format/format';
import { CountField } from '../common/NumberField';
import { ChoiceRow } from '../common/ChoiceRow';

interface FieldProps {
  readonly field: OptionField<Options>;
  readonly options: Options;
  readonly onChange: (options: Options) => void;
}

/** One option of a format, as it asks for it. */
export function OptionRow({ field, options, onChange }: FieldProps) {
  const { key, label } = field;
  if (field.type === 'count')
    return (
      <CountField
        label={label}
        caption={label}
        value={Number(options[key])}
        least={field.least}
        most={field.most}
        {...(field.step !== undefined && { step: field.step })}
        {...(field.unit !== undefined && { unit: field.unit })}
        onChange={(value) => onChange({ ...options, [key]: value })}
      />
    );
  const { choices } = field;
  return (
    <ChoiceRow
      label={label}
      value={String(options[key])}
      choices={choices.map(([value, name]) => ({ value: String(value), label: name }))}
      onChange={(chosen) => {
        const value = choices.find(([each]) => String(each) === chosen)?.[0];
        if (value !== undefined) onChange({ ...options, [key]: value });
      }}
    />
  );
}
