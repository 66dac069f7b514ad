import type { Work } from '@/core/derive';
import { workOf } from '@/state';
import { useEditorState } from './EditorContext';

/** What is known of outlines that take work; what is shown with it is shown anew once more is known. */
export const useWork = (): Work => useEditorState(workOf);
