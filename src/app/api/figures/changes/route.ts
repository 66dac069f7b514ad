import { bodyOf, changeSchema, database, duplicateFigure, respond, valid } from '@/server';
import { changeFigures } from '@/server/shelf';

/** One thing done to several figures. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const change = valid(changeSchema, await bodyOf(request), 'body');
    const knex = await database();
    if (change.do === 'duplicate') for (const id of change.ids) await duplicateFigure(knex, id);
    else await changeFigures(knex, change);
    return new Response(null, { status: 204 });
  });
