import { database } from '@/server/database';
import { listFigures } from '@/server/figures';
import { Shelf } from '@/ui/shelf/Shelf';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Shelf' };

export default async function ShelfPage() {
  return <Shelf figures={await listFigures(await database())} />;
}
