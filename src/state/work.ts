import { type Work, workFrom } from '@/core/derive';
import { remembered } from '../core/remembered';
import type { EditorState } from './editorState';

const readingOf = remembered(workFrom);

/** What is known of outlines that take work, for what is shown and asked; the same object as long as nothing new is known. */
export const workOf = ({ results }: Pick<EditorState, 'results'>): Work => readingOf(results);
