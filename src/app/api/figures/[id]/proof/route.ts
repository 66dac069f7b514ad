import { database, proofOf, respond, shownFigure } from '@/server';
import { aside } from '@/server/jobs';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** The proof of a stored figure, as data or as a page. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { target, as } = proofOf(new URL(request.url).searchParams);
    const { id } = await params;
    const figure = await shownFigure(await database(), id);
    const { signal } = request;
    const { data, page } = await aside('proofFigure', { figure, target, page: as === 'pdf' }, { signal });
    const headers = { 'Cache-Control': 'no-store' };
    return page
      ? new Response(Buffer.from(page), { headers: { ...headers, 'Content-Type': 'application/pdf' } })
      : Response.json(data, { headers });
  });
