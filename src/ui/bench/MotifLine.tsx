import { useWork } from '@/ui/editor/useWork';
import { memo } from 'react';

import type { Shape } from '@/core/figure/model';
import { pathsOfForm } from '@/core/maker/form';
import { screenData } from '@/core/format/screenData';

/** A shape's line alone, in the stroke of what is around it. */
export const MotifLine = memo(function MotifLine({ shape }: { readonly shape: Shape }) {
  const work = useWork();
  return <path d={screenData(pathsOfForm(shape.form, work))} vectorEffect="non-scaling-stroke" />;
});
