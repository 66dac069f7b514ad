/** How far a piece of work is. */
export function ProgressBar({ label, share }: { readonly label: string; readonly share: number }) {
  const percent = Math.round(Math.min(1, Math.max(0, share)) * 100);
  return (
    <div
      role="progressbar"
      aria-label={label}
      aria-valuenow={percent}
      aria-valuemin={0}
      aria-valuemax={100}
      className="h-[6px] flex-1 overflow-hidden rounded-full bg-line"
    >
      <div className="h-full bg-kelp" style={{ width: `${Math.max(3, percent)}%` }} />
    </div>
  );
}
