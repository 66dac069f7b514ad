import { database, respond } from '@/server';
import { shelfFacts } from '@/server/shelf';

/** Collections, labels, how many figures there are, and a stamp that changes with anything. */
export const GET = (request: Request): Promise<Response> =>
  respond(request, async () =>
    Response.json(await shelfFacts(await database()), { headers: { 'Cache-Control': 'no-store' } }),
  );
