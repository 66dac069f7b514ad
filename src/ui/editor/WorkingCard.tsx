'use client';

import { stopWork } from '@/state';
import { Button, ProgressBar } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';

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
          className="absolute top-[92px] left-1/2 flex w-[360px] -translate-x-1/2 cursor-default items-center gap-3 rounded-[12px] border border-line-strong bg-shell px-4 py-3 shadow-ui"
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
