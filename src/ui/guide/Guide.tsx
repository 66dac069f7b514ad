'use client';

import { X } from 'lucide-react';
import { useEffect } from 'react';

import { type Editor, STAGE_NAMES } from '@/state';
import { Button, IconButton } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { STEPS, whatIs } from './steps';

/** Begins the way to a first figure; also again. */
export const beginGuide = (editor: Editor): void =>
  editor.setState((state) => ({ guide: { step: 0, begun: whatIs(state) } }));

const leaveGuide = (editor: Editor): void => editor.setState({ guide: null });

/** Goes to the next step; past the last one, to what is said at the end. */
const goOn = (editor: Editor): void =>
  editor.setState((state) => ({
    guide: state.guide && { step: state.guide.step + 1, begun: whatIs(state) },
  }));

/** Goes on by itself when a step is seen to be done. */
function followSteps(editor: Editor): () => void {
  return editor.subscribe((state) => {
    const step = state.guide && STEPS[state.guide.step];
    if (state.guide && step?.isDone(whatIs(state), state.guide.begun)) goOn(editor);
  });
}

/** Marks in the interface what a step is about, by an attribute of the page that the styles look at. */
function useMarked(at: string | undefined): void {
  useEffect(() => {
    if (!at) return undefined;
    document.documentElement.dataset['guide'] = at;
    return () => {
      delete document.documentElement.dataset['guide'];
    };
  }, [at]);
}

/** A strip that leads through a first figure in the interface itself; nothing waits for it, and it can be left at once. */
export function Guide() {
  const editor = useEditor();
  const at = useEditorState((state) => state.guide?.step ?? null);
  const step = at === null ? undefined : STEPS[at];
  useEffect(() => followSteps(editor), [editor]);
  const stage = useEditorState((state) => state.stage);
  const first = step?.stage && step.stage !== stage ? step.stage : null;
  useMarked(first ? `stage-${first}` : step?.at);
  if (at === null) return null;
  return (
    <section
      aria-label="First figure"
      className="flex min-h-[44px] items-center gap-3 border-b border-line bg-coral-soft px-3.5 py-1.5"
    >
      <span className="shrink-0 font-mono text-[12px] text-coral-text">
        {step ? `${at + 1} of ${STEPS.length}` : 'Done'}
      </span>
      <p aria-live="polite" className="min-w-0 flex-1">
        {step ? (
          <>
            <b className="font-semibold">{step.title}.</b> {first && `Go to ${STAGE_NAMES[first]} above. `}
            {step.text}
          </>
        ) : (
          'That is a figure. Whatever else you look for, Find has it: press /, also for these steps.'
        )}
      </p>
      {step && (
        <Button className="shrink-0" onClick={() => goOn(editor)}>
          Skip
        </Button>
      )}
      {step ? (
        <IconButton label="Leave the first steps" onClick={() => leaveGuide(editor)}>
          <X size={16} strokeWidth={1.7} />
        </IconButton>
      ) : (
        <Button className="shrink-0" onClick={() => leaveGuide(editor)}>
          Close
        </Button>
      )}
    </section>
  );
}
