import { type ComponentProps, type ReactNode } from 'react';

import type { SceneLayer } from '@/core/scene';
import { isDrawnAsCells } from '@/worker';
import { CellCanvas } from './CellCanvas';
import { SteadyBounds } from './SteadyBounds';

/** A part of a pane's artwork: SVG in the pane's pixels, or very many cells. */
export type Slab = { readonly key: string } & (
  | {
      readonly svg: ReactNode;
      /** Stands still while something else is in hand: the browser keeps its picture. */
      readonly still?: boolean;
    }
  | { readonly cells: ComponentProps<typeof CellCanvas> }
);

/**
 * Parts of artwork, back to front; SVG that lies together is one element, so that its parts can be blended. What stands still is a layer
 * of its own, so that it is not painted again with what changes.
 */
export function Slabs({ slabs }: { readonly slabs: readonly Slab[] }) {
  const drawn: ReactNode[] = [];
  let together: ReactNode[] = [];
  let areStill = false;
  const close = (): void => {
    if (together.length === 0) return;
    const svg = (
      <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden="true">
        <SteadyBounds />
        {together}
      </svg>
    );
    // A browser keeps the picture of a layer that has a layer in it, and not that of one alone.
    drawn.push(
      <div
        key={`svg-${drawn.length}`}
        className={`absolute inset-0 ${areStill ? 'will-change-transform' : ''}`}
        data-still={areStill || undefined}
      >
        {svg}
      </div>,
    );
    together = [];
  };
  for (const slab of slabs)
    if ('svg' in slab) {
      if (areStill !== (slab.still ?? false)) close();
      areStill = slab.still ?? false;
      together.push(<g key={slab.key}>{slab.svg}</g>);
    } else {
      close();
      drawn.push(<CellCanvas key={slab.key} {...slab.cells} />);
    }
  close();
  return drawn;
}

/** Layers that lie together and are shown in one way. */
interface LayerRun {
  /** As cells on a canvas, else as SVG. */
  readonly cells: boolean;
  /** Of its first layer among all. */
  readonly from: number;
  readonly layers: readonly SceneLayer[];
}

/** From this many cells on a round is drawn on a canvas: SVG would take longer than a moment. */
const MANY_CELLS = 1500;

/** Layers in runs, back to front: a round of very many cells by itself, the others as they lie together. */
function runsOf(layers: readonly SceneLayer[]): LayerRun[] {
  // Without a canvas for workers all is SVG, slower.
  if (typeof OffscreenCanvas === 'undefined') return [{ cells: false, from: 0, layers }];
  const copies = new Map<string, number>();
  for (const layer of layers)
    if (isDrawnAsCells(layer))
      copies.set(layer.roundId, (copies.get(layer.roundId) ?? 0) + layer.copies.length);
  const runs: { cells: boolean; from: number; layers: SceneLayer[] }[] = [];
  layers.forEach((layer, from) => {
    const cells = (copies.get(layer.roundId) ?? 0) >= MANY_CELLS && isDrawnAsCells(layer);
    const last = runs.at(-1);
    if (last?.cells === cells && (!cells || last.layers[0]?.roundId === layer.roundId))
      last.layers.push(layer);
    else runs.push({ cells, from, layers: [layer] });
  });
  return runs;
}

interface HowShown {
  /** They stand still while something else is in hand. */
  readonly still?: boolean;
  /** What is seen of a layer, which may be fewer of its copies: how it is drawn goes by all of them, the same in each pane. */
  readonly seen?: (layer: SceneLayer) => SceneLayer;
}

/** The slabs of layers, back to front. */
export const slabsOf = (
  name: string,
  layers: readonly SceneLayer[],
  cells: (layers: readonly SceneLayer[]) => ComponentProps<typeof CellCanvas>,
  svg: (run: Pick<LayerRun, 'from' | 'layers'>) => ReactNode,
  { still = false, seen = (layer) => layer }: HowShown = {},
): Slab[] =>
  runsOf(layers).map(({ cells: areCells, from, layers: run }, k) => {
    const own = run.map(seen);
    return {
      key: `${name}-${k}`,
      ...(areCells ? { cells: cells(own) } : { svg: svg({ from, layers: own }), still }),
    };
  });
