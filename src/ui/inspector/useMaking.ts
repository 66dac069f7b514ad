import { toast } from 'sonner';

import type { Work } from '@/core/derive';
import type { Figure, Round } from '@/core/figure';
import type { Result } from '@/core/finding';
import { actAndSelect, type Made } from '@/state';
import { useEditor } from '@/ui/desk';

type Making = (
  label: string,
  make: (figure: Figure, work: Work) => Made | Result<Made>,
  /** Why where it gives none, in a sentence. */
  none: string,
) => void;

/** Takes a step that gives new shapes in a round, which are selected; says why where it gives none. */
export function useMaking(round: Round): Making {
  const editor = useEditor();
  return (label, make, none) =>
    actAndSelect(editor, label, round.id, make, (made) => {
      if (made.ids.length === 0) toast(none);
    });
}
