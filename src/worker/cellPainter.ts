import { proxy, wrap, type Remote } from 'comlink';

import { screenData } from '@/core/format';
import { boundsOfPaths } from '@/core/curve';
import { inksOfPaint } from '@/core/paint';
import type { SceneCopy, SceneLayer } from '@/core/scene';
import { placementMap } from '@/core/symmetry';
import type { CanvasFrame, Cells } from './cellDrawing';
import type { CellDoor, DrawnCells } from './cells.worker';
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

/** Numbers for objects: the same as long as an object is. */
function numbering(): (of: object) => number {
  let last = 0;
  return remembered(() => {
    last += 1;
    return last;
  });
}

const [outlineNumber, placesNumber] = [numbering(), numbering()];

interface Drawing {
  readonly cells: Cells;
  /** A `DrawnCells` as text, which goes to a worker in less time than as objects. */
  readonly text: string;
}

/** The cells of a layer and how they are painted; the id is the same whatever the paint, as long as outline and copies are. */
const drawingOf = remembered((layer: SceneLayer): Drawing | null => {
  const [item] = layer.items;
  if (!item) return null;
  const cells = {
    id: `${outlineNumber(item.paths)} ${item.rule} ${placesNumber(layer.copies)}`,
    data: screenData(item.paths),
    box: boundsOfPaths(item.paths),
    rule: item.rule,
    places: placesOf(layer.copies),
  };
  const drawn: DrawnCells = {
    cells: cells.id,
    look: { paint: item.paint, opacity: layer.copies[0]?.opacity ?? 1 },
  };
  return { cells, text: JSON.stringify(drawn) };
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
  let sent = new Set<string>();
  return {
    draw: (layers, frame, share, show, progress) => {
      const wanted = layers.flatMap((layer) => drawingOf(layer) ?? []);
      const cells = new Map(wanted.map((drawing) => [drawing.cells.id, drawing.cells]));
      const fresh = [...cells.values()].filter(({ id }) => !sent.has(id));
      sent = new Set(cells.keys());
      const drawings = wanted.map(({ text }) => text);
      const picture = { frame, drawings, fresh, share, isAtHand: !small };
      return own.door.draw(pane, picture, proxy(show), proxy(progress));
    },
    close: () => {
      if (small) void own.door.close(pane);
      else own.worker.terminate();
    },
  };
}
