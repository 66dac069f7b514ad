'use client';

import { useQueries } from '@tanstack/react-query';
import { formatDistanceToNow } from 'date-fns';
import { ArrowLeftRight } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';

import { server } from '@/state';
import { Button, Mark, ThemeButton } from '@/ui/common';
import { CompareView, type Side } from './CompareView';
import { wordOfSide, type SideRef } from './sides';
import { stateAddress } from './stateAddress';

interface Props {
  readonly refs: readonly (SideRef & { readonly note: string; readonly changed: string })[];
}

/** Figures of the Shelf, compared. */
export function ComparePage({ refs }: Props) {
  const [isTurned, setTurned] = useState(false);
  const answers = useQueries({
    queries: refs.map(({ id, step, version }) => ({
      queryKey: ['state', id, step ?? null, version ?? null],
      queryFn: () =>
        server.state(id, { ...(step !== undefined && { step }), ...(version !== undefined && { version }) }),
    })),
  });
  const sides = refs.map((ref, k): Side => {
    const { data, error } = answers[k] ?? {};
    return {
      key: `${k} ${wordOfSide(ref)}`,
      title: data?.name ?? '…',
      note: error ? error.message : ref.note,
      address: stateAddress(ref),
      figure: data ?? null,
      actions: (
        <Link
          href={`/figures/${ref.id}`}
          className="shrink-0 rounded-ui px-2 py-1 text-[12px] text-kelp underline-offset-2 hover:underline"
          title={`Changed ${formatDistanceToNow(new Date(ref.changed), { addSuffix: true })}`}
        >
          Open
        </Link>
      ),
    };
  });
  const shown = isTurned ? sides.reverse() : sides;
  return (
    <div className="flex h-dvh flex-col">
      <header className="flex h-[52px] shrink-0 items-center gap-3 border-b border-line bg-field px-4">
        <Mark />
        <Link href="/" className="font-title text-[17px] font-bold">
          Cyclogon
        </Link>
        <Link href="/" className="text-muted hover:text-ink">
          Shelf
        </Link>
        <span aria-hidden className="text-muted">
          /
        </span>
        <h1 className="min-w-0 flex-1 truncate font-semibold">
          Compare {shown.map(({ title }) => title).join(', ')}
        </h1>
        <Button onClick={() => setTurned(!isTurned)}>
          <ArrowLeftRight size={15} strokeWidth={1.7} aria-hidden /> Turn round
        </Button>
        <ThemeButton />
      </header>
      <main className="flex min-h-0 flex-1">
        <CompareView sides={shown} />
      </main>
    </div>
  );
}
