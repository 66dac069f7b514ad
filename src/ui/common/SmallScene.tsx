'use client';

import { memo, useEffect, useRef, useState } from 'react';

import type { Scene } from '@/core/scene';
import { BackgroundDefs, backgroundFill } from './Background';
import { LayerCopies } from './LayerCopies';
import { placeOfView } from './placeOfView';
import { Slabs, slabsOf } from './Slabs';

/** A figure with its page, as wide as there is room. */
export const SmallScene = memo(function SmallScene({
  scene,
  id,
}: {
  readonly scene: Scene;
  /** Of this one among all that are shown. */
  readonly id: string;
}) {
  const element = useRef<HTMLDivElement>(null);
  const [side, setSide] = useState(0);
  useEffect(() => {
    const target = element.current;
    if (!target) return undefined;
    const observer = new ResizeObserver(() => setSide(target.clientWidth));
    observer.observe(target);
    return () => observer.disconnect();
  }, []);
  const { width, height, centre } = scene.page;
  const scale = side / Math.max(width, height);
  const view = { scale, x: side / 2 + scale * centre.x, y: side / 2 + scale * centre.y };
  return (
    <div
      ref={element}
      className="relative isolate aspect-square w-full overflow-hidden rounded-[6px]"
      aria-hidden="true"
    >
      <Slabs
        slabs={[
          {
            key: 'page',
            svg: (
              <g transform={placeOfView(view)}>
                <BackgroundDefs page={scene.page} id={`${id}-page`} />
                <rect
                  x={-width / 2 - centre.x}
                  y={-height / 2 - centre.y}
                  width={width}
                  height={height}
                  fill={backgroundFill(scene.page, `${id}-page`, 'white')}
                />
              </g>
            ),
          },
          ...slabsOf(
            'layers',
            scene.layers,
            (layers) => ({ layers, view, size: { width: side, height: side }, outline: false, small: true }),
            ({ layers, from }) => (
              <g transform={placeOfView(view)}>
                {layers.map((layer, k) => (
                  <LayerCopies key={k} layer={layer} id={`${id}-${from + k}`} outline={false} />
                ))}
              </g>
            ),
          ),
        ]}
      />
    </div>
  );
});
