import { database } from '@/server/database';
import { pageOfFigures } from '@/server/figures';
import { PAGE_SIZE } from '@/wire';
import { Shelf } from '@/ui/shelf/Shelf';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Shelf' };

export default async function ShelfPage() {
  return <Shelf first={await pageOfFigures(await database(), { search: '', from: 0, count: PAGE_SIZE })} />;
}
