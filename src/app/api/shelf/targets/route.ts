import { ownTargetSchema } from '@/core/figure';
import { bodyOf, database, respond, valid } from '@/server';
import { keepTarget, keptTargets } from '@/server/shelf';

/** Targets that are kept for all figures. */
export const GET = (request: Request): Promise<Response> =>
  respond(request, async () => Response.json(await keptTargets(await database())));

/** Keeps one, in place of the one with its id. */
export const PUT = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const target = valid(ownTargetSchema, await bodyOf(request), 'body');
    return Response.json(await keepTarget(await database(), target));
  });
