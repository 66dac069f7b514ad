import type { Editor } from '@/state';
import type { PanePoint } from './pointer';

/** What a tool does between a press and a release. */
export interface Gesture {
  move(p: PanePoint): void;
  up(p: PanePoint): void;
  /** Esc or a lost pointer: everything is as it was before the press. */
  cancel(): void;
}

/** A press with a tool; null where nothing follows from it. */
export type Press = (editor: Editor, p: PanePoint, double: boolean) => Gesture | null;
