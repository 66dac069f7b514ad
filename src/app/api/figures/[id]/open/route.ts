import { bodyOf, respond, valid, windowSchema } from '@/server';
import { noteClosed, noteOpen } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A window tells that it has a figure open, and hears how many others have. */
export const POST = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { window } = valid(windowSchema, await bodyOf(request), 'body');
    return Response.json({ others: noteOpen((await params).id, window) });
  });

/** A window closes a figure. */
export const DELETE = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { window } = valid(windowSchema, await bodyOf(request), 'body');
    noteClosed((await params).id, window);
    return new Response(null, { status: 204 });
  });
