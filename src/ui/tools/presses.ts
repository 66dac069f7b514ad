import type { ToolId } from '@/state/tools';
import type { Press } from './gesture';
import { BUILT_KINDS, type BuiltKind } from '@/core/maker/makers';
import { pressFreehand } from './freehand';
import { pressSlit } from './slit';
import { pressGuide, pressMeasure } from './guides';
import { pressSpots } from './spots';
import {
  pressBuilt,
  pressDiameter,
  pressEllipse,
  pressLine,
  pressPetal,
  pressPolygon,
  pressRectangle,
} from './makers';
import { pressNodes } from './nodes';
import { pressEyedropper, pressPaint } from './paint';
import { pressPath } from './path';
import { pressSelect } from './select';

/** What a press does with each tool. */
export const PRESSES: Record<ToolId, Press> = {
  select: pressSelect,
  nodes: pressNodes,
  path: pressPath,
  petal: pressPetal,
  ellipse: (editor, p, double) => {
    const way = editor.getState().ways.ellipse;
    const press = way === 'points' ? pressSpots('circle') : way === 'diameter' ? pressDiameter : pressEllipse;
    return press(editor, p, double);
  },
  polygon: pressPolygon,
  freehand: pressFreehand,
  slit: pressSlit,
  line: (editor, p, double) =>
    (editor.getState().ways.line === 'arc' ? pressSpots('arc') : pressLine)(editor, p, double),
  measure: pressMeasure,
  guide: pressGuide,
  ...(Object.fromEntries(BUILT_KINDS.map((kind) => [kind, pressBuilt(kind)])) as Record<BuiltKind, Press>),
  rectangle: pressRectangle,
  paint: pressPaint,
  eyedropper: pressEyedropper,
};
