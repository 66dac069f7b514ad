'use client';

import type { OptionField, Options } from '@/core/format';
import { ChoiceRow, CountField } from '@/ui/common';
import { shownFigure } from '@/state';
import { useEditorState } from '@/ui/desk';

interface FieldProps {
  readonly field: OptionField<Options>;
  readonly options: Options;
  readonly onChange: (options: Options) => void;
}

interface RoundsProps {
  readonly label: string;
  /** Ids, separated by commas. */
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** Rounds of the figure that are chosen. */
function RoundsRow({ label, value, onChange }: RoundsProps) {
  const { rounds } = useEditorState(shownFigure);
  const chosen = new Set(value.split(',').filter((id) => id !== ''));
  return (
    <fieldset>
      <legend className="text-muted">{label}</legend>
      <div className="flex flex-wrap gap-1 pt-1">
        {rounds.map(({ id, name }) => (
          <button
            key={id}
            type="button"
            aria-pressed={chosen.has(id)}
            className={`h-[26px] max-w-full truncate rounded-ui border px-2 text-[12px] ${chosen.has(id) ? 'border-kelp bg-kelp-soft text-kelp line-through' : 'border-line-strong bg-field hover:border-edge'}`}
            onClick={() => {
              const next = rounds.filter((round) => chosen.has(round.id) !== (round.id === id));
              onChange(next.map((round) => round.id).join(','));
            }}
          >
            {name}
          </button>
        ))}
      </div>
    </fieldset>
  );
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
  if (field.type === 'rounds')
    return (
      <RoundsRow
        label={label}
        value={String(options[key])}
        onChange={(value) => onChange({ ...options, [key]: value })}
      />
    );
  const { choices } = field;
  return (
    <ChoiceRow
      narrow
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
