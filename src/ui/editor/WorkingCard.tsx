'use client';

import { stopWork } from '@/state/editor';
import { Button } from '../common/Button';
import { ProgressBar } from '../common/ProgressBar';
import { useEditor, useEditorState } from './EditorContext';

/** While a step is worked out: nothing else is taken, and once that lasts, how far it is and how to leave it. */
export function WorkingCard() {
  const editor = useEditor();
  const working = useEditorState((state) => state.working);
  if (!working) return null;
  return (
    <div className="fixed inset-0 z-40 cursor-progress">
      {working.progress !== null && (
        <div
          role="status"
          className="absolute bottom-10 left-1/2 flex w-[340px] -translate-x-1/2 cursor-default items-center gap-3 rounded-ui border border-line-strong bg-panel px-4 py-3 shadow-lg"
        >
          <div className="flex min-w-0 flex-1 flex-col gap-2">
            <span className="truncate text-[13px] font-medium">{working.label}: working out outlines</span>
            <div className="flex">
              <ProgressBar label="Working out outlines" share={working.progress} />
            </div>
          </div>
          <Button onClick={() => stopWork(editor)}>Stop</Button>
        </div>
      )}
    </div>
  );
}
