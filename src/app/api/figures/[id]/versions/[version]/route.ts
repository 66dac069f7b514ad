import { bodyOf, database, renameSchema, respond, valid } from '@/server';
import { dropVersion, renameVersion } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string; version: string }>;
}

const nothing = (): Response => new Response(null, { status: 204 });

export const PATCH = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { name } = valid(renameSchema, await bodyOf(request), 'body');
    const { id, version } = await params;
    await renameVersion(await database(), id, version, name);
    return nothing();
  });

export const DELETE = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { id, version } = await params;
    await dropVersion(await database(), id, version);
    return nothing();
  });
