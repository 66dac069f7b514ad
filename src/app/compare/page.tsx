import { redirect } from 'next/navigation';

import { database, NotFound } from '@/server';
import { historyOf, rowOf } from '@/server/shelf';
import { ComparePage, type SideRef, sidesOf } from '@/ui/compare';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Compare' };

const MOST = 4;

/** What a side is, in a few words; null where it is not there any more. */
async function described(side: SideRef) {
  const knex = await database();
  try {
    const { updated_at: changed } = await rowOf(knex, side.id);
    if (side.step === undefined && side.version === undefined) return { ...side, note: '', changed };
    const { steps, versions } = await historyOf(knex, side.id);
    const note =
      side.version === undefined
        ? `Step ${side.step}: ${steps.find(({ position }) => position === side.step)?.label ?? ''}`
        : `Version “${versions.find(({ id }) => id === side.version)?.name ?? ''}”`;
    return { ...side, note, changed };
  } catch (error) {
    if (error instanceof NotFound) return null;
    throw error;
  }
}

interface Props {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

/** Figures or states of them: `?with=ID,ID@sSTEP,ID@vVERSION`. */
export default async function Page({ searchParams }: Props) {
  const asked = (await searchParams)['with'];
  const sides = sidesOf(typeof asked === 'string' ? asked : '').slice(0, MOST);
  const refs = (await Promise.all(sides.map(described))).filter((each) => each !== null);
  // Nothing is left to compare: they were taken away, or never there.
  if (refs.length < 2) redirect('/');
  return <ComparePage refs={refs} />;
}
