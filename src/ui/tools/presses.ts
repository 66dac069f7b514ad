import type { ToolId } from '@/state/tools';
import type { Press } from './gesture';
import { pressEllipse, pressPetal, pressPolygon } from './makers';
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
  ellipse: pressEllipse,
  polygon: pressPolygon,
  paint: pressPaint,
  eyedropper: pressEyedropper,
};
