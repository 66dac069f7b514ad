import { memo, useId } from 'react';

import type { SceneLayer } from '@/core/scene';
import type { View } from '@/state';
import { layersAhead } from './layersAhead';
import { LayerCopies } from './LayerCopies';
import { placeOfView } from './placeOfView';

interface Props {
  readonly wanted: readonly SceneLayer[];
  /** Those that the picture is of; null without one. */
  readonly drawn: readonly SceneLayer[] | null;
  readonly view: View;
  /** In degrees. */
  readonly rotation: number;
  /** Path data of where the picture has its full strength; null for all of it. */
  readonly full: string | null;
}

/** Cells that changed, over a picture of what they were: so what is done is seen at once, and the worker's picture follows. */
export const CellsAhead = memo(function CellsAhead({ wanted, drawn, view, rotation, full }: Props) {
  const id = useId().replace(/[^\w-]/g, '');
  const ahead = layersAhead(wanted, drawn);
  if (ahead.length === 0) return null;
  return (
    <svg
      data-testid="cells-ahead"
      className="pointer-events-none absolute inset-0 size-full"
      aria-hidden="true"
    >
      <g transform={placeOfView(view)}>
        {full !== null && (
          <clipPath id={`${id}-full`}>
            <path d={full} />
          </clipPath>
        )}
        <g clipPath={full === null ? undefined : `url(#${id}-full)`}>
          <g transform={`rotate(${rotation})`}>
            {ahead.map((layer, k) => (
              <LayerCopies key={k} layer={layer} id={`${id}-${k}`} outline={false} />
            ))}
          </g>
        </g>
      </g>
    </svg>
  );
});
