import type { DrawnKind, ToolId } from '@/state/tools';
import type { Press } from './gesture';
import { BUILT_KINDS } from '@/core/maker/makers';
import { pressFuse, pressSwap, pressTake } from './cells';
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
import { pressStamp } from './stamp';
import { pressWords } from './words';

/** What a press does with each tool. */
export const PRESSES: Record<ToolId, Press> = {
  ...(Object.fromEntries(BUILT_KINDS.map((kind) => [kind, pressBuilt(kind)])) as Record<DrawnKind, Press>),
  select: pressSelect,
  nodes: pressNodes,
  path: pressPath,
  petal: pressPetal,
  ellipse: (editor, p, double) => {
    const way = editor.getState().ways.ellipse;
    const press = way === 'points' ? pressSpots('circle') : way === 'diameter' ? pressDiameter : pressEllipse;
    return press(editor, p, double);
  },
  polygon: (editor, p, double) =>
    (editor.getState().ways.polygon === 'star' ? pressBuilt('star') : pressPolygon)(editor, p, double),
  freehand: pressFreehand,
  slit: pressSlit,
  line: (editor, p, double) =>
    (editor.getState().ways.line === 'arc' ? pressSpots('arc') : pressLine)(editor, p, double),
  measure: pressMeasure,
  guide: pressGuide,
  touchingRing: (editor, p, double) =>
    pressBuilt(editor.getState().ways.circles === 'lattice' ? 'lattice' : 'touchingRing')(editor, p, double),
  rectangle: pressRectangle,
  stamp: pressStamp,
  words: pressWords,
  paint: pressPaint,
  eyedropper: pressEyedropper,
  fuse: pressFuse,
  take: pressTake,
  swap: pressSwap,
};
