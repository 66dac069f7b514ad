import { nanoid } from 'nanoid';

import { newFigure } from '@/core/figure/start';
import { checkFigure } from '@/core/format/figure/json';
import { database } from '@/server/database';
import { createFigure, listFigures } from '@/server/figures';
import { createSchema } from '@/server/requests';
import { bodyOf, respond, valid } from '@/server/respond';

export const GET = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const search = new URL(request.url).searchParams.get('search') ?? '';
    return Response.json(await listFigures(await database(), search));
  });

/** A new figure: empty, or from a figure's JSON. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const { name, figure } = valid(createSchema, await bodyOf(request), 'body');
    const made = figure ? checkFigure(figure) : newFigure(name ?? 'Untitled figure', nanoid(8));
    return Response.json(await createFigure(await database(), made), { status: 201 });
  });
