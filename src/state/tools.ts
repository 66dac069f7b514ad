import type { Stage } from './stages';

/** The two rows of the tray, which lie on the two rows of keys under the left hand. */
const ROWS = {
  setout: [
    ['select', 'ray', 'drop', 'heart', 'scallop', 'kite', 'blade'],
    ['barFrame', 'touchingRing', 'dial', 'branch', 'whirl', 'knot', 'scroll'],
  ],
  draw: [
    ['select', 'nodes', 'path', 'freehand', 'line', 'ellipse', 'polygon'],
    ['rectangle', 'stamp', 'petal', 'eyedropper', 'slit', 'guide', 'measure'],
  ],
  turn: [['select']],
  merge: [['select', 'fuse', 'take', 'swap']],
  colour: [['select', 'paint', 'eyedropper']],
  proof: [['select']],
} as const;

/** Tools that lie in no tray. */
const BEYOND = ['bar', 'words'] as const;

export type ToolId = (typeof ROWS)[Stage][number][number] | (typeof BEYOND)[number];

export const TRAYS: Record<Stage, readonly (readonly ToolId[])[]> = ROWS;

/** Places on the keyboard, by `KeyboardEvent.code`, for the two rows of the tray. */
export const TRAY_KEYS = [
  ['KeyQ', 'KeyW', 'KeyE', 'KeyR', 'KeyT', 'KeyY', 'KeyU'],
  ['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyH', 'KeyJ'],
] as const;

/** The key, by its place, that opens the tools beyond the tray. */
export const MORE_KEY = 'KeyZ';

/** Stages in which things are drawn: each has the tools of the others too, beyond its own tray. */
const DRAWING: readonly Stage[] = ['setout', 'draw'];

/** Tools of a stage that its tray has no room for, in the order of the trays that they lie in. */
export function toolsBeyond(stage: Stage): readonly ToolId[] {
  if (!DRAWING.includes(stage)) return [];
  const own = new Set(TRAYS[stage].flat());
  return [...DRAWING.flatMap((each) => TRAYS[each].flat()), ...BEYOND].filter((tool) => !own.has(tool));
}

/** The tool on a key in a stage, if there is one. */
export function toolOnKey(stage: Stage, code: string): ToolId | null {
  for (const [row, keys] of TRAY_KEYS.entries()) {
    const column = (keys as readonly string[]).indexOf(code);
    if (column >= 0) return TRAYS[stage][row]?.[column] ?? null;
  }
  return null;
}
