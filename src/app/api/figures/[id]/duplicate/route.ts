import { bodyOf, copySchema, database, duplicateFigure, respond, valid } from '@/server';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A copy of a figure as it is, or of a state of it. */
export const POST = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const asked = request.body ? valid(copySchema, await bodyOf(request), 'body') : {};
    return Response.json(await duplicateFigure(await database(), (await params).id, asked), { status: 201 });
  });
