'use client';

import { Archive } from 'lucide-react';
import { memo } from 'react';

import type { Round } from '@/core/figure';
import { printNumber } from '@/core/format';
import { degreesOf } from '@/core/number';
import { halfWedge, pastRays } from '@/core/symmetry';
import { IconButton } from '@/ui/common';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { warnedPaths } from './warned';

/** How far what must not cross a ray does. */
function EdgeWarning({ round, unit }: { readonly round: Round; readonly unit: string }) {
  const work = useWork();
  const paths = warnedPaths(round, work);
  const { left, right } = pastRays(paths, round.rule);
  const most = Math.max(left, right);
  if (most <= 1e-6) return null;
  return (
    <span
      role="status"
      className="rounded-[6px] bg-coral-soft px-1.5 text-[12px] font-medium whitespace-nowrap text-coral-text"
    >
      {printNumber(most, 2)} {unit} past the ray
    </span>
  );
}

/** Opens the drawer in the panel's place, and closes it. */
const DrawerButton = memo(function DrawerButton() {
  const editor = useEditor();
  const isOpen = useEditorState((state) => state.drawer);
  return (
    <span className="pointer-events-auto ml-auto rounded-ui bg-field/85">
      <IconButton
        label="Drawer of motifs (O)"
        on={isOpen}
        onClick={() => editor.setState({ drawer: !isOpen })}
      >
        <Archive size={16} strokeWidth={1.7} />
      </IconButton>
    </span>
  );
});

/** What the Bench shows: the round, its wedge, what is to be known of it. */
export function BenchHeader({ round, unit }: { readonly round: Round | null; readonly unit: string }) {
  const wedge = round && printNumber(2 * degreesOf(halfWedge(round.rule)), 3);
  return (
    <header className="pointer-events-none absolute inset-x-0 top-0 flex h-[38px] items-center gap-1 px-2">
      <h2 className="rounded-[6px] bg-field/85 px-1 font-semibold">Bench</h2>
      <span className="truncate rounded-[6px] bg-field/85 px-1 text-[12px] text-muted">
        {round ? `${round.name} · wedge ${wedge}°${round.rule.mirror ? ', mirrored' : ''}` : 'no round'}
      </span>
      {round?.half && (
        <span className="rounded-[6px] bg-coral-soft px-1.5 text-[12px] font-medium whitespace-nowrap text-coral-text">
          half
        </span>
      )}
      {round && <EdgeWarning round={round} unit={unit} />}
      <DrawerButton />
    </header>
  );
}
