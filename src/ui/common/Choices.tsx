'use client';

import { Radio, RadioGroup } from '@headlessui/react';

interface Props<T extends string> {
  readonly label: string;
  /** Null where none is chosen, or what is selected differs. */
  readonly value: T | null;
  readonly choices: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
}

interface Look {
  readonly group: string;
  readonly each: string;
}

function OneOf<T extends string>({
  label,
  value,
  choices,
  onChange,
  disabled = false,
  look,
}: Props<T> & { readonly look: Look }) {
  return (
    <RadioGroup
      value={value}
      onChange={(chosen: T | null) => chosen !== null && onChange(chosen)}
      aria-label={label}
      disabled={disabled}
      className={`data-[disabled]:opacity-50 ${look.group}`}
    >
      {choices.map((choice) => (
        <Radio
          key={choice.value}
          value={choice.value}
          className={`flex cursor-pointer items-center justify-center hover:bg-line/40 data-[checked]:bg-kelp-soft data-[checked]:font-semibold data-[checked]:text-kelp ${look.each}`}
        >
          {choice.label}
        </Radio>
      ))}
    </RadioGroup>
  );
}

const PAIRS: Look = {
  group: 'grid w-full grid-cols-2 gap-1.5',
  each: 'h-[30px] rounded-ui border border-line-strong bg-field px-1.5 data-[checked]:border-kelp',
};

const ROW: Look = {
  group: 'flex w-full overflow-hidden rounded-ui border border-line-strong bg-field',
  each: 'h-[28px] flex-1 border-l border-line px-1 first:border-l-0 focus-visible:-outline-offset-2',
};

/** One of several, two side by side: for more choices than fit in one row. */
export const Choices = <T extends string>(props: Props<T>) => <OneOf {...props} look={PAIRS} />;

/** One of a few, in one row. */
export const Segmented = <T extends string>(props: Props<T>) => <OneOf {...props} look={ROW} />;
