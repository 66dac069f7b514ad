import { memo } from 'react';

import { pathData } from '@/core/format/pathData';
import type { Shape } from '@/core/figure/model';
import { pathOfForm } from '@/core/maker/form';

/** A shape's line alone, in the stroke of what is around it. */
export const MotifLine = memo(function MotifLine({ shape }: { readonly shape: Shape }) {
  return <path d={pathData([pathOfForm(shape.form)], 5)} vectorEffect="non-scaling-stroke" />;
});
