'use client';

import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';

import { server, shownFigure } from '@/state';
import { Button, say, Sheet } from '@/ui/common';
import { useEditor, useWorkshop } from '@/ui/desk';

/** Keeps the figure as it is under a name; the name is there already, so that Enter is enough. */
export function KeepVersionSheet({
  open,
  onClose,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
}) {
  return (
    <Sheet title="Keep a version" open={open} onClose={onClose}>
      <KeepForm onClose={onClose} />
    </Sheet>
  );
}

/** A name that says when. */
const nameNow = (): string =>
  `Version of ${new Date().toLocaleString([], { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' })}`;

function KeepForm({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const { saver } = useWorkshop();
  const client = useQueryClient();
  const [name, setName] = useState(nameNow);
  const [busy, setBusy] = useState(false);
  const keep = async (): Promise<void> => {
    setBusy(true);
    try {
      await saver()?.flush();
      const { id } = editor.getState();
      await server.keepVersion(id, { name: name.trim() });
      await client.invalidateQueries({ queryKey: ['history', id] });
      toast(
        `“${name.trim()}” is kept, whatever happens to ${shownFigure(editor.getState()).name} from here on.`,
      );
      onClose();
    } catch (error) {
      say(error, 'The version could not be kept.');
    }
    setBusy(false);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '' && !busy) void keep();
      }}
    >
      <p className="mb-3 text-muted">
        The figure as it is now, to come back to. It stays when older steps of the history go.
      </p>
      <input
        autoFocus
        aria-label="Name of the version"
        value={name}
        maxLength={120}
        autoComplete="off"
        onFocus={(event) => event.target.select()}
        onChange={(event) => setName(event.target.value)}
        className="h-[34px] w-full rounded-ui border border-line-strong bg-field px-2.5"
      />
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button tone="main" type="submit" disabled={busy || name.trim() === ''}>
          Keep
        </Button>
      </div>
    </form>
  );
}
