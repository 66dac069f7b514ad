import type { BuiltKind } from '../core/maker/makers';
import type { Stage } from './stages';

/** Constructions that are drawn by a drag of their own; a whirl of a shape is made of one that is there. */
export type DrawnKind = Exclude<
  BuiltKind,
  'nest' | 'hand' | 'stamp' | 'star' | 'lattice' | 'drawing' | 'band' | 'offset'
>;

export type ToolId =
  | 'select'
  | 'nodes'
  | 'path'
  | 'freehand'
  | 'line'
  | 'petal'
  | 'ellipse'
  | 'polygon'
  | 'stamp'
  | 'slit'
  | 'measure'
  | 'guide'
  | 'paint'
  | 'eyedropper'
  | 'fuse'
  | 'take'
  | 'swap'
  | DrawnKind;

/** The two rows of the tray, which lie on the two rows of keys under the left hand. */
export const TRAYS: Record<Stage, readonly (readonly ToolId[])[]> = {
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
};

/** Places on the keyboard, by `KeyboardEvent.code`, for the two rows of the tray. */
export const TRAY_KEYS = [
  ['KeyQ', 'KeyW', 'KeyE', 'KeyR', 'KeyT', 'KeyY', 'KeyU'],
  ['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyH', 'KeyJ'],
] as const;

/** The key, by its place, that opens the tools beyond the tray. */
export const MORE_KEY = 'KeyZ';

/** Stages in which things are drawn: each has the tools of the others too, beyond its own tray. */
const DRAWING: readonly Stage[] = ['setout', 'draw'];

/** Tools that lie in no tray. */
const BEYOND: readonly ToolId[] = ['bar', 'words'];

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

/** Names as short as the tray needs them. */
export const TOOL_NAMES: Record<ToolId, string> = {
  select: 'Select',
  nodes: 'Nodes',
  path: 'Path',
  freehand: 'Freehand',
  line: 'Line',
  petal: 'Petal',
  ellipse: 'Ellipse',
  polygon: 'Polygon',
  rectangle: 'Rectangle',
  words: 'Words',
  slit: 'Slit',
  measure: 'Measure',
  guide: 'Guide',
  paint: 'Paint',
  eyedropper: 'Eyedropper',
  fuse: 'Fuse',
  take: 'Remove',
  swap: 'Swap',
  ray: 'Ray',
  drop: 'Drop',
  heart: 'Heart',
  scallop: 'Scallop',
  kite: 'Kite',
  blade: 'Blade',
  bar: 'Bar',
  barFrame: 'Bar frame',
  stamp: 'Stamp',
  touchingRing: 'Circles',
  dial: 'Dial',
  branch: 'Branch',
  whirl: 'Whirl',
  scroll: 'Scroll',
  knot: 'Knot',
};
