'use client';

import { Sheet } from '@/ui/common';
import { KEYS } from './keys';

export function KeysSheet({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Sheet title="Keys" open={open} onClose={onClose}>
      <dl className="grid grid-cols-[150px_1fr] gap-y-1.5">
        {KEYS.map(([key, meaning]) => (
          <div key={key} className="contents">
            <dt className="font-mono text-[12px]">{key}</dt>
            <dd className="text-muted">{meaning}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 text-[12px] text-muted">
        Undo, redo, copy, paste, duplicate, select all and delete are where the system has them.
      </p>
    </Sheet>
  );
}
