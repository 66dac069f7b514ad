'use client';

import type { Wedge } from '@/core/symmetry';
import { memo, useMemo, type ReactNode } from 'react';

import { addTurns, degreesOf, multiplyTurn, negateTurn, turn, type Turn, wrapTurn } from '@/core/number';
import { remembered } from '@/core/remembered';
import { isMuch, type SceneCopy, type SceneLayer } from '@/core/scene';
import type { View } from '@/state';
import {
  GradientDefs,
  gradientIds,
  Items,
  areTurnedAlone,
  LayerCopies,
  MarkedPath,
  markedPath,
  placeOfView,
  ReliefGroup,
  type Slab,
  slabsOf,
  TurnedMark,
  wedgeData,
} from '@/ui/common';

/** How the Bench shows layers: turned so that one wedge stands upright. */
export interface BenchLook {
  readonly view: View;
  readonly size: { readonly width: number; readonly height: number };
  /** Of the round at hand. */
  readonly start: Turn;
  readonly fold: number;
  readonly wedge: Wedge;
  /** How far out anything reaches. */
  readonly radius: number;
  /** Degrees from the axis to which copies are seen. */
  readonly sight: number;
  readonly outline: boolean;
}

const uprightOf = ({ start }: BenchLook): number => -degreesOf(start);

/** The items of a layer. What stands still while another shape is dragged is left alone, however much it is. */
const MotifItems = memo(function MotifItems({
  layer,
  outline,
  id,
}: {
  readonly layer: SceneLayer;
  readonly outline: boolean;
  readonly id: string;
}) {
  // Where copies look different the first of them is the one on the Bench.
  const items = layer.copies[0]?.items ?? layer.items;
  const gradients = useMemo(() => gradientIds(id, items), [id, items]);
  return (
    <>
      <defs>
        <GradientDefs gradients={gradients} />
      </defs>
      <Items items={items} outline={outline} gradients={gradients} dimmed={0.5} />
    </>
  );
});

/** A layer without its first copy, which is the motif itself; the same object as long as the layer is. */
const withoutFirst = remembered((layer: SceneLayer): SceneLayer => ({
  ...layer,
  copies: layer.copies.slice(1),
}));

const degreesAway = (degrees: number): number => Math.abs(((degrees + 540) % 360) - 180);

interface InSight {
  readonly upright: number;
  readonly sight: number;
  readonly copies: readonly SceneCopy[];
}

const copiesSeen = new WeakMap<readonly SceneCopy[], InSight>();

/** The copies that the Bench shows; the same list as long as the copies are, whatever their paint. */
function copiesInSight(all: readonly SceneCopy[], upright: number, sight: number): readonly SceneCopy[] {
  const known = copiesSeen.get(all);
  if (known?.upright === upright && known.sight === sight) return known.copies;
  const copies = all.filter(({ turn: t }) => degreesAway(degreesOf(wrapTurn(t)) + upright) <= sight);
  copiesSeen.set(all, { upright, sight, copies });
  return copies;
}

const layersSeen = new WeakMap<SceneLayer, SceneLayer>();

/** A layer with the copies that the Bench shows; the same object as long as these are. */
function inSight(layer: SceneLayer, look: BenchLook): SceneLayer {
  const { sight } = look;
  if (layer.copies.length === 1 || sight >= 180) return layer;
  const copies = copiesInSight(layer.copies, uprightOf(look), sight);
  const known = layersSeen.get(layer);
  if (known?.copies === copies) return known;
  const made = { ...layer, copies };
  layersSeen.set(layer, made);
  return made;
}

/** Wire and grooves with the light from where it comes in Whole. */
function Lit({
  layer,
  look,
  id,
  children,
}: {
  readonly layer: SceneLayer | undefined;
  readonly look: BenchLook;
  readonly id: string;
  readonly children: ReactNode;
}) {
  const relief = look.outline ? undefined : layer?.relief;
  const reach = 1.2 * look.radius;
  return (
    <ReliefGroup
      relief={relief && { ...relief, from: addTurns(relief.from, negateTurn(look.start)) }}
      area={{ left: -reach, top: -reach, width: 2 * reach, height: 2 * reach }}
      id={id}
      pixelsPerUnit={look.view.scale}
    >
      {children}
    </ReliefGroup>
  );
}

