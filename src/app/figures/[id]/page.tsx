import type { Metadata } from 'next';
import { notFound } from 'next/navigation';

import { database } from '@/server/database';
import { NotFound } from '@/server/errors';
import { loadFigure } from '@/server/figures';
import type { SavedFigure } from '@/wire';
import { EditorPage } from '@/ui/editor/EditorPage';

interface Props {
  readonly params: Promise<{ id: string }>;
}

export const dynamic = 'force-dynamic';

async function stored(props: Props): Promise<SavedFigure> {
  try {
    return await loadFigure(await database(), (await props.params).id);
  } catch (error) {
    if (error instanceof NotFound) notFound();
    throw error;
  }
}

export async function generateMetadata(props: Props): Promise<Metadata> {
  return { title: (await stored(props)).name };
}

export default async function FigurePage(props: Props) {
  const saved = await stored(props);
  return <EditorPage key={saved.id} saved={saved} />;
}
