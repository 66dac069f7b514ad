import { nanoid } from 'nanoid';

import { newFigure } from '@/core/figure';
import { checkFigure } from '@/core/format/figure';
import { bodyOf, createFigure, createSchema, database, listSchema, respond, valid, sound } from '@/server';
import { pageOfFigures } from '@/server/shelf';

/** Figures that are looked for: `?search=WORDS&collection=ID&label=WORD&sort=name&from=N&count=N`. */
export const GET = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const asked = valid(listSchema, Object.fromEntries(new URL(request.url).searchParams), 'address');
    return Response.json(await pageOfFigures(await database(), asked));
  });

/** A new figure: empty, or from a figure's JSON. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const { name, figure } = valid(createSchema, await bodyOf(request), 'body');
    const made = figure ? sound(checkFigure(figure)) : newFigure(name ?? 'Untitled figure', nanoid(8));
    return Response.json(await createFigure(await database(), made), { status: 201 });
  });
