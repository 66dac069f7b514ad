'use client';

import { useGroupName } from './groupNames';
import { steady } from './steady';

interface Props<T extends string> {
  readonly label: string;
  /** Null where none is chosen, or what is selected differs. */
  readonly value: T | null;
  readonly choices: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
}

/** Classes of the whole and of each choice. The browser's own radio buttons lie over the choices, as panels have many and are drawn often. */
interface Look {
  readonly group: string;
  readonly each: string;
}

function DrawnChoices<T extends string>({
  label,
  value,
  choices,
  onChange,
  disabled = false,
  look,
}: Props<T> & { readonly look: Look }) {
  const { name, group } = useGroupName();
  return (
    <div
      ref={group}
      role="radiogroup"
      aria-label={label}
      className={`${disabled ? 'opacity-50' : ''} ${look.group}`}
    >
      {choices.map((choice) => (
        <label
          key={choice.value}
          className={`relative flex cursor-pointer items-center justify-center not-has-disabled:hover:bg-line/40 has-checked:bg-kelp-soft has-checked:font-semibold has-checked:text-kelp has-focus-visible:outline-2 has-focus-visible:outline-kelp ${look.each}`}
        >
          <input
            type="radio"
            name={name}
            className="absolute inset-0 cursor-pointer appearance-none outline-none disabled:cursor-default"
            checked={choice.value === value}
            disabled={disabled}
            onChange={() => onChange(choice.value)}
          />
          {choice.label}
        </label>
      ))}
    </div>
  );
}

const OneOf = steady(DrawnChoices) as typeof DrawnChoices;

const PAIRS: Look = {
  group: 'grid w-full grid-cols-2 gap-1.5',
  each: 'h-[30px] rounded-ui border border-line-strong bg-field px-1.5 has-checked:border-kelp',
};

const ROW: Look = {
  group: 'flex w-full overflow-hidden rounded-ui border border-line-strong bg-field',
  each: 'h-[28px] flex-1 border-l border-line px-1 first:border-l-0 has-focus-visible:-outline-offset-2',
};

/** One of several, two side by side: for more choices than fit in one row. */
export const Choices = <T extends string>(props: Props<T>) => <OneOf {...props} look={PAIRS} />;

/** One of a few, in one row. */
export const Segmented = <T extends string>(props: Props<T>) => <OneOf {...props} look={ROW} />;
