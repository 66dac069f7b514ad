'use client';

import type { RoundId } from '@/core/figure';
import { createContext, useContext, useSyncExternalStore } from 'react';
import { useStore } from 'zustand';

import {
  drawnOf,
  pictureOf,
  type Editor,
  type EditorState,
  type Proofing,
  type ProofState,
  restOf,
  type Saver,
} from '@/state';

/** What everything in the editor works with. */
export interface Workshop {
  readonly editor: Editor;
  readonly saver: () => Saver | null;
  readonly stopMerge: (roundId: RoundId) => void;
  readonly mergeAgain: (roundId: RoundId) => void;
  readonly proofing: Proofing;
}

export const WorkshopContext = createContext<Workshop | null>(null);

/** The editor around. @throws Error outside one: a mistake of ours. */
export function useWorkshop(): Workshop {
  const workshop = useContext(WorkshopContext);
  if (!workshop) throw new Error('This part of the interface stands outside an editor.');
  return workshop;
}

export const useEditor = (): Editor => useWorkshop().editor;

/** The editor's state while the pointer alone moves; see `restOf`. */
export function useRestState(): EditorState {
  const editor = useEditor();
  return useStore(editor, restOf(editor));
}

/** The editor's state for what draws panes: in a drag new outlines are written into the picture as it stands; see `pictureOf`. */
export function usePictureState(): EditorState {
  const { subscribe, snapshot } = pictureOf(useEditor());
  return useSyncExternalStore(subscribe, snapshot, snapshot);
}

/** The editor's state while nothing that is drawn over the panes changes; see `drawnOf`. */
export function useDrawnState(): EditorState {
  const editor = useEditor();
  return useStore(editor, drawnOf(editor));
}

const ShownInPanel = createContext<EditorState | null>(null);

/** What the panel shows: the editor's state, a little behind the panes while something goes on there. */
export const PanelState = ShownInPanel.Provider;

/** The editor's state as the panel shows it: all of its sections are drawn anew together, when there is time. */
export function usePanelState(): EditorState {
  const state = useContext(ShownInPanel);
  if (!state) throw new Error('This part of the interface stands outside the panel.');
  return state;
}

/** Part of what the proof found; renders again when that part changes. */
export const useProof = <T,>(selector: (state: ProofState) => T): T =>
  useStore(useWorkshop().proofing.store, selector);

/** Part of the editor's state; renders again when that part changes. */
export const useEditorState = <T,>(selector: (state: EditorState) => T): T => useStore(useEditor(), selector);