/** Layers in all their copies, with one wedge upright. */
function Turned({
  layers,
  look,
  id,
}: {
  readonly layers: readonly SceneLayer[];
  readonly look: BenchLook;
  readonly id: (k: number) => string;
}) {
  return layers.map((layer, k) => (
    <Lit key={k} layer={layer} look={look} id={`${id(k)}-relief`}>
      <g transform={`rotate(${uprightOf(look)})`}>
        <LayerCopies layer={layer} id={id(k)} outline={look.outline} />
      </g>
    </Lit>
  ));
}

const cellLook = (look: BenchLook) => ({
  view: look.view,
  size: look.size,
  rotation: uprightOf(look),
  outline: look.outline,
});

/** Other rounds, faint. */
export const otherSlabs = (layers: readonly SceneLayer[], look: BenchLook): Slab[] =>
  slabsOf(
    'others',
    layers,
    (own) => ({ ...cellLook(look), layers: own, strength: 0.17 }),
    ({ layers: own, from }) => (
      <g transform={placeOfView(look.view)} opacity={0.17}>
        <Turned layers={own} look={look} id={(k) => `bench-other-${from + k}`} />
      </g>
    ),
    { still: isMuch(layers), seen: (layer) => inSight(layer, look) },
  );

/** The outlines and cells of the round at hand: faint, and full in the wedge. */
export function mergedSlabs(layers: readonly SceneLayer[], look: BenchLook): Slab[] {
  const wedge = wedgeData(look.wedge, look.radius * 1.2);
  return slabsOf(
    'merged',
    layers,
    (own) => ({ ...cellLook(look), layers: own, strength: 0.22, full: wedge }),
    ({ layers: own, from }) => (
      <g transform={placeOfView(look.view)}>
        {[0.22, 1].map((opacity) => (
          <g key={opacity} opacity={opacity} clipPath={opacity === 1 ? 'url(#bench-wedge)' : undefined}>
            <Turned layers={own} look={look} id={(k) => `bench-own-${from + k}-${opacity}`} />
          </g>
        ))}
      </g>
    ),
    { seen: (layer) => inSight(layer, look) },
  );
}

const MOST_NEIGHBOURS = 3;

/** A motif turned, as marks where a browser draws those as it draws copies. */
function Neighbours({
  id,
  turns,
  asMarks,
}: {
  readonly id: string;
  readonly turns: readonly Turn[];
  readonly asMarks: boolean;
}) {
  if (!asMarks)
    return turns.map((each, k) => <use key={k} href={`#${id}`} transform={`rotate(${degreesOf(each)})`} />);
  return (
    <>
      <defs>
        <TurnedMark id={`${id}-mark`}>
          <use href={`#${id}`} />
        </TurnedMark>
      </defs>
      <MarkedPath id={`${id}-mark`} d={markedPath(turns)} />
    </>
  );
}

/** The motif of a round that is not merged, and its copies to both sides. */
export function MotifAndCopies({
  id,
  layers,
  look,
  ghosts,
  plain,
}: {
  /** Of its `MotifDefs`. */
  readonly id: string;
  readonly layers: readonly SceneLayer[];
  readonly look: BenchLook;
  readonly ghosts: boolean;
  /** The copies are the motif, turned: that is all there is to show. */
  readonly plain: boolean;
}) {
  const { fold } = look;
  const neighbours = Array.from(
    { length: Math.min(MOST_NEIGHBOURS, Math.floor((fold - 1) / 2)) },
    (_, k) => k + 1,
  ).flatMap((k) => [multiplyTurn(turn(1, fold), k), multiplyTurn(turn(1, fold), -k)]);
  return (
    <>
      {ghosts && (
        <g opacity={0.2}>
          {plain ? (
            <Lit layer={layers[0]} look={look} id={`${id}-neighbours-relief`}>
              <Neighbours
                id={id}
                turns={neighbours}
                asMarks={!look.outline && layers.every(areTurnedAlone)}
              />
            </Lit>
          ) : (
            <Turned
              layers={layers.map((layer) => withoutFirst(inSight(layer, look)))}
              look={look}
              id={(k) => `${id}-neighbour-${k}`}
            />
          )}
        </g>
      )}
      <Lit layer={layers[0]} look={look} id={`${id}-relief`}>
        <use href={`#${id}`} />
      </Lit>
    </>
  );
}

/** The motif as it stands upright, to be referred to. */
export function MotifDefs({
  id,
  layers,
  outline,
}: {
  readonly id: string;
  readonly layers: readonly SceneLayer[];
  readonly outline: boolean;
}) {
  return (
    <g id={id}>
      {layers.map((layer, k) => (
        <MotifItems key={k} layer={layer} outline={outline} id={`${id}-${k}`} />
      ))}
    </g>
  );
}
