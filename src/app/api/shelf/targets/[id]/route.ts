import { database, respond } from '@/server';
import { dropKeptTarget } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Keeps a target for all figures no more. */
export const DELETE = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => Response.json(await dropKeptTarget(await database(), (await params).id)));
