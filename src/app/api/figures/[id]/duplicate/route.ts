import { database } from '@/server/database';
import { duplicateFigure } from '@/server/figures';
import { copySchema } from '@/server/requests';
import { bodyOf, respond, valid } from '@/server/respond';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A copy of a figure as it is, or of a state of it. */
export const POST = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const asked = request.body ? valid(copySchema, await bodyOf(request), 'body') : {};
    return Response.json(await duplicateFigure(await database(), (await params).id, asked), { status: 201 });
  });
