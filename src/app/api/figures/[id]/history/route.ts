import { database, respond } from '@/server';
import { historyOf } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** The steps and versions of a figure, as a list. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => Response.json(await historyOf(await database(), (await params).id)));
