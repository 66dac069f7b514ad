'use client';

import { Button } from './Button';
import { Sheet } from './Panel';

interface Props {
  readonly title: string;
  /** What is asked about, and what comes of it; closed without. */
  readonly about: string | null;
  /** What the button says that does it. */
  readonly does: string;
  readonly onDo: () => void;
  readonly onClose: () => void;
}

/** A question before something that cannot be taken back. */
export const Ask = ({ title, about, does, onDo, onClose }: Props) => (
  <Sheet title={title} open={about !== null} onClose={onClose}>
    <p className="text-muted">{about}</p>
    <div className="mt-4 flex justify-end gap-2">
      <Button onClick={onClose} autoFocus>
        Leave it
      </Button>
      <Button
        tone="danger"
        onClick={() => {
          onClose();
          onDo();
        }}
      >
        {does}
      </Button>
    </div>
  </Sheet>
);
