import type { ReactNode } from 'react';

import { reliefFilter } from '@/core/paint/relief';
import type { LayerRelief, ScenePage } from '@/core/scene/scene';

interface Props {
  readonly relief: LayerRelief | undefined;
  readonly page: ScenePage;
  readonly id: string;
  /** Of the screen. */
  readonly pixelsPerUnit: number;
  readonly children: ReactNode;
}

/** What a layer draws as raised wire or grooves, where it has a relief; the same filter as in files. */
export function ReliefGroup({ relief, page, id, pixelsPerUnit, children }: Props) {
  if (!relief) return children;
  const { deviation, surfaceScale, azimuth, elevation, plain } = reliefFilter(
    relief,
    relief.from,
    pixelsPerUnit,
  );
  return (
    <>
      <defs>
        <filter
          id={id}
          filterUnits="userSpaceOnUse"
          x={-page.width / 2 - page.centre.x}
          y={-page.height / 2 - page.centre.y}
          width={page.width}
          height={page.height}
          colorInterpolationFilters="sRGB"
        >
          <feGaussianBlur in="SourceAlpha" stdDeviation={deviation} result="edge" />
          <feDiffuseLighting
            in="edge"
            surfaceScale={surfaceScale}
            diffuseConstant={1}
            lightingColor="#fff"
            result="light"
          >
            <feDistantLight azimuth={azimuth} elevation={elevation} />
          </feDiffuseLighting>
          <feComposite in="light" in2="SourceGraphic" operator="arithmetic" k1={1} k3={plain} result="lit" />
          <feComposite in="lit" in2="SourceAlpha" operator="in" />
        </filter>
      </defs>
      <g filter={`url(#${id})`}>{children}</g>
    </>
  );
}
