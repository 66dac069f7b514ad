import type { Stage } from './stages';

export type ToolId = 'select' | 'nodes' | 'path' | 'petal' | 'ellipse' | 'polygon' | 'paint' | 'eyedropper';

/** The two rows of the tray, which lie on the two rows of keys under the left hand. */
export const TRAYS: Record<Stage, readonly (readonly ToolId[])[]> = {
  draw: [
    ['select', 'nodes', 'path'],
    ['petal', 'ellipse', 'polygon'],
  ],
  turn: [['select']],
  merge: [['select']],
  colour: [['select', 'paint', 'eyedropper']],
};

/** Places on the keyboard, by `KeyboardEvent.code`, for the two rows of the tray. */
export const TRAY_KEYS = [
  ['KeyQ', 'KeyW', 'KeyE', 'KeyR', 'KeyT', 'KeyY', 'KeyU'],
  ['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyH', 'KeyJ'],
] as const;

/** The tool on a key in a stage, if there is one. */
export function toolOnKey(stage: Stage, code: string): ToolId | null {
  for (const [row, keys] of TRAY_KEYS.entries()) {
    const column = (keys as readonly string[]).indexOf(code);
    if (column >= 0) return TRAYS[stage][row]?.[column] ?? null;
  }
  return null;
}

export const TOOL_NAMES: Record<ToolId, string> = {
  select: 'Select',
  nodes: 'Nodes',
  path: 'Path',
  petal: 'Petal',
  ellipse: 'Ellipse',
  polygon: 'Polygon',
  paint: 'Paint',
  eyedropper: 'Eyedropper',
};
