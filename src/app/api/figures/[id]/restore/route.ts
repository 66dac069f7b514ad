import { database, respond, restoreFigure } from '@/server';

interface Context {
  readonly params: Promise<{ id: string }>;
}

export const POST = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () =>
    Response.json(await restoreFigure(await database(), (await params).id), { status: 200 }),
  );
