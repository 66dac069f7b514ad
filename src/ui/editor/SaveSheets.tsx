'use client';

import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';

import { differences } from '@/core/figure';
import { sceneOf, server, shownFigure } from '@/state';
import { Button, FigurePicture, say, Sheet, SmallScene } from '@/ui/common';
import { useEditorState, useRestState, useWorkshop } from '@/ui/desk';

/** What stands in the way of saving and a person has to settle. */
export function SaveSheets() {
  return (
    <>
      <ConflictSheet />
      <GoneSheet />
    </>
  );
}

/** The figure was taken off the Shelf elsewhere: a choice in which what was done here is not lost. */
function GoneSheet() {
  const router = useRouter();
  const { saver } = useWorkshop();
  const name = useEditorState((state) => shownFigure(state).name);
  const open = useEditorState((state) => state.save.kind === 'gone');
  const [busy, setBusy] = useState(false);

  const settle = async (how: () => Promise<void> | undefined): Promise<void> => {
    setBusy(true);
    try {
      await how();
    } catch (error) {
      say(error, 'The figure could not be put back.');
    }
    setBusy(false);
  };
  const keepCopy = async (): Promise<void> => {
    const copy = await saver()?.saveCopy(name);
    if (copy) router.push(`/figures/${copy}`);
  };

  return (
    <Sheet title="This figure is no longer on the Shelf" open={open} onClose={() => undefined} wide>
      <p className="text-muted">
        “{name}” was taken off the Shelf in another window. What was done here since is not saved yet.
      </p>
      <div className="mt-4 flex flex-wrap justify-end gap-2">
        <Button disabled={busy} onClick={() => void settle(keepCopy)}>
          Keep as another figure
        </Button>
        <Button tone="main" disabled={busy} onClick={() => void settle(() => saver()?.putBack())}>
          Put it back
        </Button>
      </div>
    </Sheet>
  );
}

/** Both versions side by side, and what is different in words. */
function BothVersions() {
  const state = useRestState();
  const id = state.id;
  const mine = shownFigure(state);
  const scene = useMemo(() => sceneOf(state), [state]);
  const { data: theirs } = useQuery({ queryKey: ['conflict', id], queryFn: () => server.load(id) });
  const lines = theirs ? differences(theirs.figure, mine) : [];
  return (
    <div className="mt-3">
      <div className="grid grid-cols-2 gap-3">
        <figure>
          <div className="aspect-square overflow-hidden rounded-[6px] border border-line bg-sand">
            {theirs && <FigurePicture figure={theirs} />}
          </div>
          <figcaption className="mt-1 text-[12px] text-muted">The other window’s</figcaption>
        </figure>
        <figure>
          <div className="rounded-[6px] border border-line bg-sand">
            <SmallScene scene={scene} id="mine" />
          </div>
          <figcaption className="mt-1 text-[12px] text-muted">This window’s</figcaption>
        </figure>
      </div>
      {lines.length > 0 && (
        <ul
          aria-label="What is different"
          className="mt-2 max-h-[120px] overflow-y-auto text-[12px] leading-5 text-muted"
        >
          {lines.slice(0, 20).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** The figure was changed elsewhere: a choice in which neither version is lost. */
function ConflictSheet() {
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
      say(error, 'This version could not be put on the Shelf.');
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
      {open && <BothVersions />}
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
