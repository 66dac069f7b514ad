'use client';

import { Radio, RadioGroup } from '@headlessui/react';

interface Choice<T extends string> {
  readonly value: T;
  readonly label: string;
}

interface Props<T extends string> {
  readonly label: string;
  readonly value: T | null;
  readonly choices: readonly Choice<T>[];
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
}

/** One of a few, side by side. `value` null shows that what is selected differs. */
export function Segmented<T extends string>({ label, value, choices, onChange, disabled = false }: Props<T>) {
  return (
    <RadioGroup
      value={value}
      onChange={(chosen: T | null) => chosen !== null && onChange(chosen)}
      aria-label={label}
      disabled={disabled}
      className="flex w-full overflow-hidden rounded-ui border border-line-strong bg-field data-[disabled]:opacity-50"
    >
      {choices.map((choice) => (
        <Radio
          key={choice.value}
          value={choice.value}
          className="flex h-[28px] flex-1 cursor-pointer items-center justify-center border-l border-line px-1 first:border-l-0 hover:bg-line/40 focus-visible:-outline-offset-2 data-[checked]:bg-kelp-soft data-[checked]:font-semibold data-[checked]:text-kelp"
        >
          {choice.label}
        </Radio>
      ))}
    </RadioGroup>
  );
}
