import type { ComponentProps, ReactNode } from 'react';

const TONES = {
  main: 'bg-kelp text-on-kelp font-semibold hover:brightness-110 border border-transparent',
  plain: 'bg-field text-ink border border-line-strong hover:border-edge',
  quiet: 'bg-transparent text-ink border border-transparent hover:bg-line/60',
  danger: 'bg-field text-coral-text border border-coral hover:bg-coral-soft',
} as const;

interface Props extends ComponentProps<'button'> {
  readonly tone?: keyof typeof TONES;
}

export function Button({ tone = 'plain', className = '', type = 'button', ...rest }: Props) {
  return (
    <button
      type={type}
      className={`inline-flex h-[30px] items-center justify-center gap-1.5 rounded-ui px-3 font-medium whitespace-nowrap transition-colors duration-100 disabled:opacity-40 ${TONES[tone]} ${className}`}
      {...rest}
    />
  );
}

interface IconProps extends ComponentProps<'button'> {
  /** What it does: its name for screen readers and its hint. */
  readonly label: string;
  readonly on?: boolean;
  readonly children: ReactNode;
}

/** A square button with a picture alone. `on` makes it a switch. */
export function IconButton({ label, on, className = '', type = 'button', ...rest }: IconProps) {
  const state = on ? 'bg-kelp-soft text-kelp' : 'text-ink hover:bg-line/60';
  return (
    <button
      type={type}
      aria-label={label}
      title={label}
      aria-pressed={on}
      className={`inline-flex size-[30px] shrink-0 items-center justify-center rounded-ui transition-colors duration-100 disabled:opacity-35 ${state} ${className}`}
      {...rest}
    />
  );
}
