import { database } from '@/server/database';
import { collectionSchema } from '@/server/requests';
import { bodyOf, respond, valid } from '@/server/respond';
import { makeCollection } from '@/server/shelf/changes';

export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const { name } = valid(collectionSchema, await bodyOf(request), 'body');
    return Response.json(await makeCollection(await database(), name), { status: 201 });
  });
