import {
  bodyOf,
  database,
  deleteFigure,
  loadFigure,
  renameSchema,
  renameStored,
  respond,
  saveFigure,
  saveSchema,
  valid,
} from '@/server';

interface Context {
  readonly params: Promise<{ id: string }>;
}

export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => Response.json(await loadFigure(await database(), (await params).id)));

export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    // Several steps travel together, each a figure of its own.
    const save = valid(saveSchema, await bodyOf(request, 64_000_000), 'body');
    return Response.json(await saveFigure(await database(), (await params).id, save));
  });

export const PATCH = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { name } = valid(renameSchema, await bodyOf(request), 'body');
    return Response.json(await renameStored(await database(), (await params).id, name));
  });

export const DELETE = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    await deleteFigure(await database(), (await params).id);
    return new Response(null, { status: 204 });
  });
