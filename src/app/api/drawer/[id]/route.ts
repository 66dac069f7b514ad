import { database } from '@/server/database';
import { motifChangeSchema } from '@/server/requests';
import { bodyOf, respond, valid } from '@/server/respond';
import { changeMotif, dropMotif, loadMotif } from '@/server/shelf/drawer';

interface Context {
  readonly params: Promise<{ id: string }>;
}

export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => Response.json(await loadMotif(await database(), (await params).id)));

export const PATCH = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const change = valid(motifChangeSchema, await bodyOf(request), 'body');
    return Response.json(await changeMotif(await database(), (await params).id, change));
  });

export const DELETE = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    await dropMotif(await database(), (await params).id);
    return new Response(null, { status: 204 });
  });
