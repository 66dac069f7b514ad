import { useWork } from '@/ui/desk';
import { memo } from 'react';

import type { Shape } from '@/core/figure';
import { pathsOfForm } from '@/core/maker';
import { screenData } from '@/core/format';

/** A shape's line alone, in the stroke of what is around it. */
export const MotifLine = memo(function MotifLine({ shape }: { readonly shape: Shape }) {
  const work = useWork();
  return <path d={screenData(pathsOfForm(shape.form, work))} vectorEffect="non-scaling-stroke" />;
});
