import { database } from '@/server';
import { pageOfFigures, shelfFacts } from '@/server/shelf';
import { ALL_FIGURES, PAGE_SIZE } from '@/protocol';
import { Shelf } from '@/ui/shelf';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Shelf' };

/** Of many figures as many as a window shows are in the page itself; the rest is asked for once it is there. */
const SEEN_AT_ONCE = 20;

export default async function ShelfPage() {
  const knex = await database();
  const { total, figures } = await pageOfFigures(knex, { ...ALL_FIGURES, from: 0, count: PAGE_SIZE });
  return (
    <Shelf
      first={{ total, figures: total > PAGE_SIZE ? figures.slice(0, SEEN_AT_ONCE) : figures }}
      facts={await shelfFacts(knex)}
    />
  );
}
