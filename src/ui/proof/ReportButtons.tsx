'use client';

import { useState } from 'react';

import { askedTarget, proofAddress, shownFigure } from '@/state';
import { Button, download } from '@/ui/common';
import { useEditor, useWorkshop } from '@/ui/desk';

/** Hands the proof over: a page to print and file, or data for another program. */
export function ReportButtons() {
  const editor = useEditor();
  const { saver } = useWorkshop();
  const [problem, setProblem] = useState<string | null>(null);
  const [isMaking, setMaking] = useState(false);
  const make = async (as: 'pdf' | 'json'): Promise<void> => {
    setMaking(true);
    setProblem(null);
    try {
      await saver()?.flush();
      const state = editor.getState();
      const figure = shownFigure(state);
      const answer = await fetch(proofAddress(state.id, { target: askedTarget(figure).id, as }));
      if (!answer.ok) {
        const { error } = (await answer.json().catch(() => ({}))) as { error?: string };
        throw new Error(error ?? 'The report could not be made.');
      }
      const address = URL.createObjectURL(await answer.blob());
      download(address, `${figure.name} proof.${as}`);
      setTimeout(() => URL.revokeObjectURL(address), 60_000);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'The report could not be made.');
    } finally {
      setMaking(false);
    }
  };
  return (
    <div className="flex flex-wrap gap-2 px-4 py-3">
      <Button className="flex-1" disabled={isMaking} onClick={() => void make('pdf')}>
        Report as PDF
      </Button>
      <Button disabled={isMaking} onClick={() => void make('json')}>
        JSON
      </Button>
      {problem && (
        <p role="alert" className="w-full text-[12px] text-coral-text">
          {problem}
        </p>
      )}
    </div>
  );
}
