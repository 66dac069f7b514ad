import { proxy, wrap, type Remote } from 'comlink';

import { screenData } from '@/core/format';
import { type Bounds, boundsOfPaths } from '@/core/curve';
import { inksOfPaint, styleOf } from '@/core/paint';
import type { SceneCopy, SceneItem, SceneLayer } from '@/core/scene';
import { placementMap } from '@/core/symmetry';
import type { CanvasFrame, CellDrawing } from './cellDrawing';
import type { CellDoor } from './cells.worker';
import { remembered } from '../core/remembered';

/** Draws very many cells in a worker. */
export interface CellPainter {
  /**
   * Shows layers; what it was drawing before ends.
   * @param share of the copies of each that are there yet, from 0 to 1
   * @param progress from 0 to 1, while it draws
   * @returns true where they were drawn to their end
   */
  draw(
    layers: readonly SceneLayer[],
    frame: CanvasFrame,
    share: number,
    show: (bitmap: ImageBitmap) => void,
    progress: (share: number) => void,
  ): Promise<boolean>;
  close(): void;
}

/** True for a layer that a canvas shows as SVG does: one outline in one paint. */
export const isDrawnAsCells = remembered(({ items, copies, relief }: SceneLayer): boolean => {
  const [item, another] = items;
  if (!item || another || item.origin.of === 'shape' || item.mirrored || relief) return false;
  // A canvas has rings that are circles only.
  if (inksOfPaint(item.paint).some((ink) => ink.kind === 'radial' && ink.map)) return false;
  const opacity = copies[0]?.opacity ?? 1;
  // Seen through, a stroke would show its fill.
  if (opacity < 1 && item.paint.fill && item.paint.stroke) return false;
  return copies.every((copy) => !copy.items && (copy.opacity ?? 1) === opacity);
});

/** Six numbers for each copy: of the matrix that takes an outline to it. */
const placesOf = remembered((copies: readonly SceneCopy[]): Float64Array => {
  const places = new Float64Array(6 * copies.length);
  copies.forEach(({ turn, transform = null }, k) => {
    const { a, b, c, d, e, f } = placementMap({ turn, transform, mirrored: false });
    places.set([a, b, c, d, e, f], 6 * k);
  });
  return places;
});

/** The box of an outline with its stroke, whose joins and caps reach beyond half its width. */
function drawnBox({ paths, paint, rule }: SceneItem): Bounds {
  const { left, top, right, bottom } = boundsOfPaths(paths);
  const { stroke } = styleOf(paint, rule);
  const reach = stroke ? (stroke.width / 2) * Math.max(stroke.limit, Math.SQRT2) : 0;
  return { left: left - reach, top: top - reach, right: right + reach, bottom: bottom + reach };
}

let lastId = 0;

/** The drawing of a layer; the same object as long as the layer is. */
const drawingOf = remembered((layer: SceneLayer): CellDrawing | null => {
  const [item] = layer.items;
  if (!item) return null;
  lastId += 1;
  return {
    id: lastId,
    data: screenData(item.paths),
    box: drawnBox(item),
    rule: item.rule,
    paint: item.paint,
    opacity: layer.copies[0]?.opacity ?? 1,
    places: placesOf(layer.copies),
  };
});

interface OpenWorker {
  readonly worker: Worker;
  readonly door: Remote<CellDoor>;
}

function openWorker(): OpenWorker {
  const worker = new Worker(new URL('./cells.worker.ts', import.meta.url), { type: 'module' });
  return { worker, door: wrap<CellDoor>(worker) };
}

/** Of small pictures, one after another; it stays open for the next ones. */
let shared: OpenWorker | null = null;
let lastPane = 0;

/** @param small for one of many small pictures, which share a worker; else it has its own */
export function createCellPainter(small: boolean): CellPainter {
  if (small) shared ??= openWorker();
  const own = (small ? shared : null) ?? openWorker();
  lastPane += 1;
  const pane = lastPane;
  let sent = new Set<number>();
  return {
    draw: (layers, frame, share, show, progress) => {
      const wanted = layers.flatMap((layer) => drawingOf(layer) ?? []);
      const fresh = wanted.filter(({ id }) => !sent.has(id));
      sent = new Set(wanted.map(({ id }) => id));
      const picture = { frame, ids: [...sent], fresh, share };
      return own.door.draw(pane, picture, proxy(show), proxy(progress));
    },
    close: () => {
      if (small) void own.door.close(pane);
      else own.worker.terminate();
    },
  };
}
