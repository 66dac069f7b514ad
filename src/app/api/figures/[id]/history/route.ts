import { database } from '@/server/database';
import { respond } from '@/server/respond';
import { historyOf } from '@/server/shelf/history';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** The steps and versions of a figure, as a list. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => Response.json(await historyOf(await database(), (await params).id)));
