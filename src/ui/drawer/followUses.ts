import { toast } from 'sonner';

import { followMotif } from '@/core/figure/commands';
import { usesOfFigure } from '@/core/figure';
import { act, type Editor, newId, server, shownFigure } from '@/state';

/** Puts newer revisions of motifs in the place of their uses, as a step each. */
async function look(editor: Editor): Promise<void> {
  const uses = usesOfFigure(shownFigure(editor.getState()));
  if (uses.length === 0) return;
  const newest = new Map((await server.motifs()).map((entry) => [entry.id, entry]));
  const ids = new Set(uses.map(({ group: { source } }) => source.motif));
  for (const id of ids) {
    const entry = newest.get(id);
    const isOld = uses.some(
      ({ group: { source } }) => source.motif === id && source.revision < (entry?.revision ?? 0),
    );
    if (!entry || !isOld) continue;
    const { figure, revision } = await server.motif(id);
    const [round] = figure.rounds;
    if (!round) continue;
    const motif = { shapes: round.shapes, ...(round.groups && { groups: round.groups }) };
    act(editor, `Follow ${entry.name}`, (now, work) =>
      followMotif(now, id, { revision, motif }, newId, work),
    );
    toast(`“${entry.name}” was changed in the drawer: its uses here follow. Undo takes it back.`, {
      duration: 8000,
    });
  }
}

/** Follows motifs of the drawer when the figure is opened, and when one comes back to its window. @returns what ends it */
export function followUses(editor: Editor): () => void {
  // Of a server that does not answer, saving tells.
  const again = (): void => void look(editor).catch(() => undefined);
  again();
  window.addEventListener('focus', again);
  return () => window.removeEventListener('focus', again);
}
