'use client';

import { Radio, RadioGroup } from '@headlessui/react';

interface Props<T extends string> {
  readonly label: string;
  /** Null where none is chosen. */
  readonly value: T | null;
  readonly choices: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
}

/** One of several, two side by side: for more choices than fit in one row. */
export function Choices<T extends string>({ label, value, choices, onChange, disabled = false }: Props<T>) {
  return (
    <RadioGroup
      value={value}
      onChange={(chosen: T | null) => chosen !== null && onChange(chosen)}
      aria-label={label}
      disabled={disabled}
      className="grid grid-cols-2 gap-1.5 data-[disabled]:opacity-50"
    >
      {choices.map((choice) => (
        <Radio
          key={choice.value}
          value={choice.value}
          className="flex h-[30px] cursor-pointer items-center justify-center rounded-ui border border-line-strong bg-field px-1.5 hover:bg-line/40 data-[checked]:border-kelp data-[checked]:bg-kelp-soft data-[checked]:font-semibold data-[checked]:text-kelp"
        >
          {choice.label}
        </Radio>
      ))}
    </RadioGroup>
  );
}
