'use client';

import { useQuery } from '@tanstack/react-query';

import { detachMotif } from '@/core/figure/commands';
import { type Round, type Shape, usesOfRound } from '@/core/figure';
import { actOnRound, server } from '@/state';
import { Button, Section } from '@/ui/common';
import { changeToUse, useEditor } from '@/ui/desk';

/** The motif of the drawer that what is selected is a use of, or lies in. */
export function UsePanel({ round, shapes }: { readonly round: Round; readonly shapes: readonly Shape[] }) {
  const editor = useEditor();
  const use = usesOfRound(round).find((each) => {
    const ids = new Set(each.shapes.map(({ id }) => id));
    return shapes.length > 0 && shapes.every(({ id }) => ids.has(id));
  });
  const { data: all } = useQuery({
    queryKey: ['drawer'],
    queryFn: server.motifs,
    enabled: use !== undefined,
  });
  if (!use) return null;
  const { group } = use;
  const entry = all?.find(({ id }) => id === group.source.motif);
  const isGone = all !== undefined && !entry;
  return (
    <Section title="From the drawer" note={entry?.name ?? group.name}>
      <p className="text-[12px] leading-4 text-muted">
        {isGone
          ? 'Its motif is not in the drawer any more: it stays as it is.'
          : 'It follows its motif: when that is changed, this becomes what it is then, where it stands.'}
      </p>
      <div className="flex flex-wrap gap-1.5">
        {!isGone && (
          <Button
            disabled={round.locked}
            title="What this is now becomes the motif, and all its uses follow"
            onClick={() => void changeToUse(editor, round.id, group)}
          >
            Change the motif to this
          </Button>
        )}
        <Button
          disabled={round.locked}
          title="It stays as it is, and follows no longer"
          onClick={() => actOnRound(editor, 'Detach', (f, id) => detachMotif(f, id, group.id))}
        >
          Detach
        </Button>
      </div>
    </Section>
  );
}
