import { database, respond } from '@/server';
import { dropMotif } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Puts a motif that was taken out in again. */
export const POST = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    await dropMotif(await database(), (await params).id, true);
    return new Response(null, { status: 204 });
  });
