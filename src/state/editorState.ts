/**
 * The state of an editor, in slices: each is a file with what it holds and how it begins. What repaints what goes by them (see `rest.ts`).
 *
 * @example
 * const editor = createStore<EditorState>(() => startState(saved));
 */
import type { StoreApi } from 'zustand';

import type { Figure } from '@/core/figure';
import type { SavedFigure } from '@/protocol';
import { figureOf } from './history';
import { type DocumentSlice, startDocument } from './slices/document';
import { type OptionsSlice, startOptions } from './slices/options';
import { type PointerSlice, startPointer } from './slices/pointer';
import { type SavingSlice, startSaving } from './slices/saving';
import { type SessionSlice, startSession } from './slices/session';
import { startTools, type ToolSlice } from './slices/tools';
import { startView, type ViewSlice } from './slices/view';

export interface EditorState
  extends DocumentSlice, SavingSlice, SessionSlice, ViewSlice, ToolSlice, OptionsSlice, PointerSlice {}

export type Editor = StoreApi<EditorState>;

/** How an editor of a saved figure begins: at its front round. */
export function startState(saved: SavedFigure): EditorState {
  const { page, rounds } = saved.figure;
  return {
    ...startDocument(saved),
    ...startSaving(saved),
    ...startSession(rounds[rounds.length - 1]),
    ...startView(),
    ...startTools(),
    ...startOptions(page),
    ...startPointer(),
  };
}

/** The figure on the screen. */
export const shownFigure = (state: EditorState): Figure => state.live ?? figureOf(state.history);
