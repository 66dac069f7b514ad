import { bodyOf, database, motifSetSchema, respond, valid } from '@/server';
import { motifSet, takeMotifSet } from '@/server/shelf';

/** Largest motif set, in bytes. */
const MOST_BYTES = 32_000_000;

/** Motifs as a file: `?ids=ID,ID`; all that a person kept without. */
export const GET = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const ids = new URL(request.url).searchParams.get('ids');
    const set = await motifSet(await database(), ids === null ? null : ids.split(',').slice(0, 5000));
    return new Response(JSON.stringify(set, null, 1), {
      headers: {
        'Content-Type': 'application/json',
        'Content-Disposition': 'attachment; filename="motifs.json"',
        'Cache-Control': 'no-store',
      },
    });
  });

/** Puts the motifs of a file in the drawer. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const set = valid(motifSetSchema, await bodyOf(request, MOST_BYTES), 'body');
    return Response.json({ added: await takeMotifSet(await database(), set) });
  });
