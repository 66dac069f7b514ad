/**
 * Who draws which item of a scene, so that an outline that changes can be written where it is drawn.
 *
 * @example
 * const path = useOutline(item, (element: SVGPathElement, d) => element.setAttribute('d', d)); // a function of the module, not a new one
 * <path ref={path} d={…} />
 */
import { createContext, type RefObject, useContext, useLayoutEffect, useRef } from 'react';

import type { SceneItem } from '@/core/scene';

/** Takes who draws an item, to be handed its outline while that alone changes. @returns how to say that it is no longer drawn */
type Draws = (item: SceneItem, write: (d: string) => void) => () => void;

const Drawn = createContext<Draws | null>(null);

/** Around what is edited: elsewhere a picture stands still. */
export const DrawnItems = Drawn.Provider;

/**
 * Has new outlines of an item written into the element that draws it, past React, which would compare all of a pane for them with every move
 * of a drag.
 * @param write the same function each time
 */
export function useOutline<E extends Element>(
  item: SceneItem,
  write: (element: E, d: string) => void,
): RefObject<E | null> {
  const draws = useContext(Drawn);
  const element = useRef<E>(null);
  useLayoutEffect(
    () =>
      draws?.(item, (d) => {
        if (element.current) write(element.current, d);
      }),
    [draws, item, write],
  );
  return element;
}
