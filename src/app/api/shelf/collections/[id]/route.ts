import { bodyOf, collectionSchema, database, respond, valid } from '@/server';
import { dropCollection, renameCollection } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

export const PATCH = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { name } = valid(collectionSchema, await bodyOf(request), 'body');
    await renameCollection(await database(), (await params).id, name);
    return new Response(null, { status: 204 });
  });

/** The figures in it stay on the Shelf. */
export const DELETE = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    await dropCollection(await database(), (await params).id);
    return new Response(null, { status: 204 });
  });
