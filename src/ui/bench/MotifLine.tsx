import { memo } from 'react';

import type { Shape } from '@/core/figure/model';
import { pathsOfForm } from '@/core/maker/form';
import { screenData } from '@/core/format/screenData';

/** A shape's line alone, in the stroke of what is around it. */
export const MotifLine = memo(function MotifLine({ shape }: { readonly shape: Shape }) {
  return <path d={screenData(pathsOfForm(shape.form))} vectorEffect="non-scaling-stroke" />;
});
