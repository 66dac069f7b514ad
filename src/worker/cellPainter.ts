import { proxy, wrap } from 'comlink';

import { screenData } from '../core/format/screenData';
import type { SceneLayer } from '../core/scene/scene';
import { placementMap } from '../core/symmetry/rule';
import type { CanvasFrame, CellDrawing } from './cellDrawing';
import type { CellDoor } from './cells.worker';
import { remembered } from '../core/remembered';

/** Draws very many cells in a worker of its own. */
export interface CellPainter {
  /**
   * Shows layers; what it was drawing before ends.
   * @param progress from 0 to 1, while it draws
   * @returns true where they were drawn to their end
   */
  draw(
    layers: readonly SceneLayer[],
    frame: CanvasFrame,
    show: (bitmap: ImageBitmap) => void,
    progress: (share: number) => void,
  ): Promise<boolean>;
  close(): void;
}

/** True for a layer that a canvas shows as SVG does: one outline in one paint, which nothing is blended with. */
export const isDrawnAsCells = remembered(
  ({ items, copies, blend = 'normal', relief }: SceneLayer): boolean => {
    const [item, another] = items;
    if (!item || another || item.shapeId !== null || blend !== 'normal' || relief) return false;
    const opacity = copies[0]?.opacity ?? 1;
    // Seen through, a stroke would show its fill.
    if (opacity < 1 && item.paint.fill && item.paint.stroke) return false;
    return copies.every((copy) => !copy.items && (copy.opacity ?? 1) === opacity);
  },
);

let lastId = 0;

/** The drawing of a layer; the same object as long as the layer is. */
const drawingOf = remembered((layer: SceneLayer): CellDrawing | null => {
  const [item] = layer.items;
  if (!item) return null;
  const places = new Float64Array(6 * layer.copies.length);
  layer.copies.forEach(({ turn, shift = null }, k) => {
    const { a, b, c, d, e, f } = placementMap({ turn, shift, mirrored: item.mirrored });
    places.set([a, b, c, d, e, f], 6 * k);
  });
  lastId += 1;
  return {
    id: lastId,
    data: screenData(item.paths),
    rule: item.rule,
    paint: item.paint,
    opacity: layer.copies[0]?.opacity ?? 1,
    places,
  };
});

export function createCellPainter(): CellPainter {
  const worker = new Worker(new URL('./cells.worker.ts', import.meta.url), { type: 'module' });
  const door = wrap<CellDoor>(worker);
  let sent = new Set<number>();
  return {
    draw: (layers, frame, show, progress) => {
      const wanted = layers.flatMap((layer) => drawingOf(layer) ?? []);
      const fresh = wanted.filter(({ id }) => !sent.has(id));
      sent = new Set(wanted.map(({ id }) => id));
      return door.draw({ frame, ids: [...sent], fresh }, proxy(show), proxy(progress));
    },
    close: () => worker.terminate(),
  };
}
