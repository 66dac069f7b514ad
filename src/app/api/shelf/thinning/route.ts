import { bodyOf, database, respond, valid } from '@/server';
import { setThinningRules, thinningRules, thinningSchema } from '@/server/shelf';

/** How long steps are kept. */
export const GET = (request: Request): Promise<Response> =>
  respond(request, async () => Response.json(await thinningRules(await database())));

export const PUT = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const rules = valid(thinningSchema, await bodyOf(request), 'body');
    await setThinningRules(await database(), rules);
    return Response.json(rules);
  });
