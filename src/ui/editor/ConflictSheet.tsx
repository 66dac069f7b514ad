'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';

import { shownFigure } from '@/state/editor';
import { Button } from '../common/Button';
import { Sheet } from '../common/Panel';
import { useEditorState, useWorkshop } from './EditorContext';

/** The figure was changed elsewhere: a choice in which neither version is lost. */
export function ConflictSheet() {
  const router = useRouter();
  const { saver } = useWorkshop();
  const name = useEditorState((state) => shownFigure(state).name);
  const open = useEditorState((state) => state.save.kind === 'conflict');
  const [busy, setBusy] = useState(false);

  const keepMine = async (goOn: 'mine' | 'theirs'): Promise<void> => {
    setBusy(true);
    try {
      const copy = await saver()?.saveCopy(`${name} (this window)`.slice(0, 120));
      if (goOn === 'mine' && copy) router.push(`/figures/${copy}`);
      else window.location.reload();
    } catch (error) {
      toast.error(error instanceof Error ? error.message : 'This version could not be put on the Shelf.');
      setBusy(false);
    }
  };

  return (
    <Sheet title="This figure was changed in another window" open={open} onClose={() => undefined} wide>
      <p className="text-muted">
        What was done there is saved. What was done here since is not yet, and it would overwrite it. Both
        versions are kept, whichever you go on with: this window’s goes on the Shelf as “{name} (this
        window)”.
      </p>
      <div className="mt-4 flex flex-wrap justify-end gap-2">
        <Button disabled={busy} onClick={() => void keepMine('theirs')}>
          Go on with the other window’s
        </Button>
        <Button tone="main" disabled={busy} onClick={() => void keepMine('mine')}>
          Go on with this window’s
        </Button>
      </div>
    </Sheet>
  );
}
