import { database, respond, stepsBefore, stepsSchema, valid } from '@/server';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Earlier steps of a figure's history: `?before=POSITION&count=N`. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const query = valid(stepsSchema, Object.fromEntries(new URL(request.url).searchParams), 'address');
    return Response.json(await stepsBefore(await database(), (await params).id, query.before, query.count));
  });
