import { memo } from 'react';

import { pathData } from '@/core/format/pathData';
import type { Shape } from '@/core/figure/model';
import { pathsOfForm } from '@/core/maker/form';

/** A shape's line alone, in the stroke of what is around it. */
export const MotifLine = memo(function MotifLine({ shape }: { readonly shape: Shape }) {
  return <path d={pathData(pathsOfForm(shape.form), 5)} vectorEffect="non-scaling-stroke" />;
});
