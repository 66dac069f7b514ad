import { database } from '@/server/database';
import { pageOfFigures } from '@/server/figures';
import { PAGE_SIZE } from '@/wire';
import { Shelf } from '@/ui/shelf/Shelf';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Shelf' };

/** Of many figures as many as a window shows are in the page itself; the rest is asked for once it is there. */
const SEEN_AT_ONCE = 20;

export default async function ShelfPage() {
  const { total, figures } = await pageOfFigures(await database(), { search: '', from: 0, count: PAGE_SIZE });
  return <Shelf first={{ total, figures: total > PAGE_SIZE ? figures.slice(0, SEEN_AT_ONCE) : figures }} />;
}
