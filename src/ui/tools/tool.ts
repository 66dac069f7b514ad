import type { LucideIcon } from 'lucide-react';

import type { Editor } from '@/state';
import type { Press } from './gesture';
import type { PanePoint } from './pointer';

/**
 * A tool: what it is called and looks like, and what the pointer does with it. Its place in a tray, which is its key, is in `state/tools`.
 *
 * @example
 * const slit: Tool = { name: 'Slit', words: 'cut knife', icon: Scissors, press: pressSlit };
 */
export interface Tool {
  /** As short as the tray needs it. */
  readonly name: string;
  /** What it is also called, so that it is found by it. */
  readonly words: string;
  readonly icon: LucideIcon;
  readonly press: Press;
  /** What a pointer that is not pressed shows; by itself, the point that a press would catch. */
  readonly hover?: (editor: Editor, p: PanePoint) => void;
  /** It takes up what lies there, and is no cross. */
  readonly isArrow?: true;
}
