import type { ReactNode } from 'react';

import { reliefFilter } from '@/core/paint';
import type { LayerRelief } from '@/core/scene';

interface Props {
  readonly relief: LayerRelief | undefined;
  /** What is drawn of it, in the figure's unit. */
  readonly area: {
    readonly left: number;
    readonly top: number;
    readonly width: number;
    readonly height: number;
  };
  readonly id: string;
  /** Of the screen. */
  readonly pixelsPerUnit: number;
  readonly children: ReactNode;
}

/** What a layer draws as raised wire or grooves, where it has a relief; the same filter as in files. */
export function ReliefGroup({ relief, area, id, pixelsPerUnit, children }: Props) {
  if (!relief) return children;
  const { deviation, smoothing, surfaceScale, azimuth, elevation, plain } = reliefFilter(
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
          x={area.left * pixelsPerUnit}
          y={area.top * pixelsPerUnit}
          width={area.width * pixelsPerUnit}
          height={area.height * pixelsPerUnit}
          colorInterpolationFilters="sRGB"
        >
          <feGaussianBlur in="SourceAlpha" stdDeviation={deviation} result="edge" />
          <feDiffuseLighting
            in="edge"
            surfaceScale={surfaceScale}
            diffuseConstant={1}
            lightingColor="#fff"
            result="rough"
          >
            <feDistantLight azimuth={azimuth} elevation={elevation} />
          </feDiffuseLighting>
          <feGaussianBlur in="rough" stdDeviation={smoothing} result="light" />
          <feComposite in="light" in2="SourceGraphic" operator="arithmetic" k1={1} k3={plain} result="lit" />
          <feComposite in="lit" in2="SourceAlpha" operator="in" />
        </filter>
      </defs>
      <g transform={`scale(${1 / pixelsPerUnit})`} filter={`url(#${id})`}>
        <g transform={`scale(${pixelsPerUnit})`}>{children}</g>
      </g>
    </>
  );
}
