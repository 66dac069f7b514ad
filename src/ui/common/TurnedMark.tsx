import type { ReactNode } from 'react';

/** What is turned to the directions of a path's vertices; see `markedPath`. It stands in `defs`. */
export function TurnedMark({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  return (
    <marker id={id} orient="auto" markerUnits="userSpaceOnUse" overflow="visible">
      {children}
    </marker>
  );
}

/** A path whose vertices are marked; see `markedPath`. @param count how many marks it has */
export function MarkedPath({
  id,
  d,
  count,
}: {
  readonly id: string;
  readonly d: string;
  readonly count?: number;
}) {
  return (
    <path
      data-copies={count}
      d={d}
      fill="none"
      stroke="none"
      style={{ markerStart: `url(#${id})`, markerMid: `url(#${id})` }}
    />
  );
}
