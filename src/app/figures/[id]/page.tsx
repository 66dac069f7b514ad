import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';

import { database, loadFigure, NotFound, Refused } from '@/server';
import type { SavedFigure } from '@/protocol';
import { NotOpened } from '@/ui/common';
import { EditorPage } from '@/ui/editor';

interface Props {
  readonly params: Promise<{ id: string }>;
}

export const dynamic = 'force-dynamic';

/** A stored figure, or why it cannot be opened. */
const stored = cache(async (id: string): Promise<SavedFigure | { readonly why: string }> => {
  try {
    return await loadFigure(await database(), id);
  } catch (error) {
    if (error instanceof NotFound) notFound();
    if (error instanceof Refused) return { why: error.message };
    throw error;
  }
});

export async function generateMetadata(props: Props): Promise<Metadata> {
  const saved = await stored((await props.params).id);
  return { title: 'why' in saved ? 'Not opened' : saved.name };
}

export default async function FigurePage(props: Props) {
  const saved = await stored((await props.params).id);
  if ('why' in saved) return <NotOpened why={saved.why} />;
  return <EditorPage key={saved.id} saved={saved} />;
}
