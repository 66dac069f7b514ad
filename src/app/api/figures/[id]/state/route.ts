import { checkFigure } from '@/core/format/figure';
import { database, respond, stateSchema, valid, sound } from '@/server';
import { stateOf } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A figure as it was: `?step=POSITION` or `?version=ID`; as it is without either. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const state = valid(stateSchema, Object.fromEntries(new URL(request.url).searchParams), 'address');
    const { figure } = await stateOf(await database(), (await params).id, state);
    return Response.json(sound(checkFigure(figure)));
  });
