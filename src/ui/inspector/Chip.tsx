'use client';

/** A small button of a grid of steps. */
export function Chip({ onClick, children }: { readonly onClick: () => void; readonly children: string }) {
  return (
    <button
      type="button"
      onClick={onClick}
      className="h-[28px] rounded-ui border border-line-strong bg-field px-1 text-[12px] hover:border-edge"
    >
      {children}
    </button>
  );
}
