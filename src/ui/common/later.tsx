'use client';

import { type ComponentType, useEffect, useState } from 'react';
import { toast } from 'sonner';

interface LaterProps {
  /** True where it is to be there; once there, it stays. */
  readonly wanted: boolean;
  /** True where its code is read a while after the page has opened, so that it is there should the server not be. */
  readonly ahead?: boolean;
  /** It could not be read, as the server does not answer; it is to be wanted no more, so that a person can ask again. */
  readonly onMissing: () => void;
}

/** How long after the page has opened code is read ahead, in milliseconds. */
const QUIET = 2000;

/**
 * A part of the page whose code is read when it is first wanted, as a page that reads all of its code takes long to open.
 * @param load an import of it by its file
 *
 * @example
 * const ExportSheet = later(() => import('../export/ExportSheet').then((each) => each.ExportSheet));
 * <ExportSheet wanted={isOpen} onMissing={close} open={isOpen} onClose={close} />
 */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>) {
  // Code is the same for all: what was read once is shown at once the next time.
  let known: ComponentType<Props> | null = null;
  const read = async (): Promise<ComponentType<Props>> => (known ??= await load());

  return function Later({ wanted, ahead = false, onMissing, ...props }: LaterProps & Props) {
    const [Part, setPart] = useState(() => known);
    useEffect(() => {
      if (!ahead || known) return undefined;
      // Where it fails nobody has asked for it yet: it is read again when somebody does.
      const timer = setTimeout(() => void read().catch(() => null), QUIET);
      return () => clearTimeout(timer);
    }, [ahead]);
    useEffect(() => {
      if (!wanted || Part) return undefined;
      let isGone = false;
      read().then(
        (part) => {
          if (!isGone) setPart(() => part);
        },
        () => {
          if (isGone) return;
          toast.error('This could not be opened: the server does not answer. Try again when it does.');
          onMissing();
        },
      );
      return () => {
        isGone = true;
      };
    }, [wanted, Part, onMissing]);
    return Part && <Part {...(props as unknown as Props)} />;
  };
}
