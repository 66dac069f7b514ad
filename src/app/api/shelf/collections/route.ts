import { bodyOf, collectionSchema, database, respond, valid } from '@/server';
import { makeCollection } from '@/server/shelf';

export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const { name } = valid(collectionSchema, await bodyOf(request), 'body');
    return Response.json(await makeCollection(await database(), name), { status: 201 });
  });
