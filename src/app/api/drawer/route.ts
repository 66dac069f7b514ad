import { bodyOf, database, motifSchema, respond, valid } from '@/server';
import { keepMotif, listMotifs, motifsOut } from '@/server/shelf';

/** All motifs; with `?out=1` those that were taken out and can be put in again. */
export const GET = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const knex = await database();
    const isOut = new URL(request.url).searchParams.has('out');
    return Response.json(await (isOut ? motifsOut(knex) : listMotifs(knex)));
  });

/** Puts a motif in the drawer. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const given = valid(motifSchema, await bodyOf(request), 'body');
    return Response.json(await keepMotif(await database(), given), { status: 201 });
  });
