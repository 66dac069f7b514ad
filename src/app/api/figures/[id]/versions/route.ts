import { bodyOf, database, respond, valid, versionSchema } from '@/server';
import { keepVersion } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Keeps a figure as it is, or a state of it, under a name. */
export const POST = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const asked = valid(versionSchema, await bodyOf(request), 'body');
    return Response.json(await keepVersion(await database(), (await params).id, asked), { status: 201 });
  });
