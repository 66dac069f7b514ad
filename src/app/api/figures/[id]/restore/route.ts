import { database } from '@/server/database';
import { restoreFigure } from '@/server/figures';
import { respond } from '@/server/respond';

interface Context {
  readonly params: Promise<{ id: string }>;
}

export const POST = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () =>
    Response.json(await restoreFigure(await database(), (await params).id), { status: 200 }),
  );
