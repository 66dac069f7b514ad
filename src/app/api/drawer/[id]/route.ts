import { bodyOf, database, motifChangeSchema, respond, valid } from '@/server';
import { changeMotif, dropMotif, loadMotif } from '@/server/shelf';

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
