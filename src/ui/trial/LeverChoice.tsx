import type { Lever } from '@/core/trial';

interface Props {
  readonly label: string;
  readonly levers: readonly Lever[];
  /** Its key; null for none. */
  readonly value: string | null;
  /** What no lever is called; without it one has to be chosen. */
  readonly none?: string;
  readonly onChange: (key: string | null) => void;
}

/** A number or choice of a round, by what it is of. */
export function LeverChoice({ label, levers, value, none, onChange }: Props) {
  return (
    <select
      aria-label={label}
      value={value ?? ''}
      onChange={({ target }) => onChange(target.value === '' ? null : target.value)}
      className="h-[30px] min-w-0 flex-1 rounded-ui border border-line-strong bg-field px-2"
    >
      {none !== undefined && <option value="">{none}</option>}
      {levers.map(({ key, of, label: name }) => (
        <option key={key} value={key}>
          {of} · {name}
        </option>
      ))}
    </select>
  );
}
